package flailbeat.audio.synth;

import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.ControlKey;
import flailbeat.core.playback.Parts;
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
 * stream, however often a loop is gone round; only where the device hung are frames left out.
 */
final class PlanPlayer {
  private static final long NANOS_PER_SECOND = 1_000_000_000;
  private static final int KEYS = Parts.MOST * 128;
  private static final int CONTROLS = Parts.MOST * ControlKey.COUNT;

  /** More than this is heard as the beat stumbling. */
  private static final long MOST_OFF_NANOS = 50_000_000;

  /** No device buffers more: what seems further ahead is a clock that was set anew. */
  private static final long LONGEST_WAIT_NANOS = 3_000_000_000L;

  /** A controller that was not moved. */
  private static final int AT_REST = 0;

  private final Outlet outlet;
  private final int frameRate;
  private final ClickVoice click;
  private final RepeatPlayer repeats;
  private final Feed feed;
  private final boolean[] sounding = new boolean[KEYS];
  private final int[] wanted = new int[KEYS];

  /** The messages that controllers were moved by last. */
  private final int[] held = new int[CONTROLS];

  private final int[] wantedHeld = new int[CONTROLS];
  private Run run;
  private PlaybackPlan plan = PlaybackPlan.SILENCE;
  private boolean joined;
  private int next;
  private int nextClick;
  private long startNanos;
  private long frames;

  /** When the block that is made will be heard. */
  private long heardNanos;

  /** Whether the song is ahead of what is heard, and lets it come. */
  private boolean waiting;

  /** How often the loop has begun anew. */
  private long turn;

  /** What has been gone round so far: unrolled time less this is song time. */
  private long rounds;

  /**
   * Plays nothing yet.
   *
   * @param frameRate frames a second
   */
  PlanPlayer(Outlet outlet, ClickVoice click, RepeatPlayer repeats, Feed feed, int frameRate) {
    this.outlet = outlet;
    this.frameRate = frameRate;
    this.repeats = repeats;
    this.feed = feed;
    this.click = click;
  }

  /** Takes up a run, or none; {@code nextHeardNanos} is when the next block will be heard. */
  void follow(Run wantedRun, long nextHeardNanos) {
    boolean begins = wantedRun != run;
    if (begins) {
      run = wantedRun;
      frames = 0;
      rounds = 0;
      turn = 0;
      if (run != null) {
        startNanos = run.songNanos() + Math.min(0, nextHeardNanos - run.clockNanos());
      }
      restControllers();
      take(wantedPlan());
    } else if (wantedPlan() != plan) {
      take(wantedPlan());
    }
    heardNanos = nextHeardNanos;
    outlet.due(nextHeardNanos);
    if (run != null) {
      keepTime(begins ? 0 : unrolledNanos(frames) - nextHeardNanos - run.offsetNanos());
      if (!waiting) {
        run.setOffsetNanos(unrolledNanos(frames) - nextHeardNanos);
      }
    }
  }

  /**
   * A device that hung leaves a gap, and the song goes on where it would be by then: who plays on
   * through it keeps the beat, and what they play is where they meant it. Where less was missed
   * than it seemed, the song waits. Small differences are followed, and nothing is left out.
   *
   * @param aheadNanos how much further the song is than the clock; negative when it is late
   */
  private void keepTime(long aheadNanos) {
    waiting = aheadNanos > (waiting ? 0 : MOST_OFF_NANOS) && aheadNanos < LONGEST_WAIT_NANOS;
    if (aheadNanos < -MOST_OFF_NANOS) {
      frames += -aheadNanos * frameRate / NANOS_PER_SECOND;
      while (songNanos() >= loopEnd()) {
        beginRound(run.loop());
      }
      take(wantedPlan());
    }
  }

  private PlaybackPlan wantedPlan() {
    return run == null ? PlaybackPlan.SILENCE : run.plans().at(turn);
  }

  private void restControllers() {
    Arrays.fill(wantedHeld, AT_REST);
    moveControllers();
  }

  private long unrolledNanos(long atFrame) {
    return startNanos + atFrame * NANOS_PER_SECOND / frameRate;
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
    if (run == null || waiting) {
      return;
    }
    long blockStart = unrolledNanos(frames);
    long blockEnd = unrolledNanos(frames + Synth.BLOCK_FRAMES);
    frames += Synth.BLOCK_FRAMES; // first: time goes on though what follows may fail
    long from = blockStart - rounds;
    while (blockEnd - rounds > loopEnd()) {
      play(from, loopEnd(), blockStart);
      beginRound(run.loop());
      from = run.loop().start();
    }
    play(from, blockEnd - rounds, blockStart);
  }

