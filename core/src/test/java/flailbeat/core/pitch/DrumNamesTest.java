package flailbeat.core.pitch;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** General MIDI Level 1, percussion key map; these places from memory. */
class DrumNamesTest {
  @ParameterizedTest
  @CsvSource({
    "35, Acoustic Bass Drum",
    "36, Bass Drum 1",
    "38, Acoustic Snare",
    "42, Closed Hi-Hat",
    "46, Open Hi-Hat",
    "49, Crash Cymbal 1",
    "51, Ride Cymbal 1",
    "56, Cowbell",
    "60, Hi Bongo",
    "69, Cabasa",
    "75, Claves",
    "81, Open Triangle",
  })
  void drums_have_the_names_of_general_midi(int pitch, String name) {
    assertThat(DrumNames.of(pitch)).contains(name);
  }

  @Test
  void beyond_the_map_a_drum_is_called_by_its_pitch() {
    assertThat(DrumNames.of(34)).isEmpty();
    assertThat(DrumNames.of(82)).isEmpty();
    assertThat(DrumNames.orPitch(34, OctaveNames.MIDDLE_C4)).isEqualTo("A#1");
  }
}
