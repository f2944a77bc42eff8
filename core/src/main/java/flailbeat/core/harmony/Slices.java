package flailbeat.core.harmony;

import flailbeat.core.model.Note;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.InOrder;
import java.util.Arrays;
import java.util.List;

/** A song cut at its beats: how long each pitch class sounds in a slice, and which is lowest. */
final class Slices {
  /** No pitch is the lowest: nothing sounds, or only in passing. */
  static final int NO_BASS = -1;

  /** A note that fills less of a slice is no bass there. */
  private static final double BASS_SHARE = 0.2;

  private final long[] starts;
  private final boolean[] atBar;
  private final float[][] weights;
  private final int[] basses;

  private Slices(long[] starts, boolean[] atBar) {
    this.starts = starts;
    this.atBar = atBar;
    this.weights = new float[starts.length - 1][Pitch.OCTAVE];
    this.basses = new int[starts.length - 1];
    Arrays.fill(basses, NO_BASS);
  }

  /** Cuts a stretch, which begins and ends with a beat. O(beats + notes). */
  static Slices of(List<Note> sounding, MeterMap meters, TickRange range) {
    long[] starts = new long[16];
    boolean[] atBar = new boolean[16];
    int count = 0;
    for (long tick = range.start(); tick <= range.end(); tick = meters.beatAtOrAfter(tick + 1)) {
      if (count == starts.length) {
        starts = Arrays.copyOf(starts, count * 2);
        atBar = Arrays.copyOf(atBar, count * 2);
      }
      starts[count] = tick;
      atBar[count] = meters.barRangeAt(tick).start() == tick;
      count++;
    }
    Slices slices = new Slices(Arrays.copyOf(starts, count), Arrays.copyOf(atBar, count));
    slices.fill(sounding);
    return slices;
  }

  private void fill(List<Note> sounding) {
    int[] lowest = new int[size()];
    Arrays.fill(lowest, Integer.MAX_VALUE);
    for (Note note : sounding) {
      int slice = Math.max(0, firstAfter(note.onset()) - 1);
      for (; slice < size() && starts[slice] < note.end(); slice++) {
        long overlap =
            Math.min(note.end(), starts[slice + 1]) - Math.max(note.onset(), starts[slice]);
        float share = (float) overlap / (starts[slice + 1] - starts[slice]);
        if (share > 0) {
          weights[slice][note.pitch() % Pitch.OCTAVE] += share;
          if (share >= BASS_SHARE && note.pitch() < lowest[slice]) {
            lowest[slice] = note.pitch();
            basses[slice] = note.pitch() % Pitch.OCTAVE;
          }
        }
      }
    }
  }

  private int firstAfter(long tick) {
    return InOrder.firstFailing(0, starts.length, i -> starts[i] <= tick);
  }

  int size() {
    return weights.length;
  }

  long start(int slice) {
    return starts[slice];
  }

  long end(int slice) {
    return starts[slice + 1];
  }

  boolean isAtBar(int slice) {
    return atBar[slice];
  }

  /** How long each pitch class sounds, in slices, as often as it is doubled. */
  float[] weights(int slice) {
    return weights[slice];
  }

  /** The pitch class of the lowest note, or {@link #NO_BASS}. */
  int bass(int slice) {
    return basses[slice];
  }

  /** How many of the pitch classes that sound in a slice did not in the one before, 0 to 1. */
  float novelty(int slice) {
    int all = 0;
    int unheard = 0;
    for (int pitch = 0; pitch < Pitch.OCTAVE; pitch++) {
      if (weights[slice][pitch] > 0) {
        all++;
        unheard += weights[slice - 1][pitch] > 0 ? 0 : 1;
      }
    }
    return all == 0 ? 0 : (float) unheard / all;
  }

  /** Whether two slices hold the same. */
  static boolean isSame(Slices a, int i, Slices b, int j) {
    return a.basses[i] == b.basses[j]
        && a.atBar[i] == b.atBar[j]
        && Arrays.equals(a.weights[i], b.weights[j]);
  }
}