  /** A dial was turned by hand: what a plan says of it later is compared with that. */
  void dial(int part, int status, int data1, int data2) {
    int message = PlaybackPlan.message(part, status, data1, data2);
    held[part * ControlKey.COUNT + ControlKey.of(message)] = message;
    control(message);
  }

  /** Plays a stretch of song time, which is a block or the part of one at a loop's seam. */
  private void play(long from, long end, long blockStart) {
    if (!joined && end > plan.startNanos()) {
      joined = true;
      join();
    }
    while (next < plan.size() && plan.nanosAt(next) < end) {
      outlet.due(heardNanos + plan.nanosAt(next) + rounds - blockStart);
      send(plan.messageAt(next++));
    }
    outlet.due(heardNanos);
    repeats.play(true, from, end, rounds);
    ClickTrack clicks = plan.clicks();
    while (nextClick < clicks.size() && clicks.nanosAt(nextClick) < end) {
      long into = Math.max(0, clicks.nanosAt(nextClick) + rounds - blockStart);
      int frame = (int) (into * frameRate / NANOS_PER_SECOND);
      click.start(clicks.isAccent(nextClick++), frame, feed.clickSound(), feed.clickLevel());
    }
  }

  /** What sounded at the loop's end and is not to sound at its start ends. */
  private void beginRound(Loop loop) {
    rounds += loop.length();
    repeats.goBack(loop.length());
    turn++;
    plan = wantedPlan();
    nextClick = plan.clicks().firstAtOrAfter(loop.start());
    next = plan.firstAtOrAfter(loop.start());
    endAll();
    joined = true;
    join();
  }

  /** Brings about what should be there where the plan is joined: only what differs is sent. */
  private void join() {
    Arrays.fill(wanted, 0);
    Arrays.fill(wantedHeld, AT_REST);
    PlaybackPlan.Checkpoint checkpoint = plan.checkpointBefore(next);
    for (int message : checkpoint.messages()) {
      want(message);
    }
    for (int i = checkpoint.index(); i < next; i++) {
      want(plan.messageAt(i));
    }
    moveControllers();
    for (int key = 0; key < KEYS; key++) {
      if (sounding[key] && wanted[key] == 0) {
        outlet.noteOff(key >> 7, key & 127);
        sounding[key] = false;
      } else if (!sounding[key] && wanted[key] > 0) {
        outlet.noteOn(key >> 7, key & 127, wanted[key]);
        sounding[key] = true;
      }
    }
  }

  private void want(int message) {
    int part = PlaybackPlan.part(message);
    if (PlaybackPlan.isNoteOn(message)) {
      wanted[part << 7 | PlaybackPlan.data1(message)] = PlaybackPlan.data2(message);
    } else if (PlaybackPlan.isNoteOff(message)) {
      wanted[part << 7 | PlaybackPlan.data1(message)] = 0;
    } else if (ControlKey.of(message) == ControlKey.NONE) {
      control(message);
    } else {
      wantedHeld[part * ControlKey.COUNT + ControlKey.of(message)] = message;
    }
  }

  private void moveControllers() {
    for (int i = 0; i < CONTROLS; i++) {
      if (held[i] != wantedHeld[i]) {
        held[i] = wantedHeld[i];
        control(
            held[i] == AT_REST
                ? ControlKey.atRest(i / ControlKey.COUNT, i % ControlKey.COUNT)
                : held[i]);
      }
    }
  }

  private void control(int message) {
    outlet.control(
        PlaybackPlan.status(message),
        PlaybackPlan.part(message),
        PlaybackPlan.data1(message),
        PlaybackPlan.data2(message));
  }

  private void send(int message) {
    int part = PlaybackPlan.part(message);
    int data1 = PlaybackPlan.data1(message);
    if (PlaybackPlan.isNoteOn(message)) {
      sounding[part << 7 | data1] = true;
      outlet.noteOn(part, data1, PlaybackPlan.data2(message));
    } else if (PlaybackPlan.isNoteOff(message)) {
      sounding[part << 7 | data1] = false;
      outlet.noteOff(part, data1);
    } else {
      int key = ControlKey.of(message);
      if (key != ControlKey.NONE) {
        held[part * ControlKey.COUNT + key] = message;
      }
      control(message);
    }
  }

  private void endAll() {
    for (int key = 0; key < KEYS; key++) {
      if (sounding[key]) {
        outlet.noteOff(key >> 7, key & 127);
        sounding[key] = false;
      }
    }
  }
}
