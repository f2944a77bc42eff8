package flailbeat.app.view.bench.paint;

import flailbeat.core.model.Note;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import java.util.HashMap;
import java.util.Map;
import java.util.function.ToIntFunction;
import java.util.function.UnaryOperator;

/** The crowds that were drawn last, one for each track, and the cells that they are drawn in. */
final class Crowds {
  private final Cells cells = new Cells();
  private final Map<TrackId, Crowd> known = new HashMap<>();

  Cells cells() {
    return cells;
  }

  /** The notes of a track as a crowd, made anew where they or their state are others. */
  Crowd of(Track track, Object state, UnaryOperator<Note> inVersion, ToIntFunction<Note> colour) {
    if (!has(track, state)) {
      known.put(track.id(), new Crowd(track, state, inVersion, colour));
    }
    return known.get(track.id());
  }

  /** Whether the notes of a track are here in this state. */
  boolean has(Track track, Object state) {
    Crowd crowd = known.get(track.id());
    return crowd != null && crowd.isOf(track, state);
  }
}
