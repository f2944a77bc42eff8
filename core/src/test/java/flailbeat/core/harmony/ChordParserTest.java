package flailbeat.core.harmony;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Chords that are typed, and what is typed wrongly. */
class ChordParserTest {
  @ParameterizedTest
  @CsvSource({
    "C, C",
    "Am, Am",
    "A-, Am",
    "F#m7b5/A, F#m7b5/A",
    "Bb\u03947, Bbmaj7",
    "G-7, Gm7",
    "Co7, Cdim7",
    "C6/9, C69",
    "C6/9/E, C69/E",
    "Dsus, Dsus4",
    "E7(b9), E7b9",
    "B\u00F8, Bm7b5",
    "Cm/maj7, CmMaj7",
    "Ebmaj9/G, Ebmaj9/G",
    "F+, Faug",
    "C/Bb, C/Bb",
    "D#m, D#m",
    "Cbb7, Cbb7"
  })
  void usual_ways_to_write_a_chord_are_read(String typed, String name) {
    assertThat(ChordParser.parse(typed)).map(Chord::name).contains(name);
  }

  @Test
  void every_name_that_is_told_can_be_typed() {
    for (ChordKind kind : ChordKind.values()) {
      for (int root = -7; root <= 7; root++) {
        Chord chord = Chord.of(root, kind);
        assertThat(ChordParser.parse(chord.name())).contains(chord);
        Chord over = chord.over(chord.pitchClasses().getLast());
        assertThat(ChordParser.parse(over.name())).contains(over);
      }
    }
  }

  @Test
  void a_progression_is_read_bar_by_bar() throws ChordFault {
    Progression typed = Progression.parse("Dm7 G13 | Cmaj7 | % | F / / G | N.C.");
    assertThat(typed.bars()).hasSize(5);
    assertThat(typed.bars().get(2)).isEqualTo(typed.bars().get(1));
    assertThat(typed.bars().get(3).getFirst().shares()).isEqualTo(3);
    assertThat(typed.bars().get(4).getFirst().chord()).isEqualTo(Optional.empty());
    assertThat(typed.chords()).extracting(Chord::name).startsWith("Dm7", "G13", "Cmaj7");
  }

  @ParameterizedTest
  @CsvSource({
    "Dm7 H7 | C, 4, 6",
    "Cfoo, 1, 4",
    "C/, 1, 2",
    "C G7/X | F, 4, 6",
    "'/ C', 0, 1",
    "C | F %, 6, 7"
  })
  void what_is_typed_wrongly_is_told_at_its_place(String typed, int start, int end) {
    ChordFault fault = catchThrowableOfType(ChordFault.class, () -> Progression.parse(typed));
    assertThat(fault.start()).isEqualTo(start);
    assertThat(fault.end()).isEqualTo(end);
    assertThat(fault).hasMessageMatching("(?s).{12,}");
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "   ", "|||", " | | "})
  void where_nothing_is_typed_it_is_told_what_to_type(String typed) {
    assertThatThrownBy(() -> Progression.parse(typed))
        .isInstanceOf(ChordFault.class)
        .hasMessageContaining("Type chords");
  }
}
