package flailbeat.core.format.groove;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.format.FileFault;
import flailbeat.core.quantize.Groove;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class GrooveFileTest {
  @TempDir private Path folder;

  @Test
  void a_groove_comes_back_as_it_was() throws IOException {
    Groove groove =
        new Groove(
            "Ferry", 2, 0, List.of(new Groove.Slot(0, 0, -6, 96), new Groove.Slot(1, 480, 41, 70)));
    Path file = folder.resolve("ferry" + GrooveFile.ENDING);
    GrooveFile.write(groove, file);
    assertThat(GrooveFile.read(file)).isEqualTo(groove);
    assertThat(Files.readString(file)).contains("\"ppq\" : 960").contains("\"offset\" : 41");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "not json; cannot be read",
        "{\"kind\":\"else\"}; not a groove",
        "{\"kind\":\"flailbeat-groove\",\"version\":9,\"ppq\":960,\"bars\":1,\"slots\":[]}; later",
        "{\"kind\":\"flailbeat-groove\",\"version\":1,\"ppq\":960,\"bars\":7,\"slots\":[]}; 1 or 2",
        "{\"kind\":\"flailbeat-groove\",\"version\":1,\"ppq\":960,\"bars\":1,\"slots\":[]}; has a name",
        "{\"kind\":\"flailbeat-groove\",\"version\":1,\"ppq\":960,\"name\":\"A\",\"bars\":1,\"slots\":[null]}; all there",
        "{\"kind\":\"flailbeat-groove\",\"version\":1,\"ppq\":960,\"name\":\"A\",\"bars\":1,\"slots\":[{\"bar\":1,\"tick\":0,\"offset\":0,\"velocity\":9}]}; bar 2 of 1",
        "{\"kind\":\"flailbeat-groove\",\"version\":1,\"ppq\":960,\"name\":\"A\",\"bars\":1,\"slots\":[{\"bar\":0,\"tick\":-5,\"offset\":0,\"velocity\":9}]}; cannot be read",
        "null; not a groove"
      })
  void what_is_no_groove_is_refused_in_words(String content, String said) throws IOException {
    Path file = folder.resolve("x" + GrooveFile.ENDING);
    Files.writeString(file, content);
    assertThatThrownBy(() -> GrooveFile.read(file))
        .isInstanceOf(FileFault.class)
        .hasMessageContaining(said);
  }
}
