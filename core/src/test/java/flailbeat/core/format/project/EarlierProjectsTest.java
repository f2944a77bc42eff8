package flailbeat.core.format.project;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.format.smf.SmfExport;
import flailbeat.core.format.smf.SmfWriter;
import java.io.ByteArrayOutputStream;
import java.io.InputStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Projects of every earlier version, each beside the MIDI file that the Flailbeat of that version
 * made of it.
 */
class EarlierProjectsTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "v1-lamps|",
        "v1-disordered|clips that overlapped were joined: 3 became 2",
        "v1-disordered|6 controller values outside all clips went to the nearest",
        "v2-demo|",
        "v2-documented|",
        "v2-from-midi|",
        "v3-demo|",
        "v3-loops-takes|",
        "v4-loops-takes|",
        "v2-takes|clips that overlapped were joined: 4 became 3",
        "v2-takes|2 controller values outside all clips went to the nearest",
      })
  void a_project_of_an_earlier_version_gives_the_same_midi_file_as_then(String name, String told)
      throws Exception {
    ProjectFile.Reading reading;
    try (InputStream in = getClass().getResourceAsStream(name + ".flail")) {
      reading = ProjectFile.open(in);
    }
    if (told != null) {
      assertThat(reading.remarks()).contains(told);
    }
    ByteArrayOutputStream midi = new ByteArrayOutputStream();
    SmfWriter.write(SmfExport.of(reading.song()), midi);
    try (InputStream in = getClass().getResourceAsStream(name + ".mid")) {
      assertThat(midi.toByteArray()).isEqualTo(in.readAllBytes());
    }
  }
}
