package flailbeat.core.journal;

import flailbeat.core.capture.RecordingStart;
import flailbeat.core.capture.Rolling;
import flailbeat.core.event.Performed;
import flailbeat.core.format.project.ProjectFile;
import flailbeat.core.format.project.ProjectPatch;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.Loop;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;

/** Turns entries into bytes. */
final class EntryWriter {
  private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
  private final DataOutputStream out = new DataOutputStream(bytes);

  private EntryWriter() {}

  /** The bytes of an entry, its kind first. */
  static byte[] bytes(JournalEntry entry) throws IOException {
    EntryWriter writer = new EntryWriter();
    writer.write(entry);
    writer.out.flush();
    return writer.bytes.toByteArray();
  }

  private void write(JournalEntry entry) throws IOException {
    switch (entry) {
      case JournalEntry.Opened e -> {
        out.writeByte(EntryType.OPENED);
        out.writeBoolean(e.saved());
        out.writeBoolean(e.file().isPresent());
        if (e.file().isPresent()) {
          writeFile(e.file().get());
        }
        deflated(to -> ProjectFile.writeCompact(e.song(), to));
      }
      case JournalEntry.Did e -> {
        out.writeByte(EntryType.DID);
        writeText(e.label());
        out.writeInt(e.passes());
        deflated(to -> ProjectPatch.write(e.before(), e.after(), to));
      }
      case JournalEntry.Undone e -> out.writeByte(EntryType.UNDONE);
      case JournalEntry.Redone e -> out.writeByte(EntryType.REDONE);
      case JournalEntry.Named e -> {
        out.writeByte(EntryType.NAMED);
        writeText(e.title());
      }
      case JournalEntry.Saved e -> {
        out.writeByte(EntryType.SAVED);
        out.writeBoolean(e.current());
        writeFile(e.file());
      }
      case JournalEntry.Unsaved e -> out.writeByte(EntryType.UNSAVED);
      case JournalEntry.Played e -> {
        out.writeByte(EntryType.PLAYED);
        write(e.event());
        write(e.place());
      }
      case JournalEntry.RecordingBegan e -> {
        out.writeByte(EntryType.RECORDING_BEGAN);
        write(e.start());
      }
      case JournalEntry.RecordingAt e -> {
        out.writeByte(EntryType.RECORDING_AT);
        out.writeLong(e.unrolledNanos());
      }
      case JournalEntry.PassesOver e -> {
        out.writeByte(EntryType.PASSES_OVER);
        out.writeInt(e.passes());
      }
      case JournalEntry.PassDropped e -> out.writeByte(EntryType.PASS_DROPPED);
      case JournalEntry.Resumed e -> {
        out.writeByte(EntryType.RESUMED);
        out.writeLong(e.laterNanos());
      }
      case JournalEntry.PutAside e -> out.writeByte(EntryType.PUT_ASIDE);
      case JournalEntry.Ended e -> out.writeByte(EntryType.ENDED);
    }
  }

  private void write(Performed event) throws IOException {
    switch (event) {
      case Performed.NoteOn e -> write(EntryType.NOTE_ON, e.atNanos(), e.pitch(), e.velocity());
      case Performed.NoteOff e -> write(EntryType.NOTE_OFF, e.atNanos(), e.pitch(), 0);
      case Performed.Control e -> write(EntryType.CONTROL, e.atNanos(), e.number(), e.value());
      case Performed.Bend e -> write(EntryType.BEND, e.atNanos(), 0, e.value());
      case Performed.Pressure e -> write(EntryType.PRESSURE, e.atNanos(), 0, e.value());
    }
  }

  private void write(int kind, long atNanos, int number, int value) throws IOException {
    out.writeByte(kind);
    out.writeLong(atNanos);
    out.writeByte(number);
    out.writeShort(value);
  }

  private void write(Rolling.Place place) throws IOException {
    out.writeLong(place.run());
    out.writeLong(place.offsetNanos());
    writeLoop(place.loop());
  }

  private void writeLoop(Optional<Loop> loop) throws IOException {
    out.writeBoolean(loop.isPresent());
    if (loop.isPresent()) {
      out.writeLong(loop.get().start());
      out.writeLong(loop.get().end());
    }
  }

  private void write(RecordingStart start) throws IOException {
    out.writeInt(start.tempos().changes().size());
    for (TempoMap.Change change : start.tempos().changes()) {
      out.writeLong(change.tick());
      out.writeInt(change.tempo().microsPerQuarter());
    }
    out.writeLong(start.startTick());
    out.writeLong(start.catchNanos());
    writeLoop(start.loop());
    out.writeLong(start.loopCatchNanos());
    out.writeInt(start.onto().size());
    for (TrackId id : start.onto()) {
      out.writeLong(id.value());
    }
    out.writeBoolean(start.round().isPresent());
    if (start.round().isPresent()) {
      TickRange round = start.round().get();
      out.writeLong(round.start());
      out.writeLong(round.end());
    }
    RecordingStart.Manner manner = start.manner();
    out.writeUTF(manner.mode().name());
    out.writeBoolean(manner.alwaysReplace());
    out.writeInt(manner.catchMs());
    out.writeBoolean(manner.quantize());
    out.writeDouble(manner.offsetMs());
  }

  private void writeFile(SavedFile file) throws IOException {
    writeText(file.path().toString());
    out.writeLong(file.size());
    out.writeInt(file.crc());
  }

  private void writeText(String text) throws IOException {
    byte[] utf8 = text.getBytes(StandardCharsets.UTF_8);
    out.writeInt(utf8.length);
    out.write(utf8);
  }

  /** Something that writes. */
  @FunctionalInterface
  private interface Part {
    void writeTo(OutputStream to) throws IOException;
  }

  /** To the end of the entry. */
  private void deflated(Part part) throws IOException {
    Deflater deflater = new Deflater(Deflater.BEST_SPEED);
    try (DeflaterOutputStream to = new DeflaterOutputStream(bytes, deflater)) {
      part.writeTo(to);
    } finally {
      deflater.end();
    }
  }
}
