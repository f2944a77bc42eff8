package flailbeat.core.harmony;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.pitch.Fifths;
import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.KeySignature;
import flailbeat.core.pitch.Scale;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Keys, found and written. */
class KeyFinderTest {
  /**
   * Correlations between the profiles of keys, from C. Krumhansl, Cognitive Foundations of Musical
   * Pitch, 1990, table 2.4 (from memory; the profiles' own figures give them again).
   */
  @ParameterizedTest
  @CsvSource({
    "7, false, 0.591",
    "5, false, 0.591",
    "9, true, 0.651",
    "0, true, 0.511",
    "4, true, 0.536"
  })
  void profiles_are_as_near_to_one_another_as_was_published(int tonic, boolean minor, double near) {
    Scale mode = minor ? Scale.NATURAL_MINOR : Scale.MAJOR;
    double[] profile = KeyFinder.profile(tonic, mode);
    assertThat(KeyFinder.correlation(profile, 0, Scale.MAJOR)).isCloseTo(near, within(0.0015));
  }

  @ParameterizedTest
  @ValueSource(ints = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11})
  void a_scale_that_ends_on_its_tonic_is_in_its_key(int tonic) {
    for (Scale scale : List.of(Scale.MAJOR, Scale.NATURAL_MINOR, Scale.DORIAN, Scale.MIXOLYDIAN)) {
      double[] durations = new double[12];
      for (int degree = 0; degree < 7; degree++) {
        durations[(tonic + scale.semitones(degree)) % 12] += degree == 0 ? 3 : degree == 4 ? 2 : 1;
      }
      List<KeyReading> keys = KeyFinder.keys(durations, tonic, tonic);
      assertThat(keys.getFirst().key()).isEqualTo(new Key(tonic, scale));
      assertThat(keys.stream().mapToDouble(KeyReading::share).sum()).isCloseTo(1, within(1e-9));
    }
  }

  @Test
  void where_nothing_sounds_there_is_no_key() {
    assertThat(KeyFinder.keys(new double[12], 3, 3)).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "0, MAJOR, C major", "2, NATURAL_MINOR, D minor", "2, DORIAN, C major",
        "7, MIXOLYDIAN, C major",
    "6, MAJOR, F# major", "1, MAJOR, Db major", "3, NATURAL_MINOR, Eb minor", "10, MAJOR, Bb major",
    "8, NATURAL_MINOR, G# minor"
  })
  void a_key_is_written_with_as_few_signs_as_can_be(int tonic, Scale scale, String written) {
    KeySignature signature = KeyReading.signature(new Key(tonic, scale));
    assertThat(signature.toString()).isEqualTo(written);
    assertThat(Math.abs(signature.sharps())).isLessThanOrEqualTo(6);
  }

  @Test
  void notes_are_spelled_on_the_line_of_fifths() {
    assertThat(Fifths.name(0)).isEqualTo("C");
    assertThat(Fifths.name(Fifths.of('B', -2))).isEqualTo("Bbb");
    assertThat(Fifths.pitchClass(Fifths.of('E', 1))).isEqualTo(5);
    assertThat(Fifths.name(Fifths.spelled(61, -5))).isEqualTo("Db");
  }

  @ParameterizedTest
  @CsvSource({
    "Dm, -1, true, i",
    "A7, -1, true, V7",
    "Bb, -1, true, VI",
    "Gm/Bb, -1, true, iv6",
    "C, -1, true, VII",
    "Em7b5, -1, true, ii\u00F87",
    "C#dim7, -1, true, #vii\u00B07",
    "Dm7/F, 0, false, ii65",
    "G7/F, 0, false, V42",
    "C/G, 0, false, I64",
    "Bb, 0, false, bVII",
    "F#m7b5, 0, false, #iv\u00F87",
    "Cmaj7, 0, false, Imaj7",
    "Bdim, 0, false, vii\u00B0"
  })
  void chords_have_numerals_in_their_key(String chord, int sharps, boolean minor, String numeral) {
    assertThat(
            Figured.numeral(
                ChordParser.parse(chord).orElseThrow(), new KeySignature(sharps, minor)))
        .isEqualTo(numeral);
  }
}
