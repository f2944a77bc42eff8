package flailbeat.core.session.bench;

import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.notes.MoveStep;
import flailbeat.core.edit.notes.NoteCopies;
import flailbeat.core.edit.notes.NoteMove;
import flailbeat.core.edit.notes.NoteResize;
import flailbeat.core.edit.notes.NoteResize.Edge;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.roll.NoteStart;
import flailbeat.core.model.roll.RollTraits;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.pitch.Key;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.session.timing.QuantizePreview;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;

/**
 * What commands do to the selected notes. What is cut or copied is kept apart from the system's
 * clipboard: whatever text is there cannot be pasted as notes.
 */
public final class NoteActions {
  private static final String NOTHING = "There are no notes here yet";

  private final Document document;
  private final EditActions editing;
  private final RunControl runControl;
  private final StepEntry steps;
  private final Performer performer;
  private final QuantizePreview timing;
  private final MouseDrawing drawing;
  private final Notices notices;
  private List<Copied> copied = List.of();
  private int copiedIn;

  public NoteActions(
      Document document,
      EditActions editing,
      RunControl runControl,
      StepEntry steps,
      Performer performer,
      QuantizePreview timing,
      MouseDrawing drawing,
      Notices notices) {
    this.document = document;
    this.editing = editing;
    this.runControl = runControl;
    this.steps = steps;
    this.performer = performer;
    this.timing = timing;
    this.drawing = drawing;
    this.notices = notices;
  }

  private Set<NoteId> selected() {
    return document.scope().selected().notes();
  }

  /** What a command changes: the selection, else the clip, else the track. */
  private Set<NoteId> inScope() {
    return document.scope().meant();
  }

  private List<Note> notesInScope() {
    return NoteEdits.find(document.song(), inScope());
  }

  private List<Note> selectedNotes() {
    return NoteEdits.find(document.song(), selected());
  }

  /** Whether there is anything to paste. */
  public boolean canPaste() {
    return !copied.isEmpty();
  }

  /** Keeps the selected notes, to be pasted. */
  public void copy() {
    List<Copied> found = new ArrayList<>();
    for (Track track : document.song().tracks()) {
      List<Note> notes = NoteEdits.find(track, selected());
      if (!notes.isEmpty()) {
        found.add(Copied.of(track, notes));
      }
    }
    if (found.isEmpty()) {
      notices.tell("Nothing is selected to copy");
      return;
    }
    copied = found;
    copiedIn = document.openings();
    notices.tell("Copied " + Notice.notes(count()));
  }

  private int count() {
    return copied.stream().mapToInt(c -> c.notes().size()).sum();
  }

  /** Copies the selected notes and takes them away. */
  public void cut() {
    Set<NoteId> gone = selected();
    if (gone.isEmpty()) {
      notices.tell("Nothing is selected to cut");
      return;
    }
    copy();
    editing.edit("Cut " + Notice.notes(gone.size()), s -> NoteEdits.delete(s, gone));
  }

  /**
   * Puts what was copied where playing starts or, at Steps, at the cursor: onto the tracks that it
   * came from, or onto the chosen one where it came from a single one. In another song those are
   * the tracks of the same name and sound; one that is not there is added.
   */
  public void paste() {
    pasteAt(
        performer.keysMode() == KeysMode.STEPS
            ? steps.place().cursorTick()
            : runControl.playStartTicks());
  }

  /** Puts what was copied at a tick. */
  public void pasteAt(long to) {
    if (copied.isEmpty()) {
      notices.tell("Nothing was copied to paste");
      return;
    }
    long first = copied.stream().mapToLong(c -> c.notes().getFirst().onset()).min().orElseThrow();
    long last =
        copied.stream().flatMap(c -> c.notes().stream()).mapToLong(Note::end).max().orElseThrow();
    if (to + last - first > Ticks.LAST) {
      notices.warn("There is no room for them before the end of the song");
      return;
    }
    Song before = document.song();
    editing.edit("Paste " + Notice.notes(count()), s -> pasted(s, to - first));
    if (document.song() != before) {
      document.selectAdded(before);
      notices.tell(
          "Pasted " + Notice.notes(count()) + " at " + document.song().meters().positionAt(to));
    }
  }

