package flailbeat.core.chore;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.TrackId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** An outcome as it is gathered. */
final class Draft {
  private final List<Note> changed = new ArrayList<>();
  private final List<Note> gone = new ArrayList<>();
  private final Map<TrackId, List<Note>> added = new LinkedHashMap<>();
  private final List<Note> marked = new ArrayList<>();
  private final List<ControlPoint> moved = new ArrayList<>();
  private final List<Outcome.Along> along = new ArrayList<>();
  private final Set<ControlId> thinned = new HashSet<>();
  private long trimmed;
  private Set<TrackId> tracks = Set.of();
  private boolean wholeSong;

  /** A note in the place of another; nothing where they are the same. */
  void change(Note before, Note after) {
    if (after != before && differs(before, after)) {
      changed.add(after);
    }
  }

  /** A note in the place of the one that has its id, which is known to be another. */
  void change(Note after) {
    changed.add(after);
  }

  /** Told apart by hand: a record's own comparison takes far longer for a great many. */
  private static boolean differs(Note before, Note after) {
    return before.onset() != after.onset()
        || before.pitch() != after.pitch()
        || before.velocity() != after.velocity()
        || before.length() != after.length();
  }

  void remove(Note note) {
    gone.add(note);
  }

  void add(Track track, Note note) {
    added.computeIfAbsent(track.id(), t -> new ArrayList<>()).add(note);
  }

  void mark(Note note) {
    marked.add(note);
  }

  void move(ControlPoint before, ControlPoint after) {
    if (after.tick() != before.tick()) {
      moved.add(after);
    }
  }

  void moveAlong(Outcome.Along stretch) {
    along.add(stretch);
  }

  void thin(Collection<ControlPoint> points) {
    points.forEach(p -> thinned.add(p.id()));
  }

  void trim(Set<TrackId> of, long ticks, boolean isWholeSong) {
    trimmed = ticks;
    tracks = of;
    wholeSong = isWholeSong;
  }

  /** What comes of it in the song: no note comes to begin where another of its pitch does. */
  Outcome outcome(Song song) {
    List<Note> free = changed;
    if (trimmed == 0) {
      for (Track track : song.tracks()) {
        free = List.copyOf(NoteEdits.free(track, free));
      }
    }
    return new Outcome(
        free, gone, added, marked, moved, along, thinned, trimmed, tracks, wholeSong);
  }
}
