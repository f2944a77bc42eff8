package flailbeat.core.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.format.FileFault;
import flailbeat.core.format.SafeFile;
import flailbeat.core.format.UnwritableFault;
import flailbeat.core.model.Song;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SongFilesTest {
  @TempDir Path folder;

  /** A format that another module might bring: it is written and never read. */
  private record Titles() implements SongFormat {
    @Override
    public String name() {
      return "title alone";
    }

    @Override
    public List<String> endings() {
      return List.of(".title");
    }

    @Override
    public Opened read(Path file) throws IOException {
      throw new FileFault("a title is no song");
    }

    @Override
    public Written contents(Song song) {
      return new Written(out -> out.write(song.title().getBytes()), List.of("all but the title"));
    }
  }

  private final SongFiles files = new SongFiles(List.of(new ProjectSongs(), new Titles()));

  @Test
  void a_format_that_is_brought_is_written_and_says_what_it_leaves_out() throws IOException {
    Path file = folder.resolve("a.TITLE");
    assertThat(files.write(HarbourLamps.song(), file)).containsExactly("all but the title");
    assertThat(Files.readString(file)).isEqualTo("Harbour Lamps");
    assertThatThrownBy(() -> files.read(file)).hasMessage("a title is no song");
  }

  @Test
  void a_name_that_no_format_has_is_told_with_those_that_there_are() {
    assertThatThrownBy(() -> files.read(folder.resolve("a.mid")))
        .hasMessage("its name should end in .flail (project) or .title (title alone)");
    assertThatThrownBy(() -> SongFiles.standard().formatOf(folder.resolve("a.txt")))
        .hasMessage("its name should end in .flail (project) or .mid (MIDI file)");
  }

  @Test
  void what_cannot_be_written_anywhere_is_not_sent_to_another_place() {
    Path file = folder.resolve("a.title");
    assertThatThrownBy(
            () ->
                SafeFile.write(
                    file,
                    out -> {
                      throw new UnwritableFault("it has no notes");
                    }))
        .satisfies(
            e ->
                assertThat(SongFiles.describe(file, (IOException) e))
                    .isEqualTo(file + ": it has no notes"));
    assertThatThrownBy(() -> SafeFile.write(folder, out -> {}))
        .satisfies(
            e ->
                assertThat(SongFiles.describe(folder, (IOException) e))
                    .isEqualTo(folder + ": this is a folder; save in another place"));
  }
}
