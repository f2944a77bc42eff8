package flailbeat.core.session.document;

import flailbeat.core.edit.History;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Scope;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.notes.NoteCopies;
import flailbeat.core.journal.JournalEntry;
import flailbeat.core.journal.JournalState;
import flailbeat.core.journal.SavedFile;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.playback.Parts;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** The open song with its history, its file, and what is chosen in it. */
public final class Document {
  private final Changes changes;
  private History<Song> history = new History<>(Song.empty());
  private final JournalLine journal = new JournalLine();
  private Optional<SavedFile> file = Optional.empty();
  private Optional<String> fault = Optional.empty();
  private boolean readOnly;
  private boolean practice;
  private Selection selection = Selection.NONE;
  private TrackId chosenTrack;
  private Optional<ClipId> chosenClip = Optional.empty();

  /** Where it was chosen. */
  private long chosenClipAt;

  private int openings;
  private long nextId = song().nextId();
  private Parts parts = Parts.of(song());
  private UnaryOperator<Song> writtenWith = UnaryOperator.identity();
  private Scope scope;
  private ScopeKey scopeKey;

  public Document(Changes changes) {
    this.changes = changes;
    this.chosenTrack = song().tracks().get(0).id();
    changes.of(this::song);
  }

  public Song song() {
    return history.current();
  }

  /** Which part each track is, as long as it is there. */
  public Parts parts() {
    return parts;
  }

  /** Says what is put into the song as it is written, beside what was edited. */
  public void writeWith(UnaryOperator<Song> change) {
    writtenWith = change;
  }

  /** What happens to the song, for whoever writes it down. */
  public JournalLine journal() {
    return journal;
  }

  /** Chooses who writes down what happens to the song. */
  public void writeDownTo(Journalist journalist) {
    journal.leadTo(journalist, new JournalState(history, file));
  }

  /** Opens another song, with a history that begins with it. */
  public void open(Song song, Optional<SavedFile> from) {
    open(new History<>(song), from);
  }

  /** Opens another song with what was done to it before. */
  public void open(History<Song> before, Optional<SavedFile> from) {
    boolean leftUnsaved = hasUnsavedWork();
    history = new History<>(before);
    Song song = song();
    nextId = history.steps().stream().mapToLong(s -> s.state().nextId()).max().orElseThrow();
    parts = Parts.of(song);
    openings++;
    file = from;
    fault = Optional.empty();
    readOnly = false;
    practice = false;
    selection = Selection.NONE;
    chosenTrack = song.tracks().get(0).id();
    chosenClipAt = 0;
    chosenClip = Optional.empty();
    journal.opened(new JournalState(history, file), leftUnsaved);
    changes.fire(Aspect.SONG, Aspect.CHOICE);
  }

  /** How many songs were opened: another number is another song. */
  public int openings() {
    return openings;
  }

  /** The project file it was read from or last written to. */
  public Optional<Path> file() {
    return file.map(SavedFile::path);
  }

  /** That file as it was when it was read or written. */
  public Optional<SavedFile> savedFile() {
    return file;
  }

  /**
   * Notes that a song now stands in a file; one that was edited since stays unsaved. Nothing where
   * another song was opened while it was written.
   *
   * @param opening which opening it was of, by {@link #openings()} as writing began
   */
  public void saved(SavedFile now, Song written, int opening) {
    if (opening != openings) {
      return;
    }
    file = Optional.of(now);
    fault = Optional.empty();
    readOnly = false;
    practice = false;
    if (written == song()) {
      history.markSaved();
    }
    journal.put(new JournalEntry.Saved(now, written == song()));
    changes.fire(Aspect.SONG);
  }

  /**
   * Notes that the song could not be written, which stays known until it is, or another is opened.
   *
   * @param why what went wrong, as it is told
   * @param opening as for {@link #saved}
   */
  public void notSaved(String why, int opening) {
    if (opening == openings) {
      fault = Optional.of(why);
      changes.fire(Aspect.SONG);
    }
  }

  /** Notes that the song's file is another window's: it is saved under another name. */
  public void setReadOnly() {
    readOnly = true;
    changes.fire(Aspect.SONG);
  }

  /** Whether the song's file is another window's to write. */
  public boolean isReadOnly() {
    return readOnly;
  }

  /** Notes that the song is there to practise on: until it is saved, nobody wants to keep it. */
  public void setPractice() {
    practice = true;
    changes.fire(Aspect.SONG);
  }

