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

  /** A stretch of more beats in which nothing begins or ends is one slice. */
  private static final int QUIET_BEATS = 16;

  private final long[] starts;
  private final boolean[] atBar;
  private final boolean[] isLong;
  private final float[][] weights;
  private final int[] basses;

  private Slices(long[] starts, boolean[] atBar, boolean[] isLong) {
    this.starts = starts;
    this.atBar = atBar;
    this.isLong = isLong;
    this.weights = new float[starts.length - 1][Pitch.OCTAVE];
    this.basses = new int[starts.length - 1];
    Arrays.fill(basses, NO_BASS);
  }

  /**
   * Cuts a stretch, which begins and ends with a beat. Where nothing begins or ends for long, there
   * is one slice. O(beats + n log n).
   */
  static Slices of(List<Note> sounding, MeterMap meters, TickRange range) {
    long[] events = events(sounding);
    long[] starts = new long[16];
    boolean[] atBar = new boolean[16];
    boolean[] isLong = new boolean[16];
    int count = 0;
    int event = 0;
    for (long tick = range.start(); tick <= range.end(); ) {
      if (count == starts.length) {
        starts = Arrays.copyOf(starts, count * 2);
        atBar = Arrays.copyOf(atBar, count * 2);
        isLong = Arrays.copyOf(isLong, count * 2);
      }
      starts[count] = tick;
      atBar[count] = meters.barRangeAt(tick).start() == tick;
      while (event < events.length && events[event] <= tick) {
        event++;
      }
      long quiet = event < events.length ? events[event] : range.end();
      long next = meters.beatAtOrAfter(tick + 1);
      isLong[count] = quiet - tick > QUIET_BEATS * meters.meterAt(tick).ticksPerBeat();
      tick = isLong[count++] ? Math.max(next, meters.barRangeAt(quiet).start()) : next;
    }
    Slices slices =
        new Slices(
            Arrays.copyOf(starts, count),
            Arrays.copyOf(atBar, count),
            Arrays.copyOf(isLong, count));
    slices.fill(sounding);
    return slices;
  }

  /** Where notes begin and end, in order. */
  private static long[] events(List<Note> sounding) {
    long[] result = new long[2 * sounding.size()];
    int count = 0;
    for (Note note : sounding) {
      result[count++] = note.onset();
      result[count++] = note.end();
    }
    Arrays.sort(result);
    return result;
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

  /** As how many beats a slice counts. */
  int beats(int slice) {
    return isLong[slice] ? QUIET_BEATS : 1;
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
        && a.isLong[i] == b.isLong[j]
        && Arrays.equals(a.weights[i], b.weights[j]);
  }
}
