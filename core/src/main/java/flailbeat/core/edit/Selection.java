package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipId;
import flailbeat.core.model.ControlId;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import java.util.Collection;
import java.util.Collections;
import java.util.HashSet;
import java.util.Set;

/**
 * What is selected, by id, on whatever tracks: it outlives edits, undo and quantizing. Immutable.
 */
public record Selection(Set<NoteId> notes, Set<ClipId> clips, Set<ControlId> controls) {
  /** Nothing. */
  public static final Selection NONE = new Selection(Set.of(), Set.of(), Set.of());

  public Selection {
    notes = copy(notes);
    clips = copy(clips);
    controls = copy(controls);
  }

  /** A view of a hash set: an immutable set of consecutive ids is slow to look things up in. */
  private static <T> Set<T> copy(Set<T> set) {
    return set.isEmpty() ? Set.of() : Collections.unmodifiableSet(new HashSet<>(set));
  }

  /** Notes alone. */
  public static Selection ofNotes(Set<NoteId> ids) {
    return ids.isEmpty() ? NONE : new Selection(ids, Set.of(), Set.of());
  }

  /** Notes alone. */
  public static Selection of(Collection<Note> notes) {
    Set<NoteId> ids = HashSet.newHashSet(notes.size());
    notes.forEach(n -> ids.add(n.id()));
    return ofNotes(ids);
  }

  /** Clips alone. */
  public static Selection ofClips(Set<ClipId> ids) {
    return new Selection(Set.of(), ids, Set.of());
  }

  /** Control points alone. */
  public static Selection ofControls(Set<ControlId> ids) {
    return new Selection(Set.of(), Set.of(), ids);
  }

  public boolean isEmpty() {
    return notes.isEmpty() && clips.isEmpty() && controls.isEmpty();
  }

  /** All of both. */
  public Selection plus(Selection other) {
    return new Selection(
        union(notes, other.notes), union(clips, other.clips), union(controls, other.controls));
  }

  private static <T> Set<T> union(Set<T> a, Set<T> b) {
    Set<T> all = new HashSet<>(a);
    all.addAll(b);
    return all;
  }

  /** The same with a note more or, where it was selected, without it. */
  public Selection toggled(NoteId id) {
    Set<NoteId> changed = new HashSet<>(notes);
    if (!changed.remove(id)) {
      changed.add(id);
    }
    return new Selection(changed, clips, controls);
  }

  /** What of it a song has; this very selection when that is all. */
  public Selection aliveIn(Song song) {
    if (isEmpty()) {
      return this;
    }
    Selection alive = NONE;
    for (Track track : song.tracks()) {
      alive = alive.plus(on(track));
    }
    return alive.equals(this) ? this : alive;
  }

  /** What of it a track has. */
  public Selection on(Track track) {
    Set<ClipId> someClips = new HashSet<>();
    Set<ControlId> someControls = new HashSet<>();
    for (Clip clip : track.clips()) {
      if (clips.contains(clip.id())) {
        someClips.add(clip.id());
      }
      for (ControlId id : controls) {
        clip.content()
            .controls()
            .find(id.value())
            .map(ControlPoint::id)
            .ifPresent(someControls::add);
      }
    }
    Set<NoteId> someNotes = new HashSet<>();
    NoteEdits.find(track, notes).forEach(n -> someNotes.add(n.id()));
    return new Selection(someNotes, someClips, someControls);
  }
}
