package flailbeat.core.quantize;

import flailbeat.core.edit.Chords;
import flailbeat.core.edit.Doubles;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.TempoMap;
import java.util.Arrays;

/**
 * Notes as events: those that were struck within {@value Chords#TOGETHER_MS} ms of the first are
 * one event, a chord. A double ({@link Doubles}) was meant once, when it was struck first: an event
 * of its own would have to take the next slot, and drag along what was struck after it. O(n).
 */
final class Events {
  private final int[] eventOf;
  private final double[] ms;
  private final boolean[] sharesPitch;

  Events(Drafts drafts, TempoMap tempos) {
    int n = drafts.size();
    eventOf = new int[n];
    double[] sums = new double[n];
    int[] notesIn = new int[n];
    boolean[] shared = new boolean[n];
    int count = gather(drafts, tempos, sums, notesIn, shared);
    ms = new double[count];
    sharesPitch = Arrays.copyOf(shared, count);
    for (int e = 0; e < count; e++) {
      ms[e] = sums[e] / notesIn[e];
    }
  }

  /** Sums up each event's times, counts its notes; gives the number of events. */
  private int gather(
      Drafts drafts, TempoMap tempos, double[] sums, int[] notesIn, boolean[] shared) {
    long[] here = new long[2];
    long[] before = new long[2];
    int[] struckIn = new int[Pitch.HIGHEST + 1];
    double[] times = new double[drafts.size()];
    for (int i = 0; i < times.length; i++) {
      times[i] = tempos.nanosAt(drafts.playedOnset(i)) / 1e6;
    }
    Doubles doubles = new Doubles(times, drafts::pitch);
    int last = -1;
    double began = 0;
    for (int i = 0; i < drafts.size(); i++) {
      double at = times[i];
      int pitch = drafts.pitch(i);
      if (doubles.isDouble(pitch, at)) {
        eventOf[i] = struckIn[pitch];
        continue;
      }
      boolean again = has(here, pitch);
      if (last < 0 || at - began > Chords.TOGETHER_MS || again) {
        last++;
        began = at;
        before[0] = here[0];
        before[1] = here[1];
        Arrays.fill(here, 0);
      }
      struckIn[pitch] = last;
      sums[last] += at;
      notesIn[last]++;
      here[pitch >> 6] |= 1L << (pitch & 63);
      shared[last] |= has(before, pitch);
      eventOf[i] = last;
    }
    return last + 1;
  }

  private static boolean has(long[] pitches, int pitch) {
    return (pitches[pitch >> 6] & 1L << (pitch & 63)) != 0;
  }

  /** The event of each note, in the order of the drafts. */
  int of(int note) {
    return eventOf[note];
  }

  /** When each was played: the mean of its notes. */
  double[] ms() {
    return ms;
  }

  /** For each, whether it has a pitch in common with the one before. */
  boolean[] sharesPitch() {
    return sharesPitch;
  }
}
