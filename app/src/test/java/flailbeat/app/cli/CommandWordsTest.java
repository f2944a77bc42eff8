package flailbeat.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.files.SongFiles;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is typed wrongly, or cannot be done, is told plainly and touches nothing. */
class CommandWordsTest extends CommandLineRig {
  @ParameterizedTest
  @ValueSource(
      strings = {
        "quantize IN OUT",
        "quantize IN OUT --grid 1/3",
        "quantize IN OUT --grid 1/16 --method best",
        "quantize IN OUT --grid 1/16 --strength 101",
        "quantize IN OUT --grid 1/16 --swing 40",
        "quantize IN OUT --grid 1/16 --track 9",
        "quantize IN OUT --grid 1/16 --lag soon",
        "convert IN",
        "info",
        "info IN --loud",
        "sing IN"
      })
  void wrong_words_give_status_two_and_touch_nothing(String line) throws Exception {
    Path target = folder.resolve("out.mid");
    Object[] words =
        Arrays.stream(line.split(" "))
            .map(w -> w.equals("IN") ? midi : w.equals("OUT") ? target : w)
            .toArray();
    assertThat(run(words)).isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8)).isNotBlank().doesNotContain("\tat ");
    assertThat(target).doesNotExist();
  }

  @Test
  void each_command_is_known_to_the_launcher_too_which_keeps_its_output_apart() throws IOException {
    String launcher = Files.readString(Path.of("..", "flailbeat"));
    Matcher words = Pattern.compile("(?m)^  (info \\|.*)\\)$").matcher(launcher);
    assertThat(words.find()).isTrue();
    assertThat(words.group(1).split(" \\| ")).containsExactlyInAnyOrderElementsOf(CommandWords.ALL);
    assertThat(CommandWords.ALL)
        .containsAll(CommandLineApp.commandLine().getSubcommands().keySet());
    assertThat(CommandLineApp.commandLine().getSubcommands().keySet())
        .containsAll(
            CommandWords.ALL.stream()
                .filter(w -> !w.startsWith("-") && !w.equals("help"))
                .toList());
  }

  @Test
  void what_cannot_be_done_gives_status_one_and_one_line_that_names_the_file() throws Exception {
    Path target = folder.resolve("out.mid");
    Files.writeString(target, "before");
    byte[] whole = Files.readAllBytes(midi);
    Path cut = folder.resolve("cut.mid");
    Files.write(cut, Arrays.copyOf(whole, whole.length / 2));
    Path foreign = folder.resolve("foreign.mid");
    Files.writeString(foreign, "this is no music at all");
    Path none = folder.resolve("none.mid");
    for (Path bad : new Path[] {cut, foreign, none, folder}) {
      err.reset();
      assertThat(run("quantize", bad, target, "--grid", "1/16")).isEqualTo(1);
      String said = err.toString(StandardCharsets.UTF_8);
      assertThat(said.lines()).hasSize(1);
      assertThat(said).contains(bad.toString()).doesNotContain("Exception");
      assertThat(target).hasContent("before");
    }
    err.reset();
    assertThat(run("convert", midi, folder.resolve("song.xyz"))).isEqualTo(1);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains(".flail");
    assertThat(run("convert", midi, folder.resolve("no").resolve("where.mid"))).isEqualTo(1);
    err.reset();
    assertThat(run("convert", none, target, "--verbose")).isEqualTo(1);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("\tat ");
  }

  @Test
  void the_words_for_the_window_are_checked_without_one() {
    assertThat(CommandLineApp.checkWindowWords("--demo")).isZero();
    assertThat(CommandLineApp.checkWindowWords("song.mid")).isZero();
    assertThat(CommandLineApp.checkWindowWords("--demon")).isEqualTo(2);
    assertThat(CommandLineApp.checkWindowWords("a.mid", "b.mid")).isEqualTo(2);
  }

  @Test
  void no_file_takes_the_place_of_another_that_the_command_is_about() throws Exception {
    Path target = folder.resolve("q.mid");
    Path link = Files.createSymbolicLink(folder.resolve("link.mid"), midi);
    byte[] before = Files.readAllBytes(midi);
    for (Object[] words :
        new Object[][] {
          {"quantize", midi, target, "--grid", "1/16", "--report", midi},
          {"quantize", midi, target, "--grid", "1/16", "--report", target},
          {"quantize", midi, target, "--grid", "1/16", "--report", folder.resolve("./q.mid")},
          {"quantize", midi, link, "--grid", "1/16"},
          {"convert", link, midi},
          {"convert", midi, midi}
        }) {
      err.reset();
      assertThat(run(words)).isEqualTo(1);
      assertThat(err.toString(StandardCharsets.UTF_8)).contains("is the same file as");
      assertThat(target).doesNotExist();
      assertThat(midi).hasBinaryContent(before);
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "--strength 50%|\"50%\" is no number; write digits alone, such as 50",
        "--beat seek|\"seek\" is none of: find",
        "--method best|\"best\" is none of: nearest, fit",
        "--track one|\"one\" is no whole number"
      })
  void a_word_that_is_none_is_told_in_plain_words(String words, String told) {
    Path result = folder.resolve("out.mid");
    String[] more = words.split(" ");
    assertThat(run("quantize", midi, result, "--grid", "1/16", more[0], more[1])).isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains(told);
    assertThat(result).doesNotExist();
  }

  @Test
  void what_cannot_be_said_is_a_failure() {
    System.setOut(
        new PrintStream(
            new OutputStream() {
              @Override
              public void write(int b) throws IOException {
                throw new IOException("No space left on device");
              }
            }));
    assertThat(run("info", midi)).isEqualTo(1);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("could be written");
  }

  @Test
  void wrong_words_take_two_lines_and_names_cannot_speak_to_the_terminal() throws Exception {
    run("quantize", midi, folder.resolve("x.mid"), "--grid", "1/3");
    assertThat(err.toString(StandardCharsets.UTF_8).lines()).hasSize(2);
    Path strange = folder.resolve("strange.mid");
    SongFiles.standard().write(HarbourLamps.song().withTitle("a\u001b[31mb\nc"), strange);
    run("info", strange);
    assertThat(out.toString(StandardCharsets.UTF_8))
        .doesNotContain("\u001b")
        .contains("a\uFFFD[31mb");
  }
}
