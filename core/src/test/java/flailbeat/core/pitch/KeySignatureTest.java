package flailbeat.core.pitch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class KeySignatureTest {
  /** The circle of fifths, as every book of elements of music has it (common practice). */
  @ParameterizedTest
  @CsvSource({
    "-7, Cb major, Ab minor, Cb Db Eb Fb Gb Ab Bb",
    "-6, Gb major, Eb minor, Gb Ab Bb Cb Db Eb F",
    "-5, Db major, Bb minor, Db Eb F Gb Ab Bb C",
    "-4, Ab major, F minor, Ab Bb C Db Eb F G",
    "-3, Eb major, C minor, Eb F G Ab Bb C D",
    "-2, Bb major, G minor, Bb C D Eb F G A",
    "-1, F major, D minor, F G A Bb C D E",
    "0, C major, A minor, C D E F G A B",
    "1, G major, E minor, G A B C D E F#",
    "2, D major, B minor, D E F# G A B C#",
    "3, A major, F# minor, A B C# D E F# G#",
    "4, E major, C# minor, E F# G# A B C# D#",
    "5, B major, G# minor, B C# D# E F# G# A#",
    "6, F# major, D# minor, F# G# A# B C# D# E#",
    "7, C# major, A# minor, C# D# E# F# G# A# B#"
  })
  void each_signature_has_its_keys_and_spells_their_notes(
      int sharps, String major, String minor, String notes) {
    KeySignature key = new KeySignature(sharps, false);
    assertThat(key).hasToString(major);
    assertThat(new KeySignature(sharps, true)).hasToString(minor);
    String spelled =
        IntStream.range(0, 7)
            .mapToObj(degree -> key.className(key.tonic() + key.key().scale().semitones(degree)))
            .collect(Collectors.joining(" "));
    assertThat(spelled).isEqualTo(notes);
  }

  /** Notes outside the key, as harmony books write them (common practice). */
  @Test
  void a_leading_note_is_raised_and_a_seventh_is_lowered() {
    assertThat(new KeySignature(0, true).className(68)).as("in A minor").isEqualTo("G#");
    assertThat(new KeySignature(0, false).className(70)).as("in C major").isEqualTo("Bb");
    assertThat(new KeySignature(-3, true).className(71)).as("in C minor").isEqualTo("B");
    assertThat(new KeySignature(2, false).className(72)).as("in D major").isEqualTo("C");
  }

  @Test
  void the_octave_is_that_of_the_letter() {
    assertThat(new KeySignature(-7, false).name(59, OctaveNames.MIDDLE_C4)).isEqualTo("Cb4");
    assertThat(new KeySignature(7, false).name(60, OctaveNames.MIDDLE_C4)).isEqualTo("B#3");
  }

  @Test
  void what_is_spelled_can_be_typed_and_is_that_pitch_in_every_key() {
    for (int sharps = -7; sharps <= 7; sharps++) {
      KeySignature key = new KeySignature(sharps, false);
      for (int pitch = Pitch.OCTAVE; pitch <= Pitch.HIGHEST - Pitch.OCTAVE; pitch++) {
        String name = key.name(pitch, OctaveNames.MIDDLE_C4);
        assertThat(Pitch.parse(name, OctaveNames.MIDDLE_C4)).as(key + " " + name).isEqualTo(pitch);
      }
    }
  }

  @Test
  void a_key_holds_until_the_next() {
    KeyMap keys =
        new KeyMap(
            List.of(
                new KeyMap.Change(960, new KeySignature(-1, false)),
                new KeyMap.Change(1920, new KeySignature(3, false))));
    assertThat(keys.at(959)).isEmpty();
    assertThat(keys.name(70, 0, OctaveNames.MIDDLE_C4)).as("none is known").isEqualTo("A#4");
    assertThat(keys.name(70, 1919, OctaveNames.MIDDLE_C4)).isEqualTo("Bb4");
    assertThat(keys.at(1920)).isEqualTo(Optional.of(new KeySignature(3, false)));
    assertThat(keys.className(70, 99_999)).isEqualTo("A#");
  }
}
