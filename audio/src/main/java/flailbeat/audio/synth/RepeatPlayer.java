package flailbeat.audio.synth;

import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.Repeats;
import flailbeat.core.time.Pulses;

/**
 * Strikes the notes that repeat, on the live channels, as their pulses come. Lives on the audio
 * thread and allocates nothing.
 */
final class RepeatPlayer {
  private static final long NEVER = Long.MAX_VALUE;

  private final Outlet outlet;
  private Repeats repeats = Repeats.NONE;
  private boolean sounding;
  private long offAt = NEVER;

  RepeatPlayer(Outlet outlet) {
    this.outlet = outlet;
  }

  /** Takes up what is to be repeated; what no longer is ends. */
  void follow(Repeats another) {
    if (another == repeats) {
      return;
    }
    if (sounding) {
      for (int note : repeats.notes()) {
        if (!holds(another.notes(), note)) {
          end(note);
        }
      }
    }
    if (another.pulses() != repeats.pulses()) {
      offAt = NEVER;
    }
    repeats = another;
  }

  private static boolean holds(int[] notes, int note) {
    for (int each : notes) {
      boolean samePart = PlaybackPlan.part(each) == PlaybackPlan.part(note);
      if (samePart && PlaybackPlan.data1(each) == PlaybackPlan.data1(note)) {
        return true;
      }
    }
    return false;
  }

  /**
   * Plays a stretch of the time that the pulses are in.
   *
   * @param rounds unrolled time less that time
   */
  void play(boolean inSongTime, long from, long end, long rounds) {
    if (repeats.notes().length == 0 || repeats.inSongTime() != inSongTime) {
      return;
    }
    Pulses pulses = repeats.pulses();
    for (int i = pulses.firstAtOrAfter(from); i < pulses.size() && pulses.nanosAt(i) < end; i++) {
      strike(pulses.nanosAt(i) + rounds);
      long gap = i + 1 < pulses.size() ? pulses.nanosAt(i + 1) - pulses.nanosAt(i) : 0;
      offAt = gap == 0 ? offAt : pulses.nanosAt(i) + Math.round(Repeats.GATE * gap);
    }
    if (offAt < end) {
      endAll(offAt + rounds);
    }
  }

  /** The time that the pulses are in goes back by so much: a loop begins anew. */
  void goBack(long nanos) {
    offAt = offAt == NEVER ? NEVER : offAt - nanos;
  }

  private void strike(long unrolled) {
    for (int i = 0; i < repeats.notes().length; i++) {
      int note = repeats.notes()[i];
      if (repeats.firstPulses()[i] <= unrolled) {
        end(note);
        outlet.noteOn(channel(note), PlaybackPlan.data1(note), PlaybackPlan.data2(note));
      }
    }
    sounding = true;
  }

  /** A note that was only struck by its finger so far goes on. */
  private void endAll(long unrolled) {
    for (int i = 0; i < repeats.notes().length; i++) {
      if (repeats.firstPulses()[i] <= unrolled) {
        end(repeats.notes()[i]);
      }
    }
    sounding = false;
    offAt = NEVER;
  }

  private void end(int note) {
    outlet.noteOff(channel(note), PlaybackPlan.data1(note));
  }

  private static int channel(int note) {
    return Synth.LIVE + PlaybackPlan.part(note);
  }
}
