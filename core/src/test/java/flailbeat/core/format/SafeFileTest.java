package flailbeat.core.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.DisabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;

@DisabledOnOs(OS.WINDOWS)
class SafeFileTest {
  @TempDir private Path folder;

  private static void write(Path file, String text) throws IOException {
    SafeFile.write(file, out -> out.write(text.getBytes()));
  }

  private long entries() throws IOException {
    try (var all = Files.list(folder)) {
      return all.count();
    }
  }

  @Test
  void a_file_that_is_replaced_keeps_its_mode() throws Exception {
    Path file = Files.writeString(folder.resolve("private.flail"), "old");
    for (String mode : new String[] {"rw-------", "rw-rw-r--", "r--------"}) {
      Files.setPosixFilePermissions(file, PosixFilePermissions.fromString(mode));
      write(file, "new");
      assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
          .isEqualTo(mode);
      assertThat(file).hasContent("new");
    }
  }

  @Test
  void links_are_followed_to_what_is_not_there_yet() throws Exception {
    Path elsewhere = Files.createDirectory(folder.resolve("elsewhere"));
    Path link = folder.resolve("link.flail");
    Files.createSymbolicLink(link, Path.of("elsewhere", "song.flail"));
    write(link, "one");
    assertThat(link).isSymbolicLink().hasContent("one");
    assertThat(elsewhere.resolve("song.flail")).isRegularFile();
    write(link, "two");
    assertThat(link).isSymbolicLink().hasContent("two");
    Path round = folder.resolve("round.flail");
    Files.createSymbolicLink(round, round);
    assertThatThrownBy(() -> write(round, "x")).hasMessageContaining("circle");
  }

  @Test
  void a_named_pipe_is_written_as_a_stream_and_stays_one() throws Exception {
    Path pipe = folder.resolve("pipe.mid");
    assertThat(new ProcessBuilder("mkfifo", pipe.toString()).start().waitFor()).isZero();
    CompletableFuture<String> read =
        CompletableFuture.supplyAsync(
            () -> {
              try {
                return Files.readString(pipe);
              } catch (IOException e) {
                throw new UncheckedIOException(e);
              }
            });
    write(pipe, "through it");
    assertThat(read.get(10, TimeUnit.SECONDS)).isEqualTo("through it");
    assertThat(Files.isRegularFile(pipe)).isFalse();
    assertThat(entries()).isEqualTo(1);
  }

  /** No process has this number, which is larger than any system gives. */
  @Test
  void what_a_killed_program_left_goes_with_the_next_write_and_what_lives_stays() throws Exception {
    Path left = Files.writeString(folder.resolve(".flailbeat-99999999-0a.part"), "half");
    long here = ProcessHandle.current().pid();
    Path ours = Files.writeString(folder.resolve(".flailbeat-" + here + "-0b.part"), "half");
    Path others = Files.writeString(folder.resolve(".flailbeat-mine.part"), "a person's own");
    write(folder.resolve("song.flail"), "whole");
    assertThat(left).doesNotExist();
    assertThat(ours).exists();
    assertThat(others).exists();
    assertThat(entries()).isEqualTo(3);
  }

  @Test
  void what_fails_leaves_nothing_behind() throws Exception {
    Path file = Files.writeString(folder.resolve("song.flail"), "old");
    assertThatThrownBy(
            () ->
                SafeFile.write(
                    file,
                    out -> {
                      out.write(1);
                      throw new IOException("full");
                    }))
        .hasMessageContaining("full");
    assertThat(file).hasContent("old");
    assertThat(entries()).isEqualTo(1);
  }
}
