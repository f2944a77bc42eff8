package flailbeat.core.journal;

import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.notes.NoteField;
import flailbeat.core.model.Note;
import flailbeat.core.session.FakePlayer;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Journalist;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.time.TickRange;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;

/**
 * Measures what a journal takes: of an hour in which a hundred thousand notes are recorded and
 * edited, and of eight hours of overdub round a loop, both in simulated time. A frame comes every
 * 50 ms, the disk's thread every 200 ms. See docs/losing-nothing.md.
 */
public final class JournalReport {
  private static final long MS = 1_000_000;
  private static final int FRAME_MS = 50;
  private static final int DISK_MS = 200;

  private long nowMs = 1_000;
  private final FakePlayer player = new FakePlayer(() -> nowMs * MS);
  private final Session session = new Session(() -> nowMs * MS, player);
  private final Path file;
  private final Random random = new Random(1);
  private JournalWriter writer;
  private long largest;
  private long slowestNanos;

  private JournalReport(Path file) {
    this.file = file;
    session.runControl().setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
    session
        .document()
        .writeDownTo(
            new Journalist() {
              @Override
              public void opened(JournalState state, boolean leftUnsaved) {
                writer = new JournalWriter(state, () -> nowMs);
                writer.moveTo(file);
              }

              @Override
              public void put(JournalEntry entry) {
                writer.put(entry);
              }
            });
  }

  public static void main(String[] words) throws IOException {
    Path folder = Files.createTempDirectory("flailbeat-journal");
    new JournalReport(folder.resolve("hour.journal")).hour();
    new JournalReport(folder.resolve("night.journal")).night();
  }

  private void pass(long ms) throws IOException {
    long until = nowMs + ms;
    while (nowMs < until) {
      nowMs += FRAME_MS;
      session.tick();
      if (nowMs % DISK_MS == 0) {
        disk();
      }
    }
  }

  private void disk() throws IOException {
    boolean more = true;
    while (more) {
      long began = System.nanoTime();
      more = writer.work();
      slowestNanos = Math.max(slowestNanos, System.nanoTime() - began);
    }
    if (writer.fault().isPresent()) {
      throw writer.fault().get();
    }
    if (Files.exists(file)) {
      largest = Math.max(largest, Files.size(file));
    }
  }

  private void play(int notes, int everyMs) throws IOException {
    for (int i = 0; i < notes; i++) {
      int pitch = 40 + random.nextInt(40);
      session.performer().pressOnDevice(pitch, 30 + random.nextInt(90), nowMs * MS);
      pass(everyMs);
      session.performer().releaseOnDevice(pitch, nowMs * MS);
    }
  }

  /** Each minute 50 seconds of 33 notes a second, then six edits of all that there is. */
  private void hour() throws IOException {
    for (int minute = 0; minute < 60; minute++) {
      session.runControl().seek(session.song().end());
      session.run().recordOrStop();
      for (int second = 0; second < 50; second++) {
        for (int i = 0; i < 34; i++) {
          int pitch = 30 + i + random.nextInt(40);
          session.performer().pressOnDevice(pitch, 30 + random.nextInt(90), nowMs * MS + i);
          session.performer().releaseOnDevice(pitch, nowMs * MS + 200 * MS);
        }
        pass(1_000);
      }
      session.run().recordOrStop();
      session.document().select(NoteRule.ALL);
      session.quantizing().quantize();
      pass(2_000);
      session.values().step(NoteField.VELOCITY, 1);
      pass(2_000);
      session.values().step(NoteField.PITCH, 1);
      pass(2_000);
      session.editing().undo();
      pass(2_000);
      session.document().select(Selection.NONE);
      pass(2_000);
    }
    while (writer.work()) {
      // Until all is written.
    }
    int notes = session.song().noteCount();
    long size = Files.size(file);
    long began = System.nanoTime();
    JournalReading reading = JournalReading.of(file);
    long millis = (System.nanoTime() - began) / MS;
    boolean same = reading.state().song().equals(session.song());
    System.out.printf(
        "An hour: %,d notes, %d steps; journal at most %.1f MB, at the end %.1f MB; read in %,d ms"
            + " (%d steps of history), the same song: %b; the slowest turn of the disk's thread"
            + " %.0f ms%n",
        notes,
        session.document().undoLabel().isPresent() ? stepsOf(writer.state()) : 0,
        largest / 1e6,
        size / 1e6,
        millis,
        stepsOf(reading.state()),
        same,
        slowestNanos / 1e6);
  }

  private static int stepsOf(JournalState state) {
    return state.history().steps().size() - 1;
  }

  /** Eight hours round a loop of four bars: two notes a second, always at the same places. */
  private void night() throws IOException {
    session.run().loop(new TickRange(0, 4 * 3840));
    session.run().recordOrStop();
    long startMs = nowMs;
    for (int hour = 1; hour <= 8; hour++) {
      for (int i = 0; i < 2 * 3600; i++) {
        play(1, 400);
        pass(100);
      }
      System.gc();
      Runtime runtime = Runtime.getRuntime();
      long heap = runtime.totalMemory() - runtime.freeMemory();
      List<Note> notes = session.document().track().notes();
      long off =
          notes.stream()
              .mapToLong(n -> Math.floorMod(n.onset() + 240, 480) - 240)
              .map(Math::abs)
              .max()
              .orElse(0);
      System.out.printf(
          "Hour %d of overdub: %,d notes, %d passes, heap %.1f MB, of it held by the journal %d"
              + " events; farthest from its place %d ticks; journal %.1f MB%n",
          hour,
          notes.size(),
          session.runControl().passNumber(),
          heap / 1e6,
          writer.state().recorded().size() + writer.state().played().size(),
          off,
          Files.size(file) / 1e6);
    }
    System.out.printf("in %,d simulated seconds%n", (nowMs - startMs) / 1000);
  }
}
