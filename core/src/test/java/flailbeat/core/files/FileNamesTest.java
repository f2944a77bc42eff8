package flailbeat.core.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FileNamesTest {
  @ParameterizedTest
  @CsvSource({
    "Harbour Lamps, Harbour Lamps",
    "'  Lamps/../ Night: 1?  ', Lamps Night 1",
    "'...', Song",
    "'', Song",
    "\u202e\u05d0\u05d1\u202c, \u05d0\u05d1",
    "\u0928\u093f, \u0928\u093f",
  })
  void a_name_keeps_its_letters_and_no_sign_that_a_system_refuses(String text, String expected) {
    assertThat(FileNames.of(text, "Song")).isEqualTo(expected);
  }

  /** Outside of the first 65,536 characters a letter has two halves. */
  @ParameterizedTest
  @ValueSource(strings = {"a", "\u00e4", "\u05d0", "\ud801\udc12"})
  void a_name_of_300_letters_ends_behind_a_whole_letter(String letter) {
    String name = FileNames.of("-" + letter.repeat(300), "Song");
    assertThat(name.getBytes(StandardCharsets.UTF_8)).hasSizeBetween(97, 100);
    assertThat(Path.of(name).toString()).isEqualTo(name).endsWith(letter);
  }
}
