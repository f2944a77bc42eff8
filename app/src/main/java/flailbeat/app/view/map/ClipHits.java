package flailbeat.app.view.map;

import flailbeat.app.view.bench.hand.Zone;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.Cursor;

/** Finds the clip that is meant at a place of the large map, and which part of it. */
final class ClipHits {
  private static final double EDGE = 6;

  /** A clip under the mouse, and where on it the mouse is. */
  record Hit(Clip clip, Zone zone) {}

  private final Supplier<Song> song;
  private final Supplier<LaneScale> scale;

  ClipHits(Supplier<Song> song, Supplier<LaneScale> scale) {
    this.song = song;
    this.scale = scale;
  }

  /** The number of the track at a height; empty beyond the last. */
  Optional<Integer> trackAt(double y) {
    int lane = scale.get().laneAt(y);
    return lane >= 0 && lane < song.get().tracks().size() ? Optional.of(lane) : Optional.empty();
  }

  /** The clip at a place; a thin one can be taken hold of a little beside it. */
  Optional<Hit> at(double x, double y) {
    Optional<Track> track = trackAt(y).map(song.get().tracks()::get);
    if (track.isEmpty()) {
      return Optional.empty();
    }
    List<Clip> clips = track.get().clips();
    for (Clip clip : clips.reversed()) {
      double left = scale.get().xOf(clip.start());
      double right = Math.max(left + EDGE, scale.get().xOf(clip.end()));
      if (x >= left && x < right) {
        return Optional.of(new Hit(clip, zone(x, left, right)));
      }
    }
    return Optional.empty();
  }

  /** Edges of a short clip leave its middle to be taken hold of. */
  private static Zone zone(double x, double left, double right) {
    double edge = Math.min(EDGE, (right - left) / 4);
    return x < left + edge ? Zone.START : x >= right - edge ? Zone.END : Zone.BODY;
  }

  /** What the pointer looks like there. */
  Cursor cursorAt(double x, double y) {
    return at(x, y).map(h -> h.zone().cursor()).orElse(Cursor.DEFAULT);
  }
}
