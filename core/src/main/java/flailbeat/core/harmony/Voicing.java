package flailbeat.core.harmony;

import flailbeat.core.pitch.Pitch;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Other ways to lay a chord out. Each method takes the pitches of a chord, from the lowest to the
 * highest, and gives for each of them, in that order, where it goes: the same notes, in other
 * octaves. What would leave 0 to 127 is refused. Names are those of handbooks of arranging (common
 * practice).
 */
public final class Voicing {
  private static final int OCTAVE = Pitch.OCTAVE;

  private Voicing() {}

  private static int[] array(List<Integer> pitches) {
    return pitches.stream().mapToInt(Integer::intValue).toArray();
  }

  private static List<Integer> checked(int... pitches) {
    for (int pitch : pitches) {
      if (!Pitch.isValid(pitch)) {
        throw new IllegalArgumentException(
            "A note of a chord would leave the 128 pitches that there are");
      }
    }
    return IntStream.of(pitches).boxed().toList();
  }

  /** The next inversion up: the lowest note goes up by an octave, or by more where it is taken. */
  public static List<Integer> invertedUp(List<Integer> pitches) {
    return lifted(pitches, 0, OCTAVE);
  }

  /** The next inversion down: the highest note goes down by an octave or more. */
  public static List<Integer> invertedDown(List<Integer> pitches) {
    return lifted(pitches, pitches.size() - 1, -OCTAVE);
  }

  /** One voice goes by octaves until it stands where none of the others does. */
  private static List<Integer> lifted(List<Integer> pitches, int voice, int by) {
    int[] result = array(pitches);
    do {
      result[voice] += by;
    } while (pitches.contains(result[voice]));
    return checked(result);
  }

  /**
   * Some voices go down by an octave: 2 for the second from the top of a chord in close position, 3
   * for the third. A chord with fewer voices stays as it is.
   */
  public static List<Integer> dropped(List<Integer> pitches, int fromTop) {
    List<Integer> close = close(pitches);
    if (close.size() < fromTop || fromTop < 2) {
      return pitches;
    }
    List<Integer> order = close.stream().sorted().toList();
    int voice = close.indexOf(order.get(order.size() - fromTop));
    int[] result = array(close);
    do {
      result[voice] -= OCTAVE;
    } while (close.contains(result[voice]));
    return checked(result);
  }

  /** Close position: above the lowest note all as near to it as they can be, doubled ones last. */
  public static List<Integer> close(List<Integer> pitches) {
    if (pitches.isEmpty()) {
      return pitches;
    }
    int[] result = array(pitches);
    List<Integer> taken = new ArrayList<>(List.of(result[0]));
    for (int voice = 1; voice < result.length; voice++) {
      int above = Math.floorMod(result[voice] - result[0], OCTAVE);
      int to = result[0] + above;
      while (taken.contains(to)) {
        to += OCTAVE;
      }
      result[voice] = to;
      taken.add(to);
    }
    return checked(result);
  }

  /** Open position: of the chord in close position every second voice from below goes up. */
  public static List<Integer> open(List<Integer> pitches) {
    List<Integer> close = close(pitches);
    List<Integer> order = close.stream().sorted().toList();
    int[] result = array(close);
    for (int voice = 0; voice < result.length; voice++) {
      if (order.indexOf(close.get(voice)) % 2 == 1) {
        do {
          result[voice] += OCTAVE;
        } while (close.contains(result[voice]) || isTaken(result, voice));
      }
    }
    return checked(result);
  }

  private static boolean isTaken(int[] pitches, int voice) {
    return IntStream.range(0, pitches.length)
        .anyMatch(other -> other != voice && pitches[other] == pitches[voice]);
  }

  /** How far apart two voicings are: the least sum of semitones by which each voice moves. */
  public static int distance(List<Integer> from, List<Integer> to) {
    int[] a = array(from);
    int[] b = array(to);
    Arrays.sort(a);
    Arrays.sort(b);
    return distance(a, b);
  }

