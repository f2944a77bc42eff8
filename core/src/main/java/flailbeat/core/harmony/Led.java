package flailbeat.core.harmony;

import flailbeat.core.pitch.Pitch;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * Chords by name, laid out for playing: in a register, each nearest to the one before ({@link
 * Voicing#nearest}). Of chords with more than four notes the fifth is left out, then what is
 * optional, then the root where the bass has it (common practice); the bass, where it is wanted, is
 * a voice of its own below.
 */
public final class Led {
  private static final int MOST_VOICES = 5;

  private Led() {}

  /**
   * The pitches of each chord, from the lowest to the highest.
   *
   * @param center about where the upper voices lie, 24 to 103
   * @param bass whether the lowest note is put below them
   */
  public static List<List<Integer>> voicings(List<Chord> chords, int center, boolean bass) {
    List<List<Integer>> result = new ArrayList<>();
    List<Integer> before = List.of();
    int lastBass = center - 17;
    for (Chord chord : chords) {
      List<Integer> root = close(chord, center, bass);
      List<Integer> upper =
          before.isEmpty() ? root : Voicing.nearest(settled(before, center), root);
      before = upper.stream().sorted().toList();
      List<Integer> all = new ArrayList<>(before);
      if (bass) {
        lastBass = Pitch.nearest(chord.bassClass(), (lastBass + center - 17) / 2);
        int below = lastBass;
        while (below >= before.getFirst()) {
          below -= Pitch.OCTAVE;
        }
        all.addFirst(Math.max(Pitch.LOWEST, below));
      } else if (chord.bass() != chord.root()) {
        turnToBass(all, chord.bassClass());
      }
      Collections.sort(all);
      result.add(all.stream().distinct().toList());
    }
    return result;
  }

  /** What has drifted from its register is led back by the octave that it has drifted. */
  private static List<Integer> settled(List<Integer> pitches, int center) {
    int middle = (int) Math.round(pitches.stream().mapToInt(p -> p).average().orElse(center));
    int octaves = Math.abs(middle - center) > 9 ? (middle - center) / 10 : 0;
    return pitches.stream().map(p -> Pitch.folded(p - octaves * Pitch.OCTAVE)).toList();
  }

  private static List<Integer> close(Chord chord, int center, boolean bass) {
    List<Degree> degrees = new ArrayList<>(chord.kind().degrees());
    if (degrees.size() > MOST_VOICES - 1) {
      degrees.removeIf(Degree::isPerfectFifth);
    }
    if (degrees.size() > MOST_VOICES - 1) {
      degrees.removeIf(Degree::optional);
    }
    if (bass && degrees.size() > MOST_VOICES - 1) {
      degrees.removeIf(d -> d.number() == 1);
    }
    int root = Pitch.nearest(chord.rootClass(), center - 5);
    List<Integer> result = new ArrayList<>();
    for (Degree degree : degrees) {
      result.add(root + degree.semitones());
    }
    return result.stream().distinct().sorted().toList();
  }

  private static void turnToBass(List<Integer> pitches, int bassClass) {
    pitches.removeIf(p -> p % Pitch.OCTAVE == bassClass);
    int lowest = pitches.stream().min(Integer::compare).orElse(Pitch.MIDDLE_C);
    pitches.add(Pitch.below(bassClass, lowest));
  }
}
