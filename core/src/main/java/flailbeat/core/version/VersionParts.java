package flailbeat.core.version;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.text.Counted;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What of an earlier version of a song can be taken back by itself. */
public final class VersionParts {
  private VersionParts() {}

  /**
   * A track that is not as it was.
   *
   * @param words how it was other than it is
   * @param clips those of its clips that are not as they were
   */
  public record TrackPart(TrackId id, String name, String words, List<ClipPart> clips) {}

  /** A clip that is not as it was: where it lay, and how much is in it. */
  public record ClipPart(ClipId id, String words) {}

  /** The tracks of a version that are not so any more. */
  public static List<TrackPart> of(Song now, Song then) {
    List<TrackPart> result = new ArrayList<>();
    for (Track was : then.tracks()) {
      Optional<Track> is = now.track(was.id());
      if (is.filter(i -> isAs(was, i)).isEmpty()) {
        String notes = Counted.of(was.noteCount(), "note");
        String words =
            is.isEmpty() ? notes + "; it is gone now" : notes + "; now " + is.get().noteCount();
        result.add(new TrackPart(was.id(), was.name(), words, clips(then, was, is)));
      }
    }
    return result;
  }

  /** How a track is shown is no part of what was made. */
  private static boolean isAs(Track was, Track is) {
    return was.clips().equals(is.clips())
        && was.sound().equals(is.sound())
        && was.name().equals(is.name());
  }

  private static List<ClipPart> clips(Song then, Track was, Optional<Track> is) {
    List<ClipPart> result = new ArrayList<>();
    for (Clip clip : is.isEmpty() ? List.<Clip>of() : was.clips()) {
      if (is.get().clip(clip.id()).filter(clip::equals).isEmpty()) {
        String name = clip.traits().name().isEmpty() ? "" : clip.traits().name() + ", ";
        int first = then.meters().positionAt(clip.start()).bar();
        int last = then.meters().positionAt(Math.max(clip.start(), clip.end() - 1)).bar();
        String bars = first == last ? "bar " + first : "bars " + first + " to " + last;
        result.add(
            new ClipPart(clip.id(), name + bars + ", " + Counted.of(clip.noteCount(), "note")));
      }
    }
    return result;
  }
}
