package flailbeat.core.harmony;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.pitch.KeySignature;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is played is called what a handbook of harmony calls it. */
class ChordNamerTest {
  /** Semitones above the root, from handbooks of harmony; the tensions in the octave above. */
  private static final Map<String, int[]> THEORY = theory();

  private static Map<String, int[]> theory() {
    Map<String, int[]> result = new LinkedHashMap<>();
    result.put("", new int[] {0, 4, 7});
    result.put("m", new int[] {0, 3, 7});
    result.put("dim", new int[] {0, 3, 6});
    result.put("aug", new int[] {0, 4, 8});
    result.put("sus4", new int[] {0, 5, 7});
    result.put("6", new int[] {0, 4, 7, 9});
    result.put("m6", new int[] {0, 3, 7, 9});
    result.put("7", new int[] {0, 4, 7, 10});
    result.put("maj7", new int[] {0, 4, 7, 11});
    result.put("m7", new int[] {0, 3, 7, 10});
    result.put("mMaj7", new int[] {0, 3, 7, 11});
    result.put("m7b5", new int[] {0, 3, 6, 10});
    result.put("dim7", new int[] {0, 3, 6, 9});
    result.put("7#5", new int[] {0, 4, 8, 10});
    result.put("7sus4", new int[] {0, 5, 7, 10});
    result.put("add9", new int[] {0, 4, 7, 14});
    result.put("69", new int[] {0, 4, 7, 9, 14});
    result.put("9", new int[] {0, 4, 7, 10, 14});
    result.put("maj9", new int[] {0, 4, 7, 11, 14});
    result.put("m9", new int[] {0, 3, 7, 10, 14});
    result.put("7b9", new int[] {0, 4, 7, 10, 13});
    result.put("7#9", new int[] {0, 4, 7, 10, 15});
    result.put("m11", new int[] {0, 3, 7, 10, 14, 17});
    result.put("maj9#11", new int[] {0, 4, 7, 11, 14, 18});
    result.put("13", new int[] {0, 4, 7, 10, 14, 21});
    result.put("maj13", new int[] {0, 4, 7, 11, 14, 21});
    return result;
  }

  private static final String[] ROOTS = {
    "C", "Db", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"
  };

  private record Voiced(int root, String kind, List<Integer> pitches) {}

  /** Root positions, inversions of triads and sevenths, doublings, the fifth left out. */
  private static List<Voiced> voicings() {
    List<Voiced> result = new ArrayList<>();
    for (Map.Entry<String, int[]> each : THEORY.entrySet()) {
      int[] tones = each.getValue();
      for (int root = 0; root < 12; root++) {
        int bottom = 48 + root;
        List<Integer> plain = IntStream.of(tones).map(t -> bottom + t).boxed().toList();
        result.add(new Voiced(root, each.getKey(), plain));
        List<Integer> doubled = new ArrayList<>(plain);
        doubled.add(bottom + 24);
        doubled.add(bottom - 12);
        result.add(new Voiced(root, each.getKey(), doubled));
        if (tones.length <= 4 && tones[tones.length - 1] < 12) {
          List<Integer> turned = new ArrayList<>(plain);
          for (int i = 1; i < tones.length; i++) {
            turned.add(turned.removeFirst() + 12);
            result.add(new Voiced(root, each.getKey(), List.copyOf(turned)));
          }
        }
        if (tones.length >= 4 && tones[2] == 7 && !each.getKey().contains("sus")) {
          List<Integer> without = new ArrayList<>(plain);
          without.remove(2);
          result.add(new Voiced(root, each.getKey(), without));
        }
      }
    }
    return result;
  }

  private static Set<Integer> classes(List<Integer> pitches) {
    Set<Integer> result = new HashSet<>();
    pitches.forEach(p -> result.add(p % 12));
    return result;
  }

