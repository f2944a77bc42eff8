package flailbeat.core.session;

import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.NoteCopies;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteResize;
import flailbeat.core.edit.NoteResize.Edge;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.NoteTools;
import flailbeat.core.edit.Selection;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BiFunction;

/**
 * What commands do to the selected notes, and how others come to be selected. What is cut or copied
 * is kept apart from the system's clipboard: whatever text is there cannot be pasted as notes.
 */
public final class NoteDesk {
  private final Document document;
  private final EditDesk editing;
  private final TransportControl transportControl;
  private final StepDesk steps;
  private final Performer performer;
  private final TimingDesk timing;
  private final Notices notices;
  private Map<TrackId, List<Note>> copied = Map.of();

  NoteDesk(
      Document document,
      EditDesk editing,
      TransportControl transportControl,
      StepDesk steps,
      Performer performer,
      TimingDesk timing,
      Notices notices) {
    this.document = document;
    this.editing = editing;
    this.transportControl = transportControl;
    this.steps = steps;
    this.performer = performer;
    this.timing = timing;
    this.notices = notices;
  }

  private Set<NoteId> selected() {
    return document.scope().selected().notes();
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
    Map<TrackId, List<Note>> found = new LinkedHashMap<>();
    for (Track track : document.song().tracks()) {
      List<Note> notes = NoteEdits.find(track, selected());
      if (!notes.isEmpty()) {
        found.put(track.id(), notes);
      }
    }
    if (found.isEmpty()) {
      notices.tell("Nothing is selected to copy");
      return;
    }
    copied = found;
    notices.tell("Copied " + Notice.notes(count()));
  }

  private int count() {
    return copied.values().stream().mapToInt(List::size).sum();
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
   * came from, or onto the chosen one where it came from a single one.
   */
  public void paste() {
    pasteAt(
        performer.keysMode() == KeysMode.STEPS
            ? steps.place().cursorTick()
            : transportControl.playStartTicks());
  }

  /** Puts what was copied at a tick. */
  public void pasteAt(long to) {
    if (copied.isEmpty()) {
      notices.tell("Nothing was copied to paste");
      return;
    }
    long first = copied.values().stream().mapToLong(n -> n.getFirst().onset()).min().orElseThrow();
    long last =
        copied.values().stream().flatMap(List::stream).mapToLong(Note::end).max().orElseThrow();
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
    for (Map.Entry<TrackId, List<Note>> each : copied.entrySet()) {
      boolean known = song.track(each.getKey()).isPresent() && copied.size() > 1;
      TrackId to = known ? each.getKey() : document.track().id();
      List<Note> moved = each.getValue().stream().map(n -> n.shifted(later)).toList();
      result = EnteredNotes.place(result, to, moved);
    }
    return result;
  }

  /** Lays a copy of the selected notes right behind them, whole beats later. */
  public void duplicate() {
    List<Note> notes = selectedNotes();
    if (notes.isEmpty()) {
      notices.tell("Nothing is selected to lay behind itself");
      return;
    }
    TickRange range = NoteTools.range(notes);
    MeterMap meters = document.song().meters();
    long beat = meters.meterAt(range.start()).ticksPerBeat();
    long later = Math.ceilDiv(range.length(), beat) * beat;
    Song before = document.song();
    editing.carryOut(new NoteCopies(selected(), later, 0, 1));
    document.selectAdded(before);
  }

  /** Makes the selected notes longer (1) or shorter (-1) by a step of the grid. */
  public void lengthen(int steps) {
    List<Note> notes = selectedNotes();
    if (notes.isEmpty()) {
      return;
    }
    Note at = notes.getFirst();
    GridLines lines = timing.lines();
    long line = lines.atOrBefore(at.onset());
    long by = steps * (lines.after(line) - line);
    editing.carryOut(
        NoteResize.of(document.song(), selected(), Edge.END, NoteResize.Together.AMOUNT, at)
            .by(by));
  }

  /** Does something to the selected notes, as one undo step; says so where nothing changed. */
  public void apply(String label, BiFunction<Song, Set<NoteId>, Song> tool) {
    Song before = document.song();
    Set<NoteId> ids = selected();
    if (ids.isEmpty()) {
      notices.tell("Nothing is selected");
      return;
    }
    editing.edit(label, s -> tool.apply(s, ids));
    if (document.song() == before) {
      notices.tell(label + ": nothing changed");
    }
  }

  /** Cuts the selected notes where playing starts or, at Steps, at the cursor. */
  public void splitAtPlace() {
    long at =
        performer.keysMode() == KeysMode.STEPS
            ? steps.place().cursorTick()
            : transportControl.positionTicks();
    splitAt(at);
  }

  /** Cuts the selected notes at a tick. */
  public void splitAt(long tick) {
    apply("Split notes", (s, ids) -> NoteTools.splitAt(s, ids, tick));
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
        (s, ids) -> NoteTools.moveDegrees(s, ids, performer.tonic(), performer.scale(), degrees));
  }

  /** Selects nothing. */
  public void selectNone() {
    document.select(Selection.NONE);
  }

  /** Selects what is not selected on the chosen track, and no longer what is. */
  public void invert() {
    document.select(new NoteRule.Not(new NoteRule.Named(selected())));
    tellSelected();
  }

  /** Selects what begins where playing starts or later (1), or before (-1). */
  public void selectFrom(int direction) {
    long at = transportControl.playStartTicks();
    TickRange range =
        direction > 0 ? new TickRange(at, Math.max(at, Ticks.LAST)) : new TickRange(0, at);
    document.select(Selection.of(document.track().notesBeginningIn(range)));
    tellSelected();
  }

  /** Selects every note of the track whose pitch has one of the selected names, in any octave. */
  public void selectSameNames() {
    List<Integer> names = selectedNotes().stream().map(n -> n.pitch() % 12).distinct().toList();
    List<Note> found = new ArrayList<>();
    document.track().notes().stream()
        .filter(n -> names.contains(n.pitch() % 12))
        .forEach(found::add);
    document.select(Selection.of(found));
    tellSelected();
  }

  /** Of notes that begin together, keeps the highest (1) or the lowest (-1) selected. */
  public void selectOuter(int direction) {
    TreeMap<Long, Note> outer = new TreeMap<>();
    for (Note note : document.scope().notes()) {
      outer.merge(note.onset(), note, (a, b) -> (a.pitch() - b.pitch()) * direction >= 0 ? a : b);
    }
    document.select(Selection.of(outer.values()));
    tellSelected();
  }

  private void tellSelected() {
    notices.tell("Selected " + Notice.notes(document.selection().notes().size()));
  }

  /**
   * Goes to the next note (1) or the one before (-1) on the chosen track.
   *
   * @param extendsSelection whether those selected so far stay selected
   */
  public void step(int direction, boolean extendsSelection) {
    List<Note> all = document.track().notes();
    if (all.isEmpty()) {
      return;
    }
    List<Note> now = NoteEdits.find(document.track(), selected());
    int next = 0;
    if (!now.isEmpty()) {
      Note from = direction > 0 ? now.getLast() : now.getFirst();
      next = Math.clamp(all.indexOf(from) + direction, 0, all.size() - 1);
    }
    Selection one = Selection.of(List.of(all.get(next)));
    document.select(extendsSelection ? document.selection().plus(one) : one);
  }
}
