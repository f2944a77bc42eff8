package flailbeat.app.view.safe;

import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.version.ToldVersion;
import flailbeat.core.version.Version;
import java.util.List;
import java.util.Optional;

/** Where earlier versions of the song come from, and what is done with them. */
public interface VersionFiles {
  /** A version that was looked into. */
  record Chosen(Version version, Song song) {}

  /** Looks for those of the song's file. */
  void look();

  /** Those that were found, the latest first. */
  List<ToldVersion> rows();

  /** Says who is told when others were found, or another is chosen. */
  void onChange(Runnable listener);

  /** Chooses one to look into. */
  void choose(Version version);

  /** The one that was chosen, with the song that it is. */
  Optional<Chosen> chosen();

  /** Plays the chosen one, or stops. */
  void hear();

  /** Whether it plays. */
  boolean isHearing();

  /** Opens the chosen one as a song of its own. */
  void open();

  /** Takes a track of the chosen one back. */
  void takeBack(TrackId track);

  /** Takes a clip of the chosen one back. */
  void takeBack(ClipId clip);
}
