package flailbeat.core.session;

import flailbeat.core.edit.History;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import java.nio.file.Path;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** The open song with its history, its file, and what is chosen in it. */
public final class Document {
  private final Changes changes;
  private History<Song> history = new History<>(Song.empty());
  private Optional<Path> file = Optional.empty();
  private Set<NoteId> selection = Set.of();
  private TrackId chosenTrack;
  private long chosenClipAt;
  private int openings;
  private long nextId = song().nextId();

  Document(Changes changes) {
    this.changes = changes;
    this.chosenTrack = song().tracks().get(0).id();
  }

  public Song song() {
    return history.current();
  }

  /** Opens another song, with a history of its own. */
  public void open(Song song, Optional<Path> from) {
    history = new History<>(song);
    nextId = song.nextId();
    openings++;
    file = from;
    selection = Set.of();
    chosenTrack = song.tracks().get(0).id();
    chosenClipAt = 0;
    changes.fire(Aspect.SONG);
    changes.fire(Aspect.CHOICE);
  }

  /** How many songs were opened: another number is another song. */
  public int openings() {
    return openings;
  }

  /** The project file it was read from or last written to. */
  public Optional<Path> file() {
    return file;
  }

  /** Notes that this song now stands in a file; one that was edited since stays unsaved. */
  public void saved(Path path, Song written) {
    file = Optional.of(path);
    if (written == song()) {
      history.markSaved();
    }
    changes.fire(Aspect.SONG);
  }

  /** Notes that the song stands in no file as it is, as after saving what was left of one. */
  public void markUnsaved() {
    history.markUnsaved();
    changes.fire(Aspect.SONG);
  }

  public boolean hasUnsavedWork() {
    return !history.isSaved();
  }

  /** Carries an edit out as one undo step; does nothing when the song comes back the same. */
  public void edit(String label, UnaryOperator<Song> change) {
    Song before = song();
    Song given = withUnusedIds(before);
    Song changed = change.apply(given);
    if (changed != given && changed != before) {
      nextId = Math.max(nextId, changed.nextId());
      history.push(label, withUnusedIds(changed));
      afterSongChanged();
    }
  }

  /**
   * The song as it is written to a file: it knows which ids were given out, also before an undo.
   */
  public Song toWrite() {
    return withUnusedIds(song());
  }

  /** No id is ever given out twice, though the edit that gave it out was undone. */
  private Song withUnusedIds(Song song) {
    return song.nextId() == nextId ? song : song.withNextId(nextId);
  }

  public Optional<String> undoLabel() {
    return history.undoLabel();
  }

  public Optional<String> redoLabel() {
    return history.redoLabel();
  }

  void undo() {
    if (history.undo()) {
      afterSongChanged();
    }
  }

  void redo() {
    if (history.redo()) {
      afterSongChanged();
    }
  }

  /** The track that is shown, played and recorded onto. */
  public Track track() {
    return song().track(chosenTrack).orElse(song().tracks().get(0));
  }

  public void chooseTrack(TrackId id) {
    if (!id.equals(chosenTrack) && song().track(id).isPresent()) {
      chosenTrack = id;
      chosenClipAt = 0;
      selection = Set.of();
      changes.fire(Aspect.CHOICE);
    }
  }

  /**
   * The clip of the chosen track that whole-clip commands work on: the one at the place that was
   * chosen or, where there is none any more, the one before it, else the first.
   */
  public Optional<Clip> clip() {
    List<Clip> clips = track().clips();
    return clips.reversed().stream()
        .filter(c -> c.start() <= chosenClipAt)
        .findFirst()
        .or(() -> clips.stream().findFirst());
  }

  /** Chooses the clip of the chosen track that lies at a tick, if one does. */
  public void chooseClipAt(long tick) {
    Optional<Clip> before = clip();
    Optional<Clip> there = track().clips().stream().filter(c -> c.contains(tick)).findFirst();
    if (there.isPresent()) {
      chosenClipAt = tick;
      if (!there.equals(before)) {
        changes.fire(Aspect.CHOICE);
      }
    }
  }

  /** The notes that are selected, by name. */
  public Set<NoteId> selection() {
    return selection;
  }

  public void select(Set<NoteId> ids) {
    if (!selection.equals(ids)) {
      selection = Collections.unmodifiableSet(new HashSet<>(ids));
      changes.fire(Aspect.CHOICE);
    }
  }

  /** Selects the notes of the chosen track. */
  public void selectAll() {
    select(track().notes().stream().map(Note::id).collect(Collectors.toSet()));
  }

  /** The selected notes of the chosen track or, when there are none, those of the chosen clip. */
  public List<Note> notesInHand() {
    if (!selection.isEmpty()) {
      return NoteEdits.find(track(), selection);
    }
    return clip().map(c -> c.placed().notes()).orElse(List.of());
  }

  /** A selection of notes that are gone would move nothing: it is trimmed. */
  private void afterSongChanged() {
    if (!selection.isEmpty()) {
      Set<NoteId> alive =
          NoteEdits.find(song(), selection).stream().map(Note::id).collect(Collectors.toSet());
      selection = alive.size() == selection.size() ? selection : alive;
    }
    chosenTrack = track().id();
    changes.fire(Aspect.SONG);
  }
}
