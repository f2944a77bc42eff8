package flailbeat.core.files;

import flailbeat.core.format.FileFault;
import flailbeat.core.format.SafeFile;
import flailbeat.core.format.project.ProjectFile;
import flailbeat.core.format.smf.SmfExport;
import flailbeat.core.format.smf.SmfImport;
import flailbeat.core.format.smf.SmfReader;
import flailbeat.core.format.smf.SmfReading;
import flailbeat.core.format.smf.SmfWriter;
import flailbeat.core.model.Song;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileStore;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Reads and writes songs, by the extension of the file's name. */
public final class SongFiles {
  /** The formats, by extension. */
  public enum Kind {
    PROJECT,
    MIDI
  }

  /** Bytes: with less than this a disk is as good as full. */
  private static final long LEAST_ROOM = 4096;

  private static final String FULL =
      "the disk is full, so the file is as it was; make room, or save in another place";

  private SongFiles() {}

  /**
   * The format of a file, by its name.
   *
   * @throws FileFault for an extension that is none of ours
   */
  public static Kind kindOf(Path file) throws FileFault {
    String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    if (name.endsWith(".flail")) {
      return Kind.PROJECT;
    }
    if (name.endsWith(".mid") || name.endsWith(".midi")) {
      return Kind.MIDI;
    }
    throw new FileFault("its name should end in .flail (project) or .mid (MIDI file)");
  }

  /** Reads a song; what can be saved of a damaged MIDI file is, with the loss told. */
  public static Opened read(Path file) throws IOException {
    if (Files.isDirectory(file)) {
      throw new FileFault("this is a folder");
    }
    return switch (kindOf(file)) {
      case PROJECT -> {
        ProjectFile.Reading reading = ProjectFile.open(file);
        yield new Opened(reading.song(), "", "", reading.remarks());
      }
      case MIDI -> fromMidi(SmfReader.read(file), titleOf(file));
    };
  }

  /** What a MIDI file that was read gives. */
  public static Opened fromMidi(SmfReading reading, String title) {
    SmfImport made = SmfImport.of(reading.file(), title);
    List<String> remarks = new ArrayList<>(reading.departures());
    remarks.addAll(made.remarks());
    return reading.isWhole()
        ? new Opened(made.song(), "", "", remarks)
        : new Opened(made.song(), reading.describeDamage(), reading.describeLoss(), remarks);
  }

  /** Writes a song whole or leaves the file as it was; says what the format can't hold of it. */
  public static List<String> write(Song song, Path file) throws IOException {
    Written written = contents(song, file);
    SafeFile.write(file, written.contents());
    return written.remarks();
  }

  /**
   * A song as it is to be written.
   *
   * @param remarks what the format can't hold of it, a line each
   */
  public record Written(SafeFile.Contents contents, List<String> remarks) {}

  /** What a song is written as, by the extension of the file's name. */
  public static Written contents(Song song, Path file) throws FileFault {
    return switch (kindOf(file)) {
      case PROJECT -> new Written(out -> ProjectFile.write(song, out), List.of());
      case MIDI -> {
        SmfExport export = SmfExport.from(song);
        yield new Written(out -> SmfWriter.write(export.file(), out), export.remarks());
      }
    };
  }

  /** The file's name without its extension. */
  public static String titleOf(Path file) {
    return file.getFileName().toString().replaceFirst("\\.[A-Za-z]+$", "");
  }

  /** One line that names the file, what is wrong and, with a full disk, what to do. */
  public static String describe(Path file, IOException fault) {
    boolean full = fault instanceof SafeFile.WriteFault w && isFull(file, w.reason());
    boolean writing = fault instanceof SafeFile.WriteFault;
    return file + ": " + (full ? FULL : reason(fault) + (writing ? "; save in another place" : ""));
  }

  /** Systems word it in their own language, so the disk is asked too. */
  private static boolean isFull(Path file, IOException reason) {
    try {
      if (String.valueOf(reason.getMessage()).contains("No space left")) {
        return true;
      }
      boolean refused = reason instanceof FileFault || reason instanceof FileSystemException;
      FileStore store = Files.getFileStore(file.toAbsolutePath().getParent());
      return !refused && store.getTotalSpace() > 0 && store.getUsableSpace() < LEAST_ROOM;
    } catch (IOException e) {
      return false;
    }
  }

  /** What a system says in its own words, where it is known to puzzle people. */
  private static String systemReason(FileSystemException fault) {
    String reason = fault.getReason() == null ? fault.getMessage() : fault.getReason();
    return reason.contains("not permitted") || reason.contains("Read-only")
        ? "nothing may be written there"
        : reason;
  }

  private static String reason(IOException fault) {
    return switch (fault) {
      case SafeFile.WriteFault f -> reason(f.reason());
      case FileFault f -> f.getMessage();
      case NoSuchFileException f -> f.getReason() == null ? "there is no such file" : f.getReason();
      case AccessDeniedException f -> "it may not be read or written";
      case FileSystemException f -> systemReason(f);
      default -> String.valueOf(fault.getMessage());
    };
  }
}
