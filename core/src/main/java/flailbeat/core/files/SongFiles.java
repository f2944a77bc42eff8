package flailbeat.core.files;

import flailbeat.core.files.SongFormat.Written;
import flailbeat.core.format.FileFault;
import flailbeat.core.format.SafeFile;
import flailbeat.core.format.UnwritableFault;
import flailbeat.core.journal.SavedFile;
import flailbeat.core.model.Song;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileStore;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** Reads and writes songs in whatever formats there are, by the ending of a file's name. */
public final class SongFiles {
  /** Bytes: with less than this a disk is as good as full. */
  private static final long LEAST_ROOM = 4096;

  private static final String FULL =
      "the disk is full, so the file is as it was; make room, or save in another place";

  private final List<SongFormat> formats;

  /** A table of formats; no two have an ending in common. */
  public SongFiles(List<SongFormat> formats) {
    this.formats = List.copyOf(formats);
  }

  /** The formats that need no more than this module: projects and MIDI files. */
  public static SongFiles standard() {
    return new SongFiles(List.of(new ProjectSongs(), new MidiSongs()));
  }

  /** The table. */
  public List<SongFormat> formats() {
    return formats;
  }

  /**
   * The format of a file, by its name.
   *
   * @throws FileFault for an ending that none has
   */
  public SongFormat formatOf(Path file) throws FileFault {
    String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    return formats.stream()
        .filter(f -> f.endings().stream().anyMatch(name::endsWith))
        .findFirst()
        .orElseThrow(() -> new FileFault("its name should end in " + endings()));
  }

  private String endings() {
    List<String> all =
        formats.stream().map(f -> f.endings().getFirst() + " (" + f.name() + ")").toList();
    String last = all.getLast();
    return all.size() == 1
        ? last
        : String.join(", ", all.subList(0, all.size() - 1)) + " or " + last;
  }

  /** Whether a file is a MIDI file, by its name. */
  public boolean isMidi(Path file) throws FileFault {
    return formatOf(file) instanceof MidiSongs;
  }

  /** Reads a song; what can be saved of a damaged file is, with the loss told. */
  public Opened read(Path file) throws IOException {
    if (Files.isDirectory(file)) {
      throw new FileFault("this is a folder");
    }
    return formatOf(file).read(file);
  }

  /** Writes a song whole or leaves the file as it was; says what the format can't hold of it. */
  public List<String> write(Song song, Path file) throws IOException {
    Written written = contents(song, file);
    SafeFile.write(file, written.contents());
    return written.remarks();
  }

  /** The same for a song's own file, which is told by what was written. */
  public SavedFile save(Song song, Path file) throws IOException {
    SavedFile.Measuring measuring = new SavedFile.Measuring(contents(song, file).contents());
    SafeFile.write(file, measuring);
    return measuring.of(file);
  }

  /** What a song is written as, by the ending of the file's name. */
  public Written contents(Song song, Path file) throws IOException {
    return formatOf(file).contents(song);
  }

  /** The file's name without its extension. */
  public static String titleOf(Path file) {
    return file.getFileName().toString().replaceFirst("\\.[A-Za-z]+$", "");
  }

  /** One line that names the file, what is wrong and, with a full disk, what to do. */
  public static String describe(Path file, IOException fault) {
    if (!(fault instanceof SafeFile.WriteFault writing)
        || writing.reason() instanceof UnwritableFault) {
      return file + ": " + reason(fault);
    }
    boolean full = isFull(file, writing.reason());
    return file + ": " + (full ? FULL : reason(fault) + "; save in another place");
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

  /** What is wrong, without the name of the file. */
  public static String reason(IOException fault) {
    if (String.valueOf(fault.getMessage()).contains("No space left")) {
      return "the disk is full";
    }
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