  /** Whether the song is there to practise on. */
  public boolean isPractice() {
    return practice;
  }

  /** Why the song could not be written when that was last tried. */
  public Optional<String> fault() {
    return fault;
  }

  /** Notes that the song stands in no file as it is, as after saving what was left of one. */
  public void markUnsaved() {
    history.markUnsaved();
    journal.put(new JournalEntry.Unsaved());
    changes.fire(Aspect.SONG);
  }

  public boolean hasUnsavedWork() {
    return !practice && !history.isSaved();
  }

  /** Carries an edit out as one undo step; does nothing when the song comes back the same. */
  public void edit(String label, UnaryOperator<Song> change) {
    Song before = song();
    Song given = withUnusedIds(before);
    Song changed = change.apply(given);
    if (changed != given && changed != before) {
      nextId = Math.max(nextId, changed.nextId());
      history.push(label, withUnusedIds(changed));
      journal.did(label, before, song());
      afterSongChanged();
    }
  }

  /** Names the song: no step of its own, so what was undone can still be done again. */
  public void name(String title) {
    history.replaceAll(s -> s.withTitle(title));
    journal.put(new JournalEntry.Named(title));
    afterSongChanged();
  }

  /**
   * The song as it is written to a file: it knows which ids were given out, also before an undo.
   */
  public Song toWrite() {
    return writtenWith.apply(withUnusedIds(song()));
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

  public void undo() {
    if (history.undo()) {
      journal.put(new JournalEntry.Undone());
      afterSongChanged();
    }
  }

  public void redo() {
    if (history.redo()) {
      journal.put(new JournalEntry.Redone());
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
      chosenClip = Optional.empty();
      changes.fire(Aspect.CHOICE);
    }
  }

  /**
   * The clip of the chosen track that whole-clip commands work on: the one that was chosen,
   * wherever it lies by now; where there is none any more, the one at that place, else the one
   * before it, else the first.
   */
  public Optional<Clip> clip() {
    List<Clip> clips = track().clips();
    return chosenClip.flatMap(track()::clip).or(() -> near(clips));
  }

  private Optional<Clip> near(List<Clip> clips) {
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
      chosenClip = there.map(Clip::id);
      if (!there.equals(before)) {
        changes.fire(Aspect.CHOICE);
      }
    }
  }

  /** Chooses a clip by its id, and the track that it lies on; nothing where there is none. */
  public void chooseClip(ClipId id) {
    for (Track each : song().tracks()) {
      each.clip(id)
          .ifPresent(
              clip -> {
                chosenTrack = each.id();
                chosenClipAt = clip.start();
                chosenClip = Optional.of(id);
                changes.fire(Aspect.CHOICE);
              });
    }
  }

  /** What is selected, on whatever track. */
  public Selection selection() {
    return selection;
  }

  public void select(Selection value) {
    if (!selection.equals(value)) {
      selection = value;
      changes.fire(Aspect.CHOICE);
    }
  }

  /** Selects the notes that have come since a song, if any have. */
  public void selectAdded(Song before) {
    Set<NoteId> added = NoteCopies.added(before, song());
    if (!added.isEmpty()) {
      select(Selection.ofNotes(added));
    }
  }

  /** Selects the notes of the chosen track that a rule names. */
  public void select(NoteRule rule) {
    select(Selection.of(rule.of(track())));
  }

  /** What commands work on now. */
  public Scope scope() {
    Track track = track();
    Optional<Clip> clip = clip();
    ScopeKey key = new ScopeKey(song(), track.id(), clip.map(Clip::id), selection);
    if (!key.isSameAs(scopeKey)) {
      scope = new Scope(song(), track, clip, selection);
      scopeKey = key;
    }
    return scope;
  }

  /** What a scope was made of. */
  private record ScopeKey(Song song, TrackId track, Optional<ClipId> clip, Selection selection) {
    boolean isSameAs(ScopeKey other) {
      return other != null
          && song == other.song
          && selection == other.selection
          && track.equals(other.track)
          && clip.equals(other.clip);
    }
  }

  /** A selection of what is gone would move nothing: it is trimmed. */
  private void afterSongChanged() {
    parts = parts.following(song());
    selection = selection.aliveIn(song());
    chosenTrack = track().id();
    changes.fire(Aspect.SONG);
  }
}
