package flailbeat.core.journal;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.capture.Rolling;
import flailbeat.core.disk.FaultyDisk;
import flailbeat.core.disk.FaultyDisk.Fault;
import flailbeat.core.edit.History;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.event.Performed;
import flailbeat.core.model.Song;
import flailbeat.core.time.Tempo;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Whatever a disk does to a journal, and at whatever moment, what was told as written is there. */
class JournalFaultsTest {
  private static final int POWER_CUTS = 8;
  private static final Path FILE = Path.of("/made-up.flail");

  private final List<JournalState> states = new ArrayList<>();
  private int acknowledged;

  /** What happens to a song in ten steps: edits, undo, a save that has it written anew, a move. */
  private void live(JournalWriter writer, FaultyDisk disk, boolean untilFault) {
    Song song = Song.empty();
    for (int i = 1; i <= 10; i++) {
      Song next = SongEdits.setTempo(song, Tempo.ofBpm(100 + i));
      put(writer, new JournalEntry.Did("Tempo " + i, song, next, JournalEntry.Did.NONE));
      song = next;
      put(writer, new JournalEntry.Played(new Performed.NoteOn(i, 60, 80), place()));
      if (i == 4) {
        put(writer, new JournalEntry.Saved(new SavedFile(FILE, 1, 1), true));
      }
      if (i == 7) {
        writer.moveTo(disk.path("/state/song-1.journal"));
      }
      while (writer.work()) {
        // Slice by slice.
      }
      if (writer.fault().isPresent() && untilFault) {
        return;
      }
      if (writer.fault().isEmpty()) {
        acknowledged = states.size() - 1;
      }
    }
  }

  private static Rolling.Place place() {
    return new Rolling.Place(0, 0, Optional.empty());
  }

  private void put(JournalWriter writer, JournalEntry entry) {
    writer.put(entry);
    states.add(writer.state());
  }

  private JournalWriter begin(FaultyDisk disk) {
    states.clear();
    acknowledged = 0;
    JournalWriter writer =
        new JournalWriter(
            new JournalState(new JournalEntry.Opened(Song.empty(), Optional.empty(), true)),
            () -> 1);
    states.add(writer.state());
    writer.moveTo(disk.path("/state/new-1.journal"));
    return writer;
  }

  private static List<Path> journals(FaultyDisk disk) {
    return List.of(disk.path("/state/song-1.journal"), disk.path("/state/new-1.journal"));
  }

  /** How far the best of what is there goes: a step of what was lived; fails for anything else. */
  private int found(FaultyDisk disk) throws IOException {
    int best = 0;
    for (Path journal : journals(disk)) {
      if (Files.exists(journal)) {
        JournalState is = JournalReading.of(journal).state();
        int at = -1;
        for (int i = 0; i < states.size(); i++) {
          at = isSame(is, states.get(i)) ? i : at;
        }
        assertThat(at).as("it is as it was at some moment").isNotNegative();
        best = Math.max(best, at);
      }
    }
    return best;
  }

  private static boolean isSame(JournalState one, JournalState other) {
    History<Song> a = one.history();
    History<Song> b = other.history();
    return a.steps().equals(b.steps())
        && a.cursor() == b.cursor()
        && a.saved() == b.saved()
        && List.copyOf(one.played()).equals(List.copyOf(other.played()));
  }

  @Test
  void a_power_cut_at_any_operation_takes_nothing_that_was_acknowledged() throws IOException {
    Random random = new Random(3);
    boolean cut = true;
    for (int n = 1; cut; n++) {
      FaultyDisk disk = new FaultyDisk();
      Files.createDirectories(disk.path("/state"));
      disk.plan(Fault.POWER_CUT, n);
      JournalWriter writer = begin(disk);
      live(writer, disk, true);
      cut = disk.hasFailed();
      for (int i = 0; i < POWER_CUTS; i++) {
        assertThat(found(disk.afterPowerCut(random)))
            .as("power cut at %d", n)
            .isGreaterThanOrEqualTo(acknowledged);
      }
    }
  }

