package flailbeat.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.capture.Rolling;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.event.Performed;
import flailbeat.core.files.SongFiles;
import flailbeat.core.journal.JournalEntry;
import flailbeat.core.journal.JournalState;
import flailbeat.core.journal.JournalWriter;
import flailbeat.core.journal.Journals;
import flailbeat.core.journal.Locks;
import flailbeat.core.journal.SavedFile;
import flailbeat.core.model.Song;
import flailbeat.core.version.Versions;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What was lost is found without a window too, and what was saved over. */
class RecoverTest extends CommandLineRig {
  private Path state;

  @BeforeEach
  void places() {
    state = folder.resolve("state");
    System.setProperty("flailbeat.state", state.toString());
    System.setProperty("flailbeat.settings", folder.resolve("settings.json").toString());
  }

  @AfterEach
  void usualPlaces() {
    System.clearProperty("flailbeat.state");
    System.clearProperty("flailbeat.settings");
  }

  private String printed() {
    return out.toString(StandardCharsets.UTF_8);
  }

  private String told() {
    return err.toString(StandardCharsets.UTF_8);
  }

  /** As a killed window leaves it. */
  private Path lose(String name) throws IOException {
    Path journal = state.resolve("journals").resolve(name + Journals.ENDING);
    Song song = HarbourLamps.song();
    SavedFile file = SavedFile.of(flail);
    JournalWriter writer =
        new JournalWriter(
            new JournalState(new JournalEntry.Opened(song, Optional.of(file), true)),
            () -> 1_764_445_200_000L);
    writer.moveTo(journal);
    Song later = song.withTitle("Later lamps");
    writer.put(new JournalEntry.Did("Name", song, later, JournalEntry.Did.NONE));
    Rolling.Place still = new Rolling.Place(0, 0, Optional.empty());
    writer.put(new JournalEntry.Played(new Performed.NoteOn(5, 60, 80), still));
    writer.close();
    return journal;
  }

  @Test
  void what_was_lost_is_listed_with_its_time_and_notes_and_written() throws Exception {
    assertThat(run("recover")).isZero();
    assertThat(printed()).contains("Nothing was lost");
    assertThat(state).as("looking makes no folder of its own").doesNotExist();
    lose("new-1");
    out.reset();
    assertThat(run("recover")).isZero();
    int notes = HarbourLamps.song().noteCount();
    assertThat(printed())
        .startsWith("1  2025-11-29")
        .contains("Later lamps: " + notes + " notes on 4 tracks, 0:40")
        .contains("1 note played and not kept yet; of " + flail)
        .doesNotContain("open in");
    Path back = folder.resolve("back.flail");
    assertThat(run("recover", 1, back)).isZero();
    assertThat(read(back)).isEqualTo(HarbourLamps.song().withTitle("Later lamps"));
    assertThat(run("recover", 2, back)).isEqualTo(1);
    assertThat(told()).contains("there is no number 2: 1 can be brought back");
    assertThat(run("recover", 1)).isEqualTo(1);
    assertThat(run("recover", "x")).isEqualTo(2);
  }

  @Test
  void a_song_that_a_window_has_open_is_told_and_a_damaged_journal_gives_what_is_whole()
      throws Exception {
    Path journal = lose("new-1");
    try (RandomAccessFile file = new RandomAccessFile(journal.toFile(), "rw")) {
      file.setLength(file.length() - 3);
    }
    Files.writeString(state.resolve("journals/new-2" + Journals.ENDING), "no journal");
    try (Locks window = new Locks(state.resolve("journals"))) {
      window.take("new-1", "Lamps", 1).orElseThrow();
      assertThat(run("recover")).isZero();
    }
    assertThat(printed())
        .contains("open in another window (process " + ProcessHandle.current().pid() + ")")
        .contains("damaged: its last")
        .doesNotContain("played and not kept");
    assertThat(told()).contains("new-2").contains("this is no journal");
  }

  @Test
  void versions_are_listed_with_what_changed_and_written() throws Exception {
    assertThat(run("versions", flail)).isZero();
    assertThat(printed()).contains("No earlier version is kept");
    new Versions(folder.resolve("versions"), System::currentTimeMillis).keep(flail);
    Song later = HarbourLamps.song().withTitle("Later lamps");
    SongFiles.standard().write(later, flail);
    out.reset();
    assertThat(run("versions", flail)).isZero();
    assertThat(printed())
        .startsWith("1  20")
        .contains(HarbourLamps.song().noteCount() + " notes")
        .contains("after it: named \u201cLater lamps\u201d");
    Path back = folder.resolve("back.flail");
    assertThat(run("versions", flail, 1, back)).isZero();
    assertThat(read(back)).isEqualTo(HarbourLamps.song());
    assertThat(run("versions", flail, 7, back)).isEqualTo(1);
    assertThat(told()).contains("there is no version 7; there are 1");
  }

  @Test
  void a_version_that_is_damaged_hides_none_of_the_others() throws Exception {
    Versions versions = new Versions(folder.resolve("versions"), System::currentTimeMillis);
    for (String title : new String[] {"First", "Second", "Third"}) {
      SongFiles.standard().write(HarbourLamps.song().withTitle(title), flail);
      versions.keep(flail);
    }
    Files.write(versions.of(flail).get(1).file(), new byte[] {1, 2, 3});
    assertThat(run("versions", flail)).isZero();
    assertThat(printed().lines())
        .satisfiesExactly(
            third -> assertThat(third).startsWith("1  ").contains(" notes"),
            second -> assertThat(second).startsWith("2  ").contains("cannot be read"),
            first -> assertThat(first).startsWith("3  ").contains(" notes"));
    Path back = folder.resolve("back.flail");
    assertThat(run("versions", flail, 3, back)).isZero();
    assertThat(read(back).title()).isEqualTo("First");
  }
}