  private Song pasted(Song song, long later) {
    Song result = song;
    for (Copied each : copied) {
      Song with = withTargetOf(result, each);
      result = EnteredNotes.place(with, targetIn(with, each).orElseThrow(), each.later(later));
    }
    return result;
  }

  /** Where notes go: in another song tracks are known by what they are called and play. */
  private Optional<TrackId> targetIn(Song song, Copied notes) {
    if (copied.size() == 1) {
      return Optional.of(document.track().id());
    }
    boolean sameSong = copiedIn == document.openings();
    return song.tracks().stream()
        .filter(t -> sameSong ? t.id().equals(notes.track()) : notes.isOf(t))
        .map(Track::id)
        .findFirst();
  }

  /** A track that is not there is added. */
  private Song withTargetOf(Song song, Copied notes) {
    return targetIn(song, notes).isPresent()
        ? song
        : SongEdits.addTrack(song, notes.name(), notes.instrument());
  }

  /** Notes that were copied, and what is told of the track that they come from. */
  private record Copied(TrackId track, String name, Instrument instrument, List<Note> notes) {
    static Copied of(Track track, List<Note> notes) {
      return new Copied(track.id(), track.name(), track.instrument(), notes);
    }

    boolean isOf(Track other) {
      return other.name().equals(name) && other.instrument().equals(instrument);
    }

    List<Note> later(long ticks) {
      return notes.stream().map(n -> n.shifted(ticks)).toList();
    }
  }

  /** Lays a copy of the selected notes right behind them, whole beats later. */
  public void duplicate() {
    repeat(1);
  }

  /** Lays copies of the selected notes right behind one another, each whole beats later. */
  public void repeat(int times) {
    List<Note> notes = selectedNotes();
    if (notes.isEmpty()) {
      notices.tell("Nothing is selected to lay behind itself");
      return;
    }
    Song before = document.song();
    editing.carryOut(NoteCopies.behind(before, selected(), times));
    int laid = NoteCopies.added(before, document.song()).size() / notes.size();
    document.selectAdded(before);
    if (laid < times && document.song() != before) {
      notices.warn("There was room for " + laid + " of " + times + " copies");
    }
  }

  /** Moves the selected notes by as many steps as were set, and semitones. */
  public void move(int steps, int semitones) {
    if (selected().isEmpty()) {
      notices.tell("Nothing is selected to move");
      return;
    }
    NoteMove move =
        NoteMove.by(
            document.song(), selected(), timing.lines(), drawing.kept().step(), steps, semitones);
    editing.carryOut(move);
  }

  /** Keys move notes by the step after the one that they do (1), or the one before (-1). */
  public void nextMoveStep(int by) {
    MoveStep[] all = MoveStep.values();
    MoveStep next = all[Math.clamp(drawing.kept().step().ordinal() + by, 0, all.length - 1)];
    drawing.set(drawing.kept().withStep(next));
    notices.tell("Keys move notes by " + next.words());
  }

  /** Makes the selected notes longer (1) or shorter (-1) by a step of the grid. */
  public void lengthen(int steps) {
    List<Note> notes = notesInScope();
    if (notes.isEmpty()) {
      notices.tell(NOTHING);
      return;
    }
    Note at = notes.getFirst();
    GridLines lines = timing.lines();
    long line = lines.atOrBefore(at.onset());
    long by = steps * (lines.after(line) - line);
    editing.carryOut(
        NoteResize.of(document.song(), inScope(), Edge.END, NoteResize.Together.AMOUNT, at).by(by));
  }

  /**
   * Does something to the notes in scope, as one undo step; says so where nothing changed. Parts
   * that selected notes fall into are selected with them.
   */
  public void apply(String label, BiFunction<Song, Set<NoteId>, Song> tool) {
    Song before = document.song();
    Set<NoteId> ids = inScope();
    if (ids.isEmpty()) {
      notices.tell(NOTHING);
      return;
    }
    boolean wasSelected = !selected().isEmpty();
    editing.edit(label, s -> tool.apply(s, ids));
    if (document.song() == before) {
      notices.tell(label + ": nothing changed");
    }
    Set<NoteId> more = NoteCopies.added(before, document.song());
    if (!more.isEmpty() && wasSelected) {
      document.select(document.selection().plus(Selection.ofNotes(more)));
    }
  }