  @Test
  void voicings_made_from_theory_are_called_by_their_names_and_what_has_two_is_told_both() {
    List<Voiced> all = voicings();
    List<String> wrong = new ArrayList<>();
    int first = 0;
    for (Voiced voiced : all) {
      List<ChordReading> names = ChordNamer.names(voiced.pitches(), Optional.empty());
      boolean told =
          names.stream()
              .map(ChordReading::chord)
              .anyMatch(
                  c -> c.rootClass() == voiced.root() && c.kind().symbol().equals(voiced.kind()));
      boolean isFirst =
          told
              && names.getFirst().chord().rootClass() == voiced.root()
              && names.getFirst().chord().kind().symbol().equals(voiced.kind());
      first += isFirst ? 1 : 0;
      // A name that comes before it is right too only where it has the very same notes.
      boolean alike =
          told
              && new HashSet<>(names.getFirst().chord().pitchClasses())
                  .containsAll(classes(voiced.pitches()));
      if (!alike) {
        wrong.add(ROOTS[voiced.root()] + voiced.kind() + " " + voiced.pitches() + ": " + names);
      }
    }
    assertThat(all).hasSizeGreaterThan(500);
    assertThat(wrong).as("of %d, %d first", all.size(), first).hasSizeLessThan(all.size() / 100);
    // Augmented and diminished chords, sixths and minor sevenths are the same notes turned over.
    assertThat(first).isGreaterThan(all.size() * 80 / 100);
  }

  @ParameterizedTest
  @CsvSource({
    "60 64 67, C",
    "64 67 72, C/E",
    "57 60 64 67, 'Am7 C6/A'",
    "60 64 67 69, 'C6 Am7/C'",
    "62 65 69 72, 'Dm7 F6/D'",
    "55 59 62 65, G7",
    "48 64 67 70 74 81, C13",
    "41 60 64 67, 'C/F'",
    "60 67, C5",
    "60 64, C",
    "59 62 65 69, 'Bm7b5 Dm6/B'"
  })
  void usual_chords_have_their_usual_names(String pitches, String wanted) {
    List<Integer> played = Arrays.stream(pitches.split(" ")).map(Integer::valueOf).toList();
    List<String> names =
        ChordNamer.names(played, Optional.empty()).stream().map(r -> r.chord().name()).toList();
    assertThat(names).containsAll(List.of(wanted.split(" ")));
    assertThat(names.getFirst()).isEqualTo(wanted.split(" ")[0]);
  }

  @Test
  void what_is_no_chord_has_no_name() {
    Optional<KeySignature> none = Optional.empty();
    assertThat(ChordNamer.names(List.of(), none)).isEmpty();
    assertThat(ChordNamer.names(List.of(60), none)).isEmpty();
    assertThat(ChordNamer.names(List.of(60, 72), none)).isEmpty();
    assertThat(ChordNamer.names(List.of(60, 61), none)).isEmpty();
    assertThat(ChordNamer.names(IntStream.range(50, 70).boxed().toList(), none)).isEmpty();
    assertThat(ChordNamer.names(IntStream.range(0, 128).boxed().toList(), none)).isEmpty();
    assertThat(ChordNamer.names(List.of(0, 4, 7), none).getFirst().chord().name()).isEqualTo("C");
    assertThat(ChordNamer.names(List.of(119, 123, 127), none).getFirst().chord().name())
        .isEqualTo("Baug");
  }

  @Test
  void chords_are_spelled_by_the_key() {
    List<Integer> played = List.of(58, 61, 65);
    assertThat(first(played, Optional.empty())).isEqualTo("Bbm");
    assertThat(first(played, Optional.of(new KeySignature(7, false)))).isEqualTo("A#m");
    assertThat(first(List.of(66, 70, 73), Optional.of(new KeySignature(-5, false))))
        .isEqualTo("Gb");
    assertThat(first(List.of(61, 65, 70), Optional.of(new KeySignature(-3, true))))
        .isEqualTo("Bbm/Db");
    assertThat(first(List.of(57, 61, 64), Optional.of(new KeySignature(-1, true)))).isEqualTo("A");
  }

  private static String first(List<Integer> played, Optional<KeySignature> key) {
    return ChordNamer.names(played, key).getFirst().chord().name();
  }
}
