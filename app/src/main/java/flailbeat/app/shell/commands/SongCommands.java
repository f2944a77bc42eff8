package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.Group;
import flailbeat.app.shell.files.FileActions;
import java.util.List;

/** What can be done with songs and their files. */
public final class SongCommands {
  private SongCommands() {}

  public static List<Command> list(FileActions files) {
    return List.of(
        of(Group.SONG, "song-new", "New song", "Ctrl+N", files::newSong),
        of(Group.SONG, "song-open", "Open or import a file...", "Ctrl+O", files::open),
        of(Group.SONG, "song-demo", "Open the demo, Harbour Lamps", "", files::openDemo),
        of(Group.SONG, "song-save", "Save", "Ctrl+S", files::save),
        of(Group.SONG, "song-save-as", "Save as...", "Ctrl+Shift+S", files::saveAs),
        of(Group.SONG, "song-export", "Export a MIDI file...", "Ctrl+E", files::exportMidi));
  }
}