  /** Cuts the selected notes where playing starts or, at Steps, at the cursor. */
  public void splitAtPlace() {
    long at =
        performer.keysMode() == KeysMode.STEPS
            ? steps.place().cursorTick()
            : runControl.positionTicks();
    splitAt(at);
  }

  /** Cuts the selected notes at a tick. */
  public void splitAt(long tick) {
    apply("Split notes", (s, ids) -> NoteTools.splitAt(s, ids, tick));
  }

  /** Cuts the selected notes into parts as long as from the start of the one at a tick to there. */
  public void splitAlike(long tick) {
    Optional<Note> cut =
        selectedNotes().stream().filter(n -> n.onset() < tick && tick < n.end()).findFirst();
    if (cut.isEmpty()) {
      notices.tell("Point at a place within one of the selected notes");
      return;
    }
    long length = Math.max(NoteResize.SHORTEST, tick - cut.get().onset());
    apply("Split notes alike", (s, ids) -> NoteTools.splitAlike(s, ids, length));
  }

  /** Makes all selected notes as long as the step of the grid that each begins in. */
  public void setLengthToLines() {
    GridLines lines = timing.lines();
    apply(
        "Notes a step of the grid long",
        (s, ids) -> NoteEdits.change(s, ids, n -> n.resized(stepAt(lines, n.onset()))));
  }

  private static long stepAt(GridLines lines, long tick) {
    long line = lines.nearest(tick);
    return lines.after(line) - line;
  }

  /** Makes all selected notes so many ticks long. */
  public void setLength(int ticks) {
    apply("Notes " + ticks + " ticks long", (s, ids) -> NoteTools.setLength(s, ids, ticks));
  }

  /** Moves the selected notes by semitones, as far as there is room for all of them. */
  public void transpose(int semitones) {
    if (inScope().isEmpty()) {
      notices.tell(NOTHING);
      return;
    }
    editing.carryOut(new NoteMove(inScope(), 0, semitones));
  }

  /** Takes the selected notes from the key under the hands into another. */
  public void intoKey(Key to) {
    Key from = performer.key();
    String label = "From " + from + " into " + to;
    apply(label, (s, ids) -> NoteTools.intoKey(s, ids, from, to));
    long between = notesInScope().stream().filter(n -> !to.has(n.pitch())).count();
    if (document.undoLabel().equals(Optional.of(label))) {
      notices.tell(
          label
              + ": "
              + Notice.notes(inScope().size())
              + (between == 0 ? "" : "; " + between + " lie between its degrees, as before"));
    }
  }

  /** What new notes on the chosen track start from is taken from the first selected note. */
  public void startLikeSelected() {
    Optional<Note> like = NoteEdits.find(document.track(), selected()).stream().findFirst();
    if (like.isEmpty()) {
      notices.tell("Select the note that new ones shall be like");
      return;
    }
    NoteStart start = new NoteStart(like.get().length(), like.get().velocity());
    TrackId track = document.track().id();
    drawing.set(drawing.kept().withStart(MouseDrawing.Start.TRACK));
    editing.edit(
        "New notes of " + document.track().name(),
        s ->
            s.withTrack(
                track, t -> t.withRoll(new RollTraits(Optional.of(start), t.roll().rows()))));
    notices.tell(
        "New notes on "
            + document.track().name()
            + ": "
            + start.length()
            + " ticks, velocity "
            + start.velocity());
  }

  /** Cuts the selected notes at every line of the grid. */
  public void splitAtLines() {
    GridLines lines = timing.lines();
    apply("Split notes at the lines", (s, ids) -> NoteTools.splitAtLines(s, ids, lines));
  }

  /** Moves the selected notes by degrees of the scale that is chosen under the hands. */
  public void moveDegrees(int degrees) {
    apply(
        degrees > 0 ? "Up a degree" : "Down a degree",
        (s, ids) -> NoteTools.moveDegrees(s, ids, performer.key(), degrees));
  }
}
