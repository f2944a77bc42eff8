package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What a command works on: the selection, if any of its notes is on the chosen track, with all that
 * is selected on others; else the chosen clip; else the chosen track.
 */
public final class Scope {
  /** How it came about. */
  public enum Kind {
    SELECTION,
    CLIP,
    TRACK
  }

  private final Song song;
  private final Track track;
  private final Optional<Clip> clip;
  private final Selection selection;
  private volatile Found found;

  /** What is in it. */
  private record Found(Kind kind, List<Note> notes, List<Track> tracks) {}

  /**
   * The scope in a song. What is in it is looked for when it is first asked for, by whatever
   * thread.
   *
   * @param track the chosen one
   * @param clip the chosen one, on that track
   */
  public Scope(Song song, Track track, Optional<Clip> clip, Selection selection) {
    this.song = song;
    this.track = track;
    this.clip = clip;
    this.selection = selection;
  }

  private Found found() {
    Found now = found;
    if (now == null) {
      now = find();
      found = now;
    }
    return now;
  }

  private Found find() {
    List<Note> selected = NoteEdits.find(track, selection.notes());
    if (!selected.isEmpty()) {
      return new Found(Kind.SELECTION, selected, touched());
    }
    return new Found(
        clip.isPresent() ? Kind.CLIP : Kind.TRACK,
        clip.map(track.links()::leader).map(c -> c.placed().notes()).orElseGet(track::notes),
        List.of(track));
  }

  private List<Track> touched() {
    List<Track> result = new ArrayList<>();
    for (Track each : song.tracks()) {
      if (each == track || NoteEdits.count(each, selection.notes()) > 0) {
        result.add(each);
      }
    }
    return List.copyOf(result);
  }

  public Kind kind() {
    return found().kind();
  }

  /** The notes of the chosen track that are in it, in song time and in order. */
  public List<Note> notes() {
    return found().notes();
  }

  /** The tracks that it reaches onto, in the song's order. */
  public List<Track> tracks() {
    return found().tracks();
  }

  /** The notes of one of its tracks that are in it, in song time and in order. */
  public List<Note> notesOf(Track each) {
    return each == track ? notes() : NoteEdits.find(each, selection.notes());
  }

  /** The other notes of one of its tracks. */
  public List<Note> othersOf(Track each) {
    Set<NoteId> inside = ids(notesOf(each));
    return inside.size() == each.noteCount()
        ? List.of()
        : each.notes().stream().filter(n -> !inside.contains(n.id())).toList();
  }

  /** The ids of the notes of the chosen track that are in it. */
  public Set<NoteId> ids() {
    return ids(notes());
  }

  /** The selection, if any of it is on the chosen track: a command means nothing out of sight. */
  public Selection selected() {
    boolean inSight = kind() == Kind.SELECTION || !selection.on(track).isEmpty();
    return inSight ? selection : Selection.NONE;
  }

  /** What a command changes: all that is selected, else what is in it of the chosen track. */
  public Set<NoteId> meant() {
    Set<NoteId> chosen = selected().notes();
    return chosen.isEmpty() ? ids() : chosen;
  }

  private static Set<NoteId> ids(List<Note> notes) {
    return NoteIds.ofNotes(notes);
  }
}
