package flailbeat.core.harmony;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Chords turned over, opened and led, as handbooks of arranging have it. */
class VoicingTest {
  private static List<Integer> of(String pitches) {
    return Stream.of(pitches.split(" ")).map(Integer::valueOf).toList();
  }

  @ParameterizedTest
  @CsvSource({
    "60 64 67, 72 64 67, 60 64 55",
    "60 64 67 71, 72 64 67 71, 60 64 67 59",
    "48 60 64 67, 72 60 64 67, 48 60 64 55"
  })
  void a_chord_is_turned_over_up_and_down(String chord, String up, String down) {
    assertThat(Voicing.invertedUp(of(chord))).isEqualTo(of(up));
    assertThat(Voicing.invertedDown(of(chord))).isEqualTo(of(down));
  }

  @Test
  void up_and_then_down_is_the_chord_again() {
    List<Integer> chord = of("57 60 64 67");
    List<Integer> up = Voicing.invertedUp(chord).stream().sorted().toList();
    assertThat(Voicing.invertedDown(up).stream().sorted()).isEqualTo(chord);
  }

  /** Drop voicings of Cmaj7 in close position, C4 E4 G4 B4 (handbooks of arranging). */
  @Test
  void the_second_or_third_voice_from_the_top_is_dropped() {
    List<Integer> close = of("60 64 67 71");
    assertThat(Voicing.dropped(close, 2).stream().sorted()).isEqualTo(of("55 60 64 71"));
    assertThat(Voicing.dropped(close, 3).stream().sorted()).isEqualTo(of("52 60 67 71"));
  }

  @Test
  void open_and_close_are_the_way_back_from_one_another() {
    assertThat(Voicing.open(of("60 64 67"))).isEqualTo(of("60 76 67"));
    assertThat(Voicing.close(of("60 67 76"))).isEqualTo(of("60 67 64"));
    assertThat(Voicing.open(of("60 64 67 71")).stream().sorted()).isEqualTo(of("60 67 76 83"));
    assertThat(Voicing.close(of("48 60 64 67"))).isEqualTo(of("48 60 52 55"));
  }

  @Test
  void whatever_is_done_each_note_stays_what_it_is_called_and_none_falls_on_another() {
    Random random = new Random(3);
    List<UnaryOperator<List<Integer>>> all =
        List.of(
            Voicing::invertedUp,
            Voicing::invertedDown,
            Voicing::open,
            Voicing::close,
            v -> Voicing.dropped(v, 2),
            v -> Voicing.nearest(of("50 62 65 69"), v));
    for (int i = 0; i < 2_000; i++) {
      List<Integer> chord =
          random.ints(30, 90).distinct().limit(1 + random.nextInt(8)).sorted().boxed().toList();
      for (UnaryOperator<List<Integer>> each : all) {
        List<Integer> voiced = each.apply(chord);
        assertThat(voiced).doesNotHaveDuplicates().hasSameSizeAs(chord);
        assertThat(voiced.stream().map(p -> p % 12))
            .isEqualTo(chord.stream().map(p -> p % 12).toList());
      }
    }
  }

  @Test
  void what_would_leave_the_piano_is_refused_and_told() {
    assertThatThrownBy(() -> Voicing.invertedUp(of("118 122 125")))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("128 pitches");
    assertThatThrownBy(() -> Voicing.invertedDown(of("0 4 7")))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /**
   * Worked by hand: C major in root position to F major: C stays, E goes up one, G up two; to G
   * major: C down one, E down two, G stays; Dm7 to G7: F and D stay, A and C down one each.
   */
  @ParameterizedTest
  @CsvSource({
    "60 64 67, 65 69 72, 60 65 69, 3",
    "60 64 67, 67 71 74, 59 62 67, 3",
    "62 65 69 72, 55 59 62 65, 62 65 67 71, 3",
    "60 64 67, 57 60 64, 60 64 69, 2"
  })
  void the_nearest_voicing_moves_least(String before, String chord, String wanted, int distance) {
    List<Integer> voiced = Voicing.nearest(of(before), of(chord));
    assertThat(voiced.stream().sorted()).isEqualTo(of(wanted));
    assertThat(Voicing.distance(of(before), voiced)).isEqualTo(distance);
  }

  @Test
  void no_other_voicing_of_the_same_notes_is_nearer() {
    Random random = new Random(5);
    for (int i = 0; i < 300; i++) {
      List<Integer> before = random.ints(48, 72).distinct().limit(4).sorted().boxed().toList();
      List<Integer> chord = random.ints(48, 72).distinct().limit(4).sorted().boxed().toList();
      int found = Voicing.distance(before, Voicing.nearest(before, chord));
      assertThat(found).isEqualTo(least(before, chord, new ArrayList<>()));
    }
  }

  private static int least(List<Integer> before, List<Integer> chord, List<Integer> placed) {
    if (placed.size() == chord.size()) {
      return Voicing.distance(before, placed);
    }
    int pitchClass = chord.get(placed.size()) % 12;
    return IntStream.range(2, 9)
        .map(octave -> octave * 12 + pitchClass)
        .filter(p -> !placed.contains(p))
        .map(
            p -> {
              placed.add(p);
              int result = least(before, chord, placed);
              placed.removeLast();
              return result;
            })
        .min()
        .orElse(Integer.MAX_VALUE);
  }
}
