package flailbeat.core.pitch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PitchTest {
  /** ISO 16:1975 for A4; equal temperament for the rest, C4 = 261.6256 Hz. */
  @ParameterizedTest
  @CsvSource({"69, 440.0", "60, 261.6256", "81, 880.0", "21, 27.5"})
  void frequencies_follow_equal_temperament(int pitch, double hertz) {
    assertThat(Pitch.frequency(pitch)).isCloseTo(hertz, within(0.0001));
  }

  @ParameterizedTest
  @CsvSource({
    "60, C3, C4, C5",
    "61, C#3, C#4, C#5",
    "0, C-2, C-1, C0",
    "127, G8, G9, G10",
    "59, B2, B3, B4"
  })
  void middle_c_may_be_called_c3_c4_or_c5(int pitch, String c3, String c4, String c5) {
    assertThat(Pitch.name(pitch, OctaveNames.MIDDLE_C3)).isEqualTo(c3);
    assertThat(Pitch.name(pitch, OctaveNames.MIDDLE_C4)).isEqualTo(c4);
    assertThat(Pitch.name(pitch, OctaveNames.MIDDLE_C5)).isEqualTo(c5);
  }

  /** Common practice: no black note between E and F, nor between B and C. */
  @Test
  void black_notes_lie_as_on_a_piano() {
    StringBuilder octave = new StringBuilder();
    for (int pitch = 60; pitch < 72; pitch++) {
      octave.append(Pitch.isBlack(pitch) ? 'b' : 'w');
    }
    assertThat(octave).hasToString("wbwbwwbwbwbw");
  }

  @ParameterizedTest
  @CsvSource({"-1", "128"})
  void a_note_number_outside_midi_is_refused(int pitch) {
    assertThatThrownBy(() -> Pitch.require(pitch)).hasMessageContaining("0 to 127");
  }
}
