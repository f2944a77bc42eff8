package flailbeat.audio.synth;

import flailbeat.audio.line.OutputLine;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.PlaybackPlan;
import java.util.Arrays;

/**
 * Sends a plan's messages to the synthesizer as their blocks come. Lives on the audio thread and
 * allocates nothing.
 *
 * <p>Where a plan is joined in the middle, or replaced by another, the notes that should be
 * sounding there are worked out and brought about: those of both go on, the rest end or begin.
 */
final class PlanPlayer {
  private static final long NANOS_PER_SECOND = 1_000_000_000;
  private static final int KEYS = 16 * 128;

  private final Synth synth;
  private final ClickVoice click;
  private final boolean[] sounding = new boolean[KEYS];
  private final int[] wanted = new int[KEYS];
  private Run run;
  private PlaybackPlan plan = PlaybackPlan.SILENCE;
  private boolean joined;
  private int next;
  private int nextClick;
  private long startNanos;
  private long frames;

  PlanPlayer(Synth synth, ClickVoice click) {
    this.synth = synth;
    this.click = click;
  }

  /** Takes up a run, or none; {@code nextHeardNanos} is when the next block will be heard. */
  void follow(Run wantedRun, long nextHeardNanos) {
    if (wantedRun != run) {
      run = wantedRun;
      frames = 0;
      if (run != null) {
        startNanos = run.songNanos() + Math.min(0, nextHeardNanos - run.clockNanos());
      }
      for (int channel = 0; channel < 16; channel++) {
        synth.resetControllers(channel);
      }
      take(run == null ? PlaybackPlan.SILENCE : run.plan());
    } else if (run != null && run.plan() != plan) {
      take(run.plan());
    }
    if (run != null) {
      run.setOffsetNanos(songNanos() - nextHeardNanos);
    }
  }

  /** Song time of the next frame. */
  private long songNanos() {
    return startNanos + frames * NANOS_PER_SECOND / OutputLine.FRAME_RATE;
  }

  private void take(PlaybackPlan another) {
    plan = another;
    joined = false;
    long from = run == null ? 0 : Math.max(songNanos(), run.songNanos());
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
    long end =
        startNanos + (frames + Synth.BLOCK_FRAMES) * NANOS_PER_SECOND / OutputLine.FRAME_RATE;
    if (!joined && end > plan.startNanos()) {
      joined = true;
      join();
    }
    while (next < plan.size() && plan.nanosAt(next) < end) {
      send(plan.messageAt(next++));
    }
    ClickTrack clicks = plan.clicks();
    while (nextClick < clicks.size() && clicks.nanosAt(nextClick) < end) {
      long into = Math.max(0, clicks.nanosAt(nextClick) - songNanos());
      click.start(
          clicks.isAccent(nextClick++), (int) (into * OutputLine.FRAME_RATE / NANOS_PER_SECOND));
    }
    frames += Synth.BLOCK_FRAMES;
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
