package flailbeat.core.version;

import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Song;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A version, with what is told of it.
 *
 * @param notes how many are in it; empty where it was not read, or cannot be
 * @param words what was changed after it, or why it cannot be read; empty where nothing is known
 */
public record ToldVersion(Version version, Optional<Integer> notes, String words) {
  /**
   * Reads versions and tells of each what was changed between it and the one that came then. One
   * that cannot be read keeps nothing of the others back.
   *
   * @param now the song as it is, where there is one
   * @param most so many are read: each takes its time
   */
  public static List<ToldVersion> of(List<Version> latestFirst, Optional<Song> now, int most) {
    List<ToldVersion> result = new ArrayList<>();
    Optional<Song> later = now;
    for (Version version : latestFirst) {
      if (result.size() >= most) {
        result.add(new ToldVersion(version, Optional.empty(), ""));
        continue;
      }
      try {
        Song then = version.song();
        String words = later.map(l -> String.join("; ", SongChanges.words(then, l))).orElse("");
        result.add(new ToldVersion(version, Optional.of(then.noteCount()), words));
        later = Optional.of(then);
      } catch (IOException e) {
        String why = "this version cannot be read: " + SongFiles.reason(e);
        result.add(new ToldVersion(version, Optional.empty(), why));
        later = Optional.empty();
      }
    }
    return result;
  }
}
