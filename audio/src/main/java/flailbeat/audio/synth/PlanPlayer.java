package flailbeat.audio.synth;

import flailbeat.audio.line.OutputLine;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.time.Loop;
import java.util.Arrays;

/**
 * Sends a plan's messages to the synthesizer as their blocks come. Lives on the audio thread and
 * allocates nothing.
 *
 * <p>Where a plan is joined in the middle, or replaced by another, or a loop begins anew, the notes
 * that should be sounding there are worked out and brought about: those of both go on, the rest end
 * or begin. Frames are counted from the run's start, so that song time never drifts against the
 * stream, however often a loop is gone round.
 */
final class PlanPlayer {
  private static final long NANOS_PER_SECOND = 1_000_000_000;
  private static final int CHANNELS = 16;
  private static final int KEYS = CHANNELS * 128;

  private final Synth synth;
  private final ClickVoice click;
  private final RepeatPlayer repeats;
  private final Feed feed;
  private final boolean[] sounding = new boolean[KEYS];
  private final int[] wanted = new int[KEYS];
  private Run run;
  private PlaybackPlan plan = PlaybackPlan.SILENCE;
  private boolean joined;
  private int next;
  private int nextClick;
  private long startNanos;
  private long frames;

  /** What has been gone round so far: unrolled time less this is song time. */
  private long rounds;

  PlanPlayer(Synth synth, ClickVoice click, RepeatPlayer repeats, Feed feed) {
    this.synth = synth;
    this.repeats = repeats;
    this.feed = feed;
    this.click = click;
  }

  /** Takes up a run, or none; {@code nextHeardNanos} is when the next block will be heard. */
  void follow(Run wantedRun, long nextHeardNanos) {
    if (wantedRun != run) {
      run = wantedRun;
      frames = 0;
      rounds = 0;
      if (run != null) {
        startNanos = run.songNanos() + Math.min(0, nextHeardNanos - run.clockNanos());
      }
      resetControllers();
      take(run == null ? PlaybackPlan.SILENCE : run.plan());
    } else if (run != null && run.plan() != plan) {
      take(run.plan());
    }
    if (run != null) {
      run.setOffsetNanos(unrolledNanos(frames) - nextHeardNanos);
    }
  }

  private void resetControllers() {
    for (int channel = 0; channel < CHANNELS; channel++) {
      synth.resetControllers(channel);
    }
  }

  private long unrolledNanos(long atFrame) {
    return startNanos + atFrame * NANOS_PER_SECOND / OutputLine.FRAME_RATE;
  }

  /** Whether it plays. */
  boolean isRunning() {
    return run != null;
  }

  /** Song time of the next frame. */
  long songNanos() {
    return unrolledNanos(frames) - rounds;
  }

  /** Song time at which the loop ends; the end of time where none is gone round. */
  private long loopEnd() {
    return run.loop() == null ? Long.MAX_VALUE : run.loop().end();
  }

  private void take(PlaybackPlan another) {
    plan = another;
    joined = false;
    long from = run == null ? 0 : Math.max(songNanos(), run.songNanos() - rounds);
    nextClick = plan.clicks().firstAtOrAfter(from);
    next = plan.firstAtOrAfter(Math.max(from, plan.startNanos()));
    if (run == null || songNanos() < plan.startNanos()) {
      endAll();
    }
  }

  /** Sends what falls into the next block, and starts its click. */
  void block() {
    if (run == null) {
      return;
    }
    long blockStart = unrolledNanos(frames);
    long blockEnd = unrolledNanos(frames + Synth.BLOCK_FRAMES);
    long from = blockStart - rounds;
    while (blockEnd - rounds > loopEnd()) {
      play(from, loopEnd(), blockStart);
      beginRound(run.loop());
      from = run.loop().start();
    }
    play(from, blockEnd - rounds, blockStart);
    frames += Synth.BLOCK_FRAMES;
  }

  /** Plays a stretch of song time, which is a block or the part of one at a loop's seam. */
  private void play(long from, long end, long blockStart) {
    if (!joined && end > plan.startNanos()) {
      joined = true;
      join();
    }
    while (next < plan.size() && plan.nanosAt(next) < end) {
      send(plan.messageAt(next++));
    }
    repeats.play(true, from, end, rounds);
    ClickTrack clicks = plan.clicks();
    while (nextClick < clicks.size() && clicks.nanosAt(nextClick) < end) {
      long into = Math.max(0, clicks.nanosAt(nextClick) + rounds - blockStart);
      int frame = (int) (into * OutputLine.FRAME_RATE / NANOS_PER_SECOND);
      click.start(clicks.isAccent(nextClick++), frame, feed.clickSound(), feed.clickLevel());
    }
  }

  /** What sounded at the loop's end and is not to sound at its start ends. */
  private void beginRound(Loop loop) {
    rounds += loop.length();
    repeats.goBack(loop.length());
    run.beginRound();
    plan = run.plan();
    resetControllers();
    nextClick = plan.clicks().firstAtOrAfter(loop.start());
    next = plan.firstAtOrAfter(loop.start());
    endAll();
    joined = true;
    join();
  }

  /** Brings about what should be sounding where the plan is joined. */
  private void join() {
    Arrays.fill(wanted, 0);
    for (int i = 0; i < next; i++) {
      int message = plan.messageAt(i);
      int key = PlaybackPlan.channel(message) << 7 | PlaybackPlan.data1(message);
      if (PlaybackPlan.isNoteOn(message)) {
        wanted[key] = PlaybackPlan.data2(message);
      } else if (PlaybackPlan.isNoteOff(message)) {
        wanted[key] = 0;
      } else {
        send(message);
      }
    }
    for (int key = 0; key < KEYS; key++) {
      if (sounding[key] && wanted[key] == 0) {
        synth.noteOff(key >> 7, key & 127);
        sounding[key] = false;
      } else if (!sounding[key] && wanted[key] > 0) {
        synth.noteOn(key >> 7, key & 127, wanted[key]);
        sounding[key] = true;
      }
    }
  }

  private void send(int message) {
    int channel = PlaybackPlan.channel(message);
    int data1 = PlaybackPlan.data1(message);
    if (PlaybackPlan.isNoteOn(message)) {
      sounding[channel << 7 | data1] = true;
      synth.noteOn(channel, data1, PlaybackPlan.data2(message));
    } else if (PlaybackPlan.isNoteOff(message)) {
      sounding[channel << 7 | data1] = false;
      synth.noteOff(channel, data1);
    } else {
      synth.control(message & 0xF0, channel, data1, PlaybackPlan.data2(message));
    }
  }

  private void endAll() {
    for (int key = 0; key < KEYS; key++) {
      if (sounding[key]) {
        synth.noteOff(key >> 7, key & 127);
        sounding[key] = false;
      }
    }
  }
}
