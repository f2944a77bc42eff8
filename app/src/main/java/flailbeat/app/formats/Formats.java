package flailbeat.app.formats;

import flailbeat.audio.wav.WavSongs;
import flailbeat.core.files.MidiSongs;
import flailbeat.core.files.ProjectSongs;
import flailbeat.core.files.SongFiles;
import java.util.List;

/** The formats that the window and the command line know, in one table. */
public final class Formats {
  /** Every format. */
  public static final SongFiles ALL =
      new SongFiles(List.of(new ProjectSongs(), new MidiSongs(), new WavSongs()));

  private Formats() {}
}
