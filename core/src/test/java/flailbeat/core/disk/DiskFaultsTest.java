package flailbeat.core.disk;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.disk.FaultyDisk.Fault;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.session.FakePlayer;
import flailbeat.core.session.Session;
import flailbeat.core.session.settings.Settings;
import flailbeat.core.session.settings.SettingsFile;
import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * Whatever a disk does, and at whatever moment: a file that is written is as it was or as it shall
 * be, never neither and never a mixture. As databases are tested (SQLite, "How SQLite Is Tested",
 * anomaly tests), each scenario is run once for each operation that it makes of the disk.
 */
class DiskFaultsTest {
  private static final int POWER_CUTS = 12;

  private static final Song OLD = HarbourLamps.song();
  private static final Song NEW =
      NoteEdits.delete(
              OLD,
              OLD.tracks().getFirst().notes().stream()
                  .limit(5)
                  .map(Note::id)
                  .collect(Collectors.toSet()))
          .withTitle("Later");

  /** Something that writes a file. */
  private interface Writing {
    void write(boolean later, Path file) throws IOException;

    /** Whether what stands there is what was written; fails for anything else. */
    boolean isLater(Path file) throws IOException;
  }

  private enum Scenario implements Writing {
    SAVE("song.flail") {
      @Override
      public void write(boolean later, Path file) throws IOException {
        SongFiles.standard().save(later ? NEW : OLD, file);
      }

      @Override
      public boolean isLater(Path file) throws IOException {
        Song song = SongFiles.standard().read(file).song();
        assertThat(song).isIn(OLD, NEW);
        return song.equals(NEW);
      }
    },
    EXPORT("song.mid") {
      @Override
      public void write(boolean later, Path file) throws IOException {
        SongFiles.standard().write(later ? NEW : OLD, file);
      }

      @Override
      public boolean isLater(Path file) throws IOException {
        int notes = SongFiles.standard().read(file).song().noteCount();
        assertThat(notes).isIn(OLD.noteCount(), NEW.noteCount());
        return notes == NEW.noteCount();
      }
    },
    SETTINGS("settings.json") {
      @Override
      public void write(boolean later, Path file) throws IOException {
        SettingsFile.write(settings(later), file);
      }

      @Override
      public boolean isLater(Path file) throws IOException {
        SettingsFile.Found found = SettingsFile.read(file).orElseThrow();
        assertThat(found.damage()).isEmpty();
        int step = found.settings().touch().step();
        assertThat(step).isIn(7, 17);
        return step == 17;
      }
    };

    private final String file;

    Scenario(String file) {
      this.file = file;
    }
  }

  private static Settings settings(boolean later) {
    Session session = new Session(() -> 0, new FakePlayer(() -> 0));
    session.performer().setTouch(session.performer().hands().touch().withStep(later ? 17 : 7));
    return Settings.of(session);
  }

  private static FaultyDisk prepared(Scenario scenario) throws IOException {
    FaultyDisk disk = new FaultyDisk();
    Files.createDirectories(disk.path("/home/songs"));
    scenario.write(false, file(disk, scenario));
    return disk;
  }

  private static Path file(FaultyDisk disk, Scenario scenario) {
    return disk.path("/home/songs").resolve(scenario.file);
  }

  private static Set<String> beside(Path file) throws IOException {
    List<String> names = new ArrayList<>();
    try (DirectoryStream<Path> all = Files.newDirectoryStream(file.getParent())) {
      all.forEach(p -> names.add(p.getFileName().toString()));
    }
    names.remove(file.getFileName().toString());
    return Set.copyOf(names);
  }

  @ParameterizedTest
  @EnumSource(Scenario.class)
  void an_operation_that_fails_leaves_the_file_as_it_was_and_nothing_beside_it(Scenario scenario)
      throws IOException {
    for (Fault fault : List.of(Fault.FAILS, Fault.TEARS)) {
      boolean failed = true;
      for (int n = 1; failed; n++) {
        FaultyDisk disk = prepared(scenario);
        Path file = file(disk, scenario);
        disk.plan(fault, n);
        boolean told = false;
        try {
          scenario.write(true, file);
        } catch (IOException e) {
          told = true;
        }
        failed = disk.hasFailed();
        boolean later = scenario.isLater(file);
        // What fails after it is in place, such as forcing the folder, takes nothing back.
        assertThat(later || told).as("%s at %d", fault, n).isTrue();
        assertThat(beside(file)).as("%s at %d", fault, n).isEmpty();
        disk.plan(fault, Integer.MAX_VALUE);
        scenario.write(true, file);
        assertThat(scenario.isLater(file)).isTrue();
      }
    }
  }

  @ParameterizedTest
  @EnumSource(Scenario.class)
  void a_power_cut_leaves_the_file_as_it_was_or_as_it_shall_be(Scenario scenario)
      throws IOException {
    Random random = new Random(1);
    boolean cut = true;
    for (int n = 1; cut; n++) {
      FaultyDisk disk = prepared(scenario);
      disk.plan(Fault.POWER_CUT, n);
      boolean done = true;
      try {
        scenario.write(true, file(disk, scenario));
      } catch (IOException e) {
        done = false;
      }
      cut = disk.hasFailed();
      for (int i = 0; i < POWER_CUTS; i++) {
        FaultyDisk left = disk.afterPowerCut(random);
        boolean later = scenario.isLater(file(left, scenario));
        if (!cut) {
          assertThat(done && later).as("once it is told as saved, it stays").isTrue();
        }
      }
    }
  }

  @ParameterizedTest
  @EnumSource(Scenario.class)
  void a_disk_without_room_leaves_the_file_as_it_was(Scenario scenario) throws IOException {
    for (long room : new long[] {0, 1, 100, 3_000}) {
      FaultyDisk disk = prepared(scenario);
      Path file = file(disk, scenario);
      disk.leaveRoom(room);
      try {
        scenario.write(true, file);
        assertThat(scenario.isLater(file)).isTrue();
      } catch (IOException e) {
        assertThat(SongFiles.describe(file, e)).contains("the disk is full");
        assertThat(scenario.isLater(file)).isFalse();
      }
      assertThat(beside(file)).isEmpty();
    }
  }
}
