package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.IdSet;
import flailbeat.core.model.id.NoteId;
import java.util.Collection;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.LongPredicate;

/**
 * What is selected, by id, on whatever tracks: it outlives edits, undo and quantizing. Immutable.
 */
public record Selection(Set<NoteId> notes, Set<ClipId> clips, Set<ControlId> controls) {
  /** Nothing. */
  public static final Selection NONE = new Selection(Set.of(), Set.of(), Set.of());

  public Selection {
    notes = NoteIds.of(notes);
    clips = Set.copyOf(clips);
    controls = fixed(controls);
  }

  /** A set of the library's own takes far too long to look up in where ids follow one another. */
  private static Set<ControlId> fixed(Set<ControlId> ids) {
    return ids.isEmpty() ? Set.of() : Collections.unmodifiableSet(new HashSet<>(ids));
  }

  /** Notes alone. */
  public static Selection ofNotes(Set<NoteId> ids) {
    return ids.isEmpty() ? NONE : new Selection(ids, Set.of(), Set.of());
  }

  /** Notes alone. */
  public static Selection of(Collection<Note> notes) {
    return ofNotes(NoteIds.ofNotes(notes));
  }

  /** Clips alone. */
  public static Selection ofClips(Set<ClipId> ids) {
    return new Selection(Set.of(), ids, Set.of());
  }

  /** Control points alone. */
  public static Selection ofControls(Set<ControlId> ids) {
    return new Selection(Set.of(), Set.of(), ids);
  }

  /** Whether a note is selected, by the number of its id: for looking at a great many. */
  public LongPredicate noteTest() {
    return NoteIds.test(notes);
  }

  public boolean isEmpty() {
    return notes.isEmpty() && clips.isEmpty() && controls.isEmpty();
  }

  /** All of both. */
  public Selection plus(Selection other) {
    return new Selection(
        NoteIds.union(notes, other.notes),
        union(clips, other.clips),
        union(controls, other.controls));
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
    if (isEmpty() || clips.isEmpty() && controls.isEmpty() && hasAll(song)) {
      return this;
    }
    List<Selection> parts = song.tracks().stream().map(this::on).toList();
    int alive = parts.stream().mapToInt(Selection::size).sum();
    return alive == size() ? this : parts.stream().reduce(NONE, Selection::plus);
  }

  private boolean hasAll(Song song) {
    return song.tracks().stream().mapToInt(t -> NoteEdits.count(t, notes)).sum() == notes.size();
  }

  private int size() {
    return notes.size() + clips.size() + controls.size();
  }

  /** What of it a track has. */
  public Selection on(Track track) {
    Set<ClipId> someClips = new HashSet<>();
    IdSet points = IdSet.ofAny(controls.stream().mapToLong(ControlId::value));
    Set<ControlId> someControls = new HashSet<>();
    for (Clip clip : track.clips()) {
      if (clips.contains(clip.id())) {
        someClips.add(clip.id());
      }
      clip.content().controls().findAll(points).forEach(p -> someControls.add(p.id()));
    }
    Set<NoteId> someNotes = NoteIds.ofNotes(NoteEdits.find(track, notes));
    return new Selection(someNotes, someClips, someControls);
  }
}
