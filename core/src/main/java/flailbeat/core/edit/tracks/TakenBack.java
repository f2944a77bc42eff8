package flailbeat.core.edit.tracks;

import flailbeat.core.edit.Ids;
import flailbeat.core.edit.clips.ClipPattern;
import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.TrackId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Takes a part of an earlier version of a song back into it, and leaves all else as it is. */
public final class TakenBack {
  private TakenBack() {}

  /**
   * A song with a track as it was: in the place of the one that has its id or, where that is gone,
   * where it stood. What is in it has ids of its own, since notes may have gone to other tracks.
   *
   * @param then the song as it was; unchanged where that has no such track
   */
  public static Song track(Song now, Song then, TrackId id) {
    Optional<Track> was = then.track(id);
    if (was.isEmpty()) {
      return now;
    }
    Ids ids = new Ids(Math.max(now.nextId(), then.nextId()));
    Track back = was.get().withClips(List.of()).withClips(TrackEdits.copies(was.get(), ids));
    List<Track> tracks = new ArrayList<>(now.tracks());
    int at = now.indexOf(id);
    if (at >= 0) {
      tracks.set(at, back);
    } else {
      tracks.add(Math.min(then.indexOf(id), tracks.size()), back);
    }
    return ids.recordedIn(now.withTracks(tracks));
  }

  /**
   * A song with a clip as it was, where it lay on its track: over what lies there now, and in the
   * place of what it has become.
   *
   * @param then the song as it was; unchanged where that has no such clip
   * @throws IllegalArgumentException where its track is gone
   */
  public static Song clip(Song now, Song then, ClipId id) {
    Optional<Track> on = then.tracks().stream().filter(t -> t.clip(id).isPresent()).findFirst();
    Optional<ClipPattern> pattern = ClipPattern.of(then, Set.of(id));
    if (on.isEmpty() || pattern.isEmpty()) {
      return now;
    }
    int at = now.indexOf(on.get().id());
    if (at < 0) {
      throw new IllegalArgumentException(
          "Its track, " + on.get().name() + ", is gone: take that back");
    }
    Clip was = on.get().clip(id).orElseThrow();
    Song without = ClipShapes.delete(now, Set.of(id), false);
    Song known = without.withNextId(Math.max(without.nextId(), then.nextId()));
    return pattern.get().laidInto(known, was.start(), at, 1, false, Landing.OVER);
  }
}
