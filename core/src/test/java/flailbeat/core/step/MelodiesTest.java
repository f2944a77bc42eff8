package flailbeat.core.step;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.format.smf.SmfExport;
import flailbeat.core.format.smf.SmfImport;
import flailbeat.core.format.smf.SmfReader;
import flailbeat.core.format.smf.SmfWriter;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Melodies stepped in, exported and read back, against files that abc2midi 4.84 made of their ABC
 * notation, which stands beside them with its sources. CI makes those files anew.
 */
class MelodiesTest {
  @ParameterizedTest
  @CsvSource({"ode", "minuet", "moonlight"})
  void a_melody_stepped_in_and_exported_is_what_its_notation_says(String name) throws IOException {
    StepScript steps = new StepScript();
    steps.press(new String(file(name + ".keys"), StandardCharsets.UTF_8));
    ByteArrayOutputStream file = new ByteArrayOutputStream();
    SmfWriter.write(SmfExport.of(steps.song), file);
    assertThat(sounding(file.toByteArray(), 0)).isEqualTo(sounding(file(name + ".mid"), 1));
  }

  private static byte[] file(String name) throws IOException {
    try (InputStream in = MelodiesTest.class.getResourceAsStream(name)) {
      return in.readAllBytes();
    }
  }

  /**
   * Every note as onset, end and pitch, in ticks of 480 to a quarter.
   *
   * @param late abc2midi begins each note a tick late, so that none begins as another ends
   */
  private static List<String> sounding(byte[] bytes, int late) throws IOException {
    Song song = SmfImport.of(SmfReader.read(bytes).file(), "melody").song();
    return song.tracks().stream()
        .flatMap(t -> t.notes().stream())
        .sorted(Note.ORDER)
        .map(n -> (n.onset() / 2 - late) + " " + n.end() / 2 + " " + n.pitch())
        .toList();
  }

  /**
   * Made up: four bars, 24 notes, two rests, a dotted pair and a triplet. Eighths are set once; a
   * note of another length takes one key more, a rest one.
   */
  static final String FOUR_BARS =
      """
      /8 D4 F4 A4 G4 +F4 . -F4 +E4 /16 -E4 D4 C4
      C4 E4 G4 F4 t E4 F4 G4 t > A4
      A#4 A4 G4 F4 > E4 F4 G4
      +D4 /1 -D4
      """;

  @Test
  void a_melody_of_24_notes_takes_32_keys() {
    StepScript steps = new StepScript();
    steps.press(FOUR_BARS);
    assertThat(steps.notes()).hasSize(24);
    assertThat(steps.cursor()).isEqualTo(4 * 3840);
    assertThat(steps.presses).as("1.33 keys a note").isEqualTo(32);
  }
}
