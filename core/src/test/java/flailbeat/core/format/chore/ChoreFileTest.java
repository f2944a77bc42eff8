package flailbeat.core.format.chore;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.chore.Chore;
import flailbeat.core.chore.ChoreAction;
import flailbeat.core.chore.Measure;
import flailbeat.core.chore.Relation;
import flailbeat.core.chore.Term;
import flailbeat.core.format.FileFault;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ChoreFileTest {
  private static final Map<String, Chore> CHORES =
      Map.of(
          "Slips",
          new Chore(
              List.of(
                  List.of(
                      new Term(Measure.VELOCITY, false, Relation.BELOW, 20, 127),
                      new Term(Measure.PLACE, true, Relation.BETWEEN, 1, 2.5)),
                  List.of(new Term(Measure.CHANCE, false, Relation.BELOW, 10, 100))),
              ChoreAction.REMOVE,
              0));

  @TempDir private Path folder;

  @Test
  void chores_that_are_handed_on_arrive_as_they_were() throws IOException {
    Path file = folder.resolve("a" + ChoreFile.ENDING);
    ChoreFile.write(CHORES, file);
    assertThat(ChoreFile.read(file)).isEqualTo(CHORES);
  }

  @ParameterizedTest(name = "{0} -> {1}")
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "\"VELOCITY\" | \"LOUDNESS\" | in the chore “Slips”: there is no “LOUDNESS”, only PITCH,",
        "\"REMOVE\" | null | in the chore “Slips”: A chore says what it does",
        "20.0 | 500 | in the chore “Slips”: The velocity goes from 1 to 127, not 500",
        "20.0 | \"soft\" | in the chore “Slips”: ",
        "\"flailbeat-chores\" | \"shopping\" | there are no chores in it",
        "\"version\" : 1 | \"version\" : 9 | these chores are from a later Flailbeat",
        "\"chores\" | } | the chores cannot be read"
      })
  void what_is_wrong_with_a_damaged_file_is_told_with_the_chore_that_it_is_in(
      String good, String bad, String told) throws IOException {
    Path file = folder.resolve("b" + ChoreFile.ENDING);
    ChoreFile.write(CHORES, file);
    String text = Files.readString(file);
    assertThat(text).contains(good);
    Files.writeString(file, text.replace(good, bad));
    assertThatThrownBy(() -> ChoreFile.read(file))
        .isInstanceOf(FileFault.class)
        .hasMessageContaining(told);
  }
}