  @ParameterizedTest
  @EnumSource(
      value = Fault.class,
      names = {"FAILS", "TEARS"})
  void what_a_disk_refused_once_is_on_it_as_soon_as_it_takes_it(Fault fault) throws IOException {
    boolean failed = true;
    for (int n = 1; failed; n++) {
      FaultyDisk disk = new FaultyDisk();
      Files.createDirectories(disk.path("/state"));
      disk.plan(fault, n);
      JournalWriter writer = begin(disk);
      live(writer, disk, false);
      failed = disk.hasFailed();
      while (writer.work() || writer.fault().isPresent()) {
        // Until it has taken all.
      }
      assertThat(found(disk)).as("%s at %d", fault, n).isEqualTo(states.size() - 1);
    }
  }

  @Test
  void a_full_disk_is_told_and_all_is_written_once_there_is_room() throws IOException {
    FaultyDisk disk = new FaultyDisk();
    Files.createDirectories(disk.path("/state"));
    JournalWriter writer = begin(disk);
    disk.leaveRoom(1_500);
    live(writer, disk, false);
    assertThat(writer.fault()).isPresent();
    assertThat(writer.fault().orElseThrow()).hasMessageContaining("No space left");
    assertThat(found(disk)).isGreaterThanOrEqualTo(acknowledged);
    disk.leaveRoom(1_000_000);
    while (writer.work() || writer.fault().isPresent()) {
      // Until it has taken all.
    }
    assertThat(found(disk)).isEqualTo(states.size() - 1);
  }

  @Test
  void a_disk_that_stands_still_keeps_nobody_waiting_and_is_told() throws Exception {
    FaultyDisk disk = new FaultyDisk();
    Files.createDirectories(disk.path("/state"));
    CountDownLatch stands = new CountDownLatch(1);
    CountDownLatch goesOn = new CountDownLatch(1);
    long[] millis = {0};
    JournalWriter writer =
        new JournalWriter(
            new JournalState(new JournalEntry.Opened(Song.empty(), Optional.empty(), true)),
            () -> millis[0]);
    writer.moveTo(disk.path("/state/new-1.journal"));
    states.add(writer.state());
    put(writer, new JournalEntry.Named("One"));
    disk.before(
        () -> {
          stands.countDown();
          try {
            goesOn.await();
          } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
          }
        });
    Thread worker = new Thread(writer::work);
    worker.start();
    assertThat(stands.await(10, TimeUnit.SECONDS)).isTrue();
    int more = JournalWriter.MOST_WAITING + 5;
    for (int i = 0; i < more; i++) {
      writer.put(new JournalEntry.Played(new Performed.NoteOn(i, 60, 80), place()));
    }
    assertThat(writer.isSlow()).isFalse();
    millis[0] = 60_000;
    assertThat(writer.isSlow()).isTrue();
    goesOn.countDown();
    worker.join();
    writer.close();
    assertThat(writer.isSlow()).isFalse();
    assertThat(JournalReading.of(disk.path("/state/new-1.journal")).state().played()).hasSize(more);
  }

  @Test
  void an_entry_that_cannot_be_written_takes_none_of_the_others_with_it() throws IOException {
    FaultyDisk disk = new FaultyDisk();
    Files.createDirectories(disk.path("/state"));
    JournalWriter writer = begin(disk);
    Song song = Song.empty();
    Song next = SongEdits.setTempo(song, Tempo.ofBpm(101));
    writer.put(new JournalEntry.Did("First", song, next, JournalEntry.Did.NONE));
    writer.work();
    Song last = SongEdits.setTempo(next, Tempo.ofBpm(102));
    writer.put(new JournalEntry.Did(null, next, last, JournalEntry.Did.NONE));
    writer.work();
    assertThat(writer.fault()).isPresent();
    writer.put(new JournalEntry.Undone());
    writer.put(new JournalEntry.Did("Second", next, last, JournalEntry.Did.NONE));
    while (writer.work() || writer.fault().isPresent()) {
      // Until it has taken all.
    }
    assertThat(JournalReading.of(disk.path("/state/new-1.journal")).state().history().steps())
        .extracting(History.Step::label)
        .containsExactly("", "First", "Second");
  }
}
