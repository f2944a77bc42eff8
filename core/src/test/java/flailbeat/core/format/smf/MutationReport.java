package flailbeat.core.format.smf;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.files.MidiSongs;
import flailbeat.core.format.FileFault;
import flailbeat.core.format.groove.GrooveFile;
import flailbeat.core.format.project.ProjectFile;
import flailbeat.core.model.Song;
import flailbeat.core.quantize.Groove;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.Quantizer;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * Changes files at random and reads them: MIDI files, projects and grooves in turn. What can be
 * read is quantized and exported. Nothing but our own faults may come of it, no note may be left
 * without an end by quantizing, and what is exported must be read back whole. docs/midi-files.md
 * tells how to run it over 20,000.
 */
public final class MutationReport {
  private final Random random;
  private final Path folder;
  private final List<byte[]> midi = new ArrayList<>();
  private final byte[] project;
  private final byte[] groove;
  private int read;
  private int refused;
  private long longestNanos;

  MutationReport(long seed, Path folder) throws IOException {
    this.random = new Random(seed);
    this.folder = folder;
    for (SmfFile file : Samples.all()) {
      midi.add(Midi.bytes(file));
    }
    midi.add(Midi.bytes(SmfExport.of(HarbourLamps.song())));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ProjectFile.write(HarbourLamps.song(), out);
    project = out.toByteArray();
    Path file = folder.resolve("first" + GrooveFile.ENDING);
    GrooveFile.write(
        new Groove(
            "A", 2, 0, List.of(new Groove.Slot(0, 0, 5, 90), new Groove.Slot(1, 480, -7, 70))),
        file);
    groove = Files.readAllBytes(file);
  }

  public static void main(String[] args) throws IOException {
    int count = Integer.parseInt(args[0]);
    Path folder = Files.createTempDirectory("mutations");
    MutationReport report = new MutationReport(1, folder);
    for (int i = 0; i < count; i++) {
      report.one(i);
    }
    System.out.printf(
        Locale.ROOT,
        "%d files: %d read, %d refused in words; the longest took %.0f ms%n",
        count,
        report.read,
        report.refused,
        report.longestNanos / 1e6);
  }

  /** The longest that any of them took. */
  long longestNanos() {
    return longestNanos;
  }

  int read() {
    return read;
  }

  int refused() {
    return refused;
  }

  /** Changes and reads one; throws what should not have come of it. */
  void one(int index) throws IOException {
    long start = System.nanoTime();
    try {
      switch (index % 4) {
        case 0 -> readProject(mutated(project));
        case 1 -> readGroove(mutated(groove));
        default -> readMidi(mutated(midi.get(random.nextInt(midi.size()))));
      }
      read++;
    } catch (FileFault e) {
      refused++;
      if (e.getMessage() == null || e.getMessage().isBlank()) {
        throw new IllegalStateException("refused without a word", e);
      }
    }
    longestNanos = Math.max(longestNanos, System.nanoTime() - start);
  }

  private byte[] mutated(byte[] whole) {
    byte[] bytes = whole.clone();
    for (int i = random.nextInt(6); i >= 0; i--) {
      int at = random.nextInt(bytes.length);
      int length = Math.min(bytes.length - at, 1 + random.nextInt(20));
      switch (random.nextInt(5)) {
        case 0 -> bytes[at] = (byte) random.nextInt();
        case 1 -> bytes[at] ^= (byte) (1 << random.nextInt(8));
        case 2 -> bytes = cut(bytes, at, length);
        case 3 -> bytes = doubled(bytes, at, length);
        default -> bytes[at] = (byte) "0123456789-.,[]{}\"".charAt(random.nextInt(18));
      }
      if (bytes.length == 0) {
        return whole;
      }
    }
    return bytes;
  }

  private static byte[] cut(byte[] bytes, int at, int length) {
    byte[] result = Arrays.copyOf(bytes, bytes.length - length);
    System.arraycopy(bytes, at + length, result, at, bytes.length - at - length);
    return result;
  }

  private static byte[] doubled(byte[] bytes, int at, int length) {
    byte[] result = Arrays.copyOf(bytes, bytes.length + length);
    System.arraycopy(bytes, at, result, at + length, bytes.length - at);
    return result;
  }

  /** What a header announces and is not there must not be among what is passed over in silence. */
  private static void requireLossesTold(byte[] bytes, SmfReading reading) {
    int announced = (bytes[10] & 0xFF) << 8 | bytes[11] & 0xFF;
    int missing = announced - reading.file().tracks().size();
    if (reading.isWhole() && missing > 0 && !reading.file().others().isEmpty()) {
      throw new IllegalStateException(missing + " tracks are missing, and it is not told");
    }
    if (reading.isSound() && missing != 0) {
      throw new IllegalStateException("another number of tracks, and nothing is said");
    }
  }

  private void readMidi(byte[] bytes) throws IOException {
    SmfReading reading = SmfReader.read(bytes);
    requireLossesTold(bytes, reading);
    Song song = MidiSongs.of(reading, "x").song();
    List<QuantizePlan> plans = new ArrayList<>();
    for (var track : song.tracks()) {
      plans.add(
          Quantizer.of(QuantizeSettings.standard(), song.tempos(), song.meters())
              .plan(track.notes(), List.of()));
    }
    SmfPatch patch =
        SmfPatch.apply(
            reading.file(),
            song,
            note -> {
              var result = note;
              for (QuantizePlan plan : plans) {
                result = plan.mover().apply(result);
              }
              return result;
            });
    int hungBefore = hung(reading.file());
    if (hung(patch.file()) > hungBefore) {
      throw new IllegalStateException("quantizing left a note without an end");
    }
    requireWhole(patch.file());
    export(song);
  }

  private static int hung(SmfFile file) {
    return file.tracks().stream().mapToInt(t -> NotePairs.of(t).withoutEnd()).sum();
  }

  private void readProject(byte[] bytes) throws IOException {
    Song song = ProjectFile.read(new ByteArrayInputStream(bytes));
    export(NoteEdits.mapAll(song, n -> n));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ProjectFile.write(song, out);
    Song back = ProjectFile.read(new ByteArrayInputStream(out.toByteArray()));
    if (!back.withNextId(0).equals(song.withNextId(0))) {
      throw new IllegalStateException("a project does not come back as it was");
    }
  }

  private void readGroove(byte[] bytes) throws IOException {
    Path file = folder.resolve("x" + GrooveFile.ENDING);
    Files.write(file, bytes);
    GrooveFile.read(file);
  }

  /** What is exported is read back whole, note for note. */
  private static void export(Song song) throws IOException {
    SmfReading back = requireWhole(SmfExport.of(song));
    int notes = SmfImport.of(back.file(), "x").song().noteCount();
    if (notes != song.noteCount()) {
      throw new IllegalStateException(song.noteCount() + " notes became " + notes);
    }
  }

  private static SmfReading requireWhole(SmfFile file) throws FileFault {
    SmfReading back = SmfReader.read(Midi.bytes(file));
    if (!back.isSound()) {
      throw new IllegalStateException("what is written is damaged: " + back.damage());
    }
    return back;
  }
}
