package flailbeat.core.journal;

import flailbeat.core.capture.RecordingMode;
import flailbeat.core.capture.RecordingStart;
import flailbeat.core.capture.Rolling;
import flailbeat.core.event.Performed;
import flailbeat.core.format.FileFault;
import flailbeat.core.format.project.ProjectFile;
import flailbeat.core.format.project.ProjectPatch;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.Loop;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.io.ByteArrayInputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.zip.InflaterInputStream;

/** Makes entries of bytes. */
final class EntryReader {
  private final ByteArrayInputStream bytes;
  private final DataInputStream in;

  private EntryReader(byte[] of) {
    bytes = new ByteArrayInputStream(of);
    in = new DataInputStream(bytes);
  }

  /**
   * An entry.
   *
   * @param before the song as the entries before it left it; empty for the first
   * @throws FileFault for bytes that are none, or none that can follow on that song
   */
  static JournalEntry of(byte[] bytes, Optional<Song> before) throws IOException {
    try {
      return new EntryReader(bytes).read(before);
    } catch (EOFException e) {
      throw new FileFault("an entry ends too early", e);
    } catch (IllegalArgumentException | ArithmeticException e) {
      throw new FileFault("an entry that cannot be: " + e.getMessage(), e);
    }
  }

  private JournalEntry read(Optional<Song> before) throws IOException {
    int type = in.readUnsignedByte();
    if (type != EntryType.OPENED && before.isEmpty()) {
      throw new FileFault("it does not begin with a song");
    }
    return switch (type) {
      case EntryType.OPENED -> {
        boolean saved = in.readBoolean();
        Optional<SavedFile> file = in.readBoolean() ? Optional.of(file()) : Optional.empty();
        yield new JournalEntry.Opened(
            ProjectFile.read(new InflaterInputStream(bytes)), file, saved);
      }
      case EntryType.DID -> {
        String label = text();
        int passes = in.readInt();
        Song song = before.orElseThrow();
        yield new JournalEntry.Did(
            label, song, ProjectPatch.read(song, new InflaterInputStream(bytes)), passes);
      }
      case EntryType.UNDONE -> new JournalEntry.Undone();
      case EntryType.REDONE -> new JournalEntry.Redone();
      case EntryType.NAMED -> new JournalEntry.Named(text());
      case EntryType.SAVED -> {
        boolean current = in.readBoolean();
        yield new JournalEntry.Saved(file(), current);
      }
      case EntryType.UNSAVED -> new JournalEntry.Unsaved();
      case EntryType.PLAYED -> new JournalEntry.Played(performed(), place());
      case EntryType.RECORDING_BEGAN -> new JournalEntry.RecordingBegan(start());
      case EntryType.RECORDING_AT -> new JournalEntry.RecordingAt(in.readLong());
      case EntryType.PASSES_OVER -> new JournalEntry.PassesOver(in.readInt());
      case EntryType.PASS_DROPPED -> new JournalEntry.PassDropped();
      case EntryType.RESUMED -> new JournalEntry.Resumed(in.readLong());
      case EntryType.PUT_ASIDE -> new JournalEntry.PutAside();
      case EntryType.ENDED -> new JournalEntry.Ended();
      default -> throw new FileFault("an entry of an unknown kind, " + type);
    };
  }

  private Performed performed() throws IOException {
    int kind = in.readUnsignedByte();
    long at = in.readLong();
    int number = in.readUnsignedByte();
    int value = in.readUnsignedShort();
    return switch (kind) {
      case EntryType.NOTE_ON -> new Performed.NoteOn(at, number, value);
      case EntryType.NOTE_OFF -> new Performed.NoteOff(at, number);
      case EntryType.CONTROL -> new Performed.Control(at, number, value);
      case EntryType.BEND -> new Performed.Bend(at, value);
      case EntryType.PRESSURE -> new Performed.Pressure(at, value);
      default -> throw new FileFault("something played of an unknown kind, " + kind);
    };
  }

  private Rolling.Place place() throws IOException {
    long run = in.readLong();
    long offset = in.readLong();
    return new Rolling.Place(run, offset, loop());
  }

  private Optional<Loop> loop() throws IOException {
    return in.readBoolean()
        ? Optional.of(new Loop(in.readLong(), in.readLong()))
        : Optional.empty();
  }

  private RecordingStart start() throws IOException {
    List<TempoMap.Change> tempos = new ArrayList<>();
    for (int n = in.readInt(); n > 0; n--) {
      tempos.add(new TempoMap.Change(in.readLong(), new Tempo(in.readInt())));
    }
    long startTick = in.readLong();
    long catchNanos = in.readLong();
    Optional<Loop> loop = loop();
    long loopCatchNanos = in.readLong();
    List<TrackId> onto = new ArrayList<>();
    for (int n = in.readInt(); n > 0; n--) {
      onto.add(new TrackId(in.readLong()));
    }
    Optional<TickRange> round =
        in.readBoolean()
            ? Optional.of(new TickRange(in.readLong(), in.readLong()))
            : Optional.empty();
    RecordingStart.Manner manner =
        new RecordingStart.Manner(
            RecordingMode.valueOf(in.readUTF()),
            in.readBoolean(),
            in.readInt(),
            in.readBoolean(),
            in.readDouble());
    return new RecordingStart(
        TempoMap.of(tempos), startTick, catchNanos, loop, loopCatchNanos, onto, round, manner);
  }

  private SavedFile file() throws IOException {
    Path path = Path.of(text());
    return new SavedFile(path, in.readLong(), in.readInt());
  }

  private String text() throws IOException {
    int length = in.readInt();
    if (length < 0 || length > in.available()) {
      throw new FileFault("a text that ends too early");
    }
    return new String(in.readNBytes(length), StandardCharsets.UTF_8);
  }
}
