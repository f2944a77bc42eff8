package flailbeat.app.shell.files;

import flailbeat.core.files.MidiSongs;
import flailbeat.core.files.ProjectSongs;
import flailbeat.core.format.chore.ChoreFile;
import flailbeat.core.format.groove.GrooveFile;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** What the names of files end in, by their kinds. */
public enum Ending {
  PROJECT(ProjectSongs.ENDING),
  MIDI(MidiSongs.ENDINGS),
  GROOVE(GrooveFile.ENDING),
  CHORES(ChoreFile.ENDING),
  PAGE(".html", ".htm"),
  WAVE(".wav", ".wave");

  private final List<String> endings;

  Ending(String... endings) {
    this(List.of(endings));
  }

  Ending(List<String> endings) {
    this.endings = endings;
  }

  /** Whether a file's name has it, in capitals or not. */
  boolean isOf(Path file) {
    String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    return endings.stream().anyMatch(name::endsWith);
  }

  /** The file with it: what has another, or none, gets it behind its name. */
  public Path on(Path file) {
    return isOf(file) ? file : file.resolveSibling(file.getFileName() + endings.getFirst());
  }
}
