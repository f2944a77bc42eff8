package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Group;
import flailbeat.app.shell.files.FileActions;
import flailbeat.app.shell.files.LostRoom;
import flailbeat.core.session.Session;
import flailbeat.core.session.lost.LostSongs;
import java.util.List;

/** What can be done with songs and their files. */
public final class SongCommands {
  private SongCommands() {}

  /**
   * All of them.
   *
   * @param recent shows the songs that were used lately
   * @param toSoundFile turns to the page that writes one
   * @param close closes the window, as far as nothing unsaved is in the way
   */
  public static List<Command> list(
      Session session,
      FileActions files,
      LostRoom lost,
      Runnable recent,
      Runnable toSoundFile,
      Runnable close) {
    LostSongs songs = lost.songs();
    return List.of(
        of(Group.SONG, "song-new", "New song", "Ctrl+N", files::newSong),
        of(Group.SONG, "song-open", "Open or import a file...", "Ctrl+O", files::open),
        of(Group.SONG, "song-recent", "Open a song used lately...", "Ctrl+Alt+O", recent),
        of(Group.SONG, "song-new-from", "New song with these tracks", "Ctrl+Alt+N", files::newFrom),
        of(Group.SONG, "song-demo", "Open the demo, Harbour Lamps", "", files::openDemo),
        of(Group.SONG, "song-save", "Save", "Ctrl+S", files::save),
        of(Group.SONG, "song-save-as", "Save as...", "Ctrl+Shift+S", files::saveAs),
        of(Group.SONG, "song-export", "Export a MIDI file...", "Ctrl+E", files::exportMidi),
        of(Group.SONG, "song-sound", "Write a sound file (WAV)...", "", toSoundFile),
        of(Group.SONG, "song-lost", "Bring back what was not saved...", "", lost::lookAgain),
        of(Group.SONG, "song-close", "Close Flailbeat", "Ctrl+Q", close),
        of(
                Group.SONG,
                "told-read",
                "Put the lines away that were read",
                "Esc or Enter",
                session.notices()::putAwayLines)
            .in(KeyContext.TOLD),
        offered("lost-up", "The song above", "Up", () -> songs.moveTo(songs.cursor() - 1)),
        offered("lost-down", "The song below", "Down", () -> songs.moveTo(songs.cursor() + 1)),
        offered("lost-take", "Take the song up", "Enter", lost::takeUp),
        offered("lost-hear", "Hear the song, or stop", "Shift+Enter", songs::hear),
        offered("lost-leave", "Not now: all are kept for a week", "Esc", lost::decline));
  }

  private static Command offered(String id, String title, String keys, Runnable press) {
    return of(Group.SONG, id, title, keys, press).in(KeyContext.LOST);
  }
}
