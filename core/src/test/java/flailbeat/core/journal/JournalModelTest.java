package flailbeat.core.journal;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.capture.Recording;
import flailbeat.core.session.RandomPerson;
import flailbeat.core.session.document.Journalist;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Whatever a person does, the journal comes to the same on the disk as in memory. */
class JournalModelTest {
  private static final int KILOBYTE = 1024;

  @TempDir Path folder;
  private final RandomPerson person = new RandomPerson();

  /** Keeps all entries in memory, from the song on that was opened last. */
  private static final class InMemory implements Journalist {
    private JournalEntry.Opened opened;
    private final List<JournalEntry> entries = new ArrayList<>();
    private Optional<JournalWriter> writer = Optional.empty();

    /** Whether anything was put into that writer: a journal is there only then. */
    private boolean putIn;

    @Override
    public void opened(JournalState state, boolean leftUnsaved) {
      opened = (JournalEntry.Opened) state.entries(state.history().cursor()).getFirst();
      entries.clear();
      writer = Optional.empty();
      putIn = false;
    }

    @Override
    public void put(JournalEntry entry) {
      entries.add(entry);
      writer.ifPresent(
          w -> {
            w.put(entry);
            putIn = true;
          });
    }

    JournalState state(int count) {
      JournalState state = new JournalState(opened);
      entries.subList(0, count).forEach(state::apply);
      return state;
    }
  }

  private InMemory play(int seed, int steps) {
    Random random = new Random(seed);
    InMemory memory = new InMemory();
    person.session().document().writeDownTo(memory);
    person.open(random);
    for (int step = 0; step < steps; step++) {
      person.act(random);
      person.pass(random.nextInt(400));
    }
    return memory;
  }

  @Test
  void cut_anywhere_it_gives_all_that_was_whole_before() throws IOException {
    for (int seed = 0; seed < Integer.getInteger("journal.seeds", 4); seed++) {
      InMemory memory = play(seed, 60);
      ByteArrayOutputStream bytes = new ByteArrayOutputStream();
      bytes.write(JournalFile.header());
      bytes.write(JournalFile.framed(EntryWriter.bytes(memory.opened), 1));
      List<Integer> ends = new ArrayList<>(List.of(bytes.size()));
      for (JournalEntry entry : memory.entries) {
        bytes.write(JournalFile.framed(EntryWriter.bytes(entry), 1));
        ends.add(bytes.size());
      }
      byte[] all = bytes.toByteArray();
      int whole = ends.size() - 1;
      for (int end = all.length; end >= Math.max(ends.getFirst(), all.length - KILOBYTE); end--) {
        if (end < ends.get(whole)) {
          whole--;
        }
        JournalReading reading = JournalReading.of(new ByteArrayInputStream(all, 0, end), end);
        assertThat(reading.wholeBytes()).isEqualTo((long) ends.get(whole));
        assertThat(reading.damage().isEmpty()).isEqualTo(end == ends.get(whole));
        if (end == ends.get(whole)) {
          assertSame(seed, reading.state(), memory.state(whole));
        }
      }
    }
  }

  @Test
  void flipped_bits_end_it_and_nothing_comes_of_them() throws IOException {
    InMemory memory = play(7, 60);
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    bytes.write(JournalFile.header());
    bytes.write(JournalFile.framed(EntryWriter.bytes(memory.opened), 1));
    int first = bytes.size();
    List<Integer> ends = new ArrayList<>(List.of(first));
    for (JournalEntry entry : memory.entries) {
      bytes.write(JournalFile.framed(EntryWriter.bytes(entry), 1));
      ends.add(bytes.size());
    }
    Random random = new Random(7);
    for (int i = 0; i < 200; i++) {
      byte[] damaged = bytes.toByteArray();
      int at = first + random.nextInt(damaged.length - first);
      damaged[at] ^= (byte) (1 << random.nextInt(8));
      int whole = 0;
      while (ends.get(whole + 1) <= at) {
        whole++;
      }
      JournalReading reading = JournalReading.of(new ByteArrayInputStream(damaged), damaged.length);
      assertThat(reading.wholeBytes()).isEqualTo((long) ends.get(whole));
      assertThat(reading.damage()).isPresent();
      if (i % 20 == 0) {
        assertSame(7, reading.state(), memory.state(whole));
      }
    }
  }

  @Test
  void written_behind_and_written_anew_it_is_the_same() throws IOException {
    int first = Integer.getInteger("journal.first", 20);
    for (int seed = first; seed < first + Integer.getInteger("journal.seeds", 8); seed++) {
      Random random = new Random(seed);
      InMemory memory = new InMemory();
      person.session().document().writeDownTo(memory);
      person.open(random);
      Path file = folder.resolve(seed + Journals.ENDING);
      JournalWriter writer = new JournalWriter(memory.state(memory.entries.size()), () -> 5);
      writer.moveTo(file);
      memory.writer = Optional.of(writer);
      JournalWriter last = writer;
      for (int step = 0; step < 120; step++) {
        person.act(random);
        person.pass(random.nextInt(300));
        if (memory.writer.isEmpty()) {
          // What was done in the same step after a song was opened is in its state already.
          last = new JournalWriter(memory.state(memory.entries.size()), () -> 5);
          last.moveTo(file);
          memory.writer = Optional.of(last);
        }
        int kind = random.nextInt(10);
        if (kind < 5) {
          last.work();
        } else if (kind == 6) {
          person
              .session()
              .document()
              .saved(
                  new SavedFile(Path.of("/made-up.flail"), 3, step),
                  person.session().song(),
                  person.session().document().openings());
        } else if (kind == 7) {
          last.moveTo(folder.resolve(seed + "-" + step + Journals.ENDING));
        } else if (kind == 8 && memory.putIn) {
          last.close();
          JournalReading reading = JournalReading.of(last.target().orElseThrow());
          assertThat(reading.damage()).isEmpty();
          assertSame(seed, reading.state(), memory.state(memory.entries.size()));
          last = new JournalWriter(last.target().orElseThrow(), reading, () -> 5);
          memory.writer = Optional.of(last);
        }
      }
      memory.put(new JournalEntry.Unsaved());
      last.close();
      assertThat(last.fault()).isEmpty();
      JournalReading reading = JournalReading.of(last.target().orElseThrow());
      assertSame(seed, reading.state(), memory.state(memory.entries.size()));
      assertSame(seed, reading.state(), last.state());
    }
  }

  private void assertSame(int seed, JournalState is, JournalState wanted) {
    String what = "seed " + seed + ": " + person.done();
    assertThat(is.history().steps()).as(what).isEqualTo(wanted.history().steps());
    assertThat(is.history().cursor()).as(what).isEqualTo(wanted.history().cursor());
    assertThat(is.history().saved()).as(what).isEqualTo(wanted.history().saved());
    assertThat(is.file()).as(what).isEqualTo(wanted.file());
    assertThat(is.played()).as(what).containsExactlyElementsOf(wanted.played());
    assertThat(is.recorded()).as(what).isEqualTo(wanted.recorded());
    assertThat(is.recording().isPresent()).as(what).isEqualTo(wanted.recording().isPresent());
    assertThat(unfinished(is)).as(what).isEqualTo(unfinished(wanted));
  }

  private static Optional<String> unfinished(JournalState state) {
    return state
        .unfinished()
        .map(Recording::current)
        .map(p -> p.notesUpTo(state.reachedNanos()) + " " + p.controls() + " " + p.startTick());
  }
}