  /** The same of pitches in order. */
  private static int distance(int[] a, int... b) {
    return a.length == b.length ? pairwise(a, b) : toNearest(a, b) + toNearest(b, a);
  }

  /** In order of pitch no two voices cross, which is the least movement there is. */
  private static int pairwise(int[] a, int... b) {
    int sum = 0;
    for (int voice = 0; voice < a.length; voice++) {
      sum += Math.abs(a[voice] - b[voice]);
    }
    return sum;
  }

  private static int toNearest(int[] from, int... to) {
    int sum = 0;
    for (int pitch : from) {
      int least = to.length == 0 ? 0 : Integer.MAX_VALUE;
      for (int other : to) {
        least = Math.min(least, Math.abs(pitch - other));
      }
      sum += least;
    }
    return sum;
  }

  /**
   * The voicing of a chord that is nearest to another chord: least movement in all; of those alike
   * the one in which more voices stay, then the one whose highest voice moves least, then the
   * lower. Its notes keep their number, and no two stand on one pitch. O(3^n) for n voices, up to
   * seven; of larger chords only inversions are looked at.
   */
  public static List<Integer> nearest(List<Integer> before, List<Integer> pitches) {
    if (before.isEmpty() || pitches.isEmpty()) {
      return pitches;
    }
    Search search = new Search(before);
    if (pitches.size() <= Search.MOST_VOICES) {
      search.place(array(pitches), 0);
    } else {
      search.invert(pitches);
    }
    return search.best == null ? pitches : checked(search.best);
  }

  /** The voicings of a chord that are looked at, and the best of them so far. */
  private static final class Search {
    static final int MOST_VOICES = 7;

    private final int[] before;
    private final int middle;
    private int[] best;
    private long bestCost = Long.MAX_VALUE;

    Search(List<Integer> before) {
      this.before = array(before);
      Arrays.sort(this.before);
      this.middle = (int) Math.round(before.stream().mapToInt(p -> p).average().orElseThrow());
    }

    void place(int[] voices, int from) {
      if (from == voices.length) {
        look(voices);
        return;
      }
      int kept = voices[from];
      int near = Pitch.nearest(kept, middle);
      for (int to = near - OCTAVE; to <= near + OCTAVE; to += OCTAVE) {
        voices[from] = to;
        if (isFree(voices, from)) {
          place(voices, from + 1);
        }
      }
      voices[from] = kept;
    }

    private static boolean isFree(int[] voices, int voice) {
      for (int other = 0; other < voice; other++) {
        if (voices[other] == voices[voice]) {
          return false;
        }
      }
      return Pitch.isValid(voices[voice]);
    }

    void invert(List<Integer> pitches) {
      for (int octaves = -2; octaves <= 2; octaves++) {
        int[] voices = array(pitches);
        for (int voice = -1; voice < voices.length; voice++) {
          if (voice >= 0) {
            voices[voice] += OCTAVE;
          }
          int by = octaves * OCTAVE;
          int[] moved = IntStream.of(voices).map(p -> p + by).toArray();
          boolean fits =
              IntStream.of(moved).allMatch(Pitch::isValid)
                  && IntStream.of(moved).distinct().count() == moved.length;
          if (fits) {
            look(moved);
          }
        }
      }
    }

    /** Voicings that are in range, no two voices on one pitch. */
    private void look(int... voices) {
      int[] order = voices.clone();
      Arrays.sort(order);
      int moved = 0;
      int sum = 0;
      for (int pitch : order) {
        moved += Arrays.binarySearch(before, pitch) >= 0 ? 0 : 1;
        sum += pitch;
      }
      long cost = distance(before, order);
      cost = (cost << 10) + moved;
      cost = (cost << 10) + Math.abs(order[order.length - 1] - before[before.length - 1]);
      cost = (cost << 14) + sum;
      if (cost < bestCost) {
        bestCost = cost;
        best = voices.clone();
      }
    }
  }
}
