package flailbeat.core.session.bench;

import flailbeat.core.edit.Chords;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.model.Note;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.session.timing.QuantizePreview;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/**
 * How notes come to be selected by commands. What narrows a choice down (softer than, every n-th,
 * the highest of each chord) does so among the selected notes where several are, else on the track.
 */
public final class SelectActions {
  private static final long NANOS_PER_MILLI = 1_000_000;

  private final Document document;
  private final RunControl runControl;
  private final QuantizePreview timing;
  private final Notices notices;

  public SelectActions(
      Document document, RunControl runControl, QuantizePreview timing, Notices notices) {
    this.document = document;
    this.runControl = runControl;
    this.timing = timing;
    this.notices = notices;
  }

  private Set<NoteId> selected() {
    return document.scope().selected().notes();
  }

  private List<Note> selectedNotes() {
    return NoteEdits.find(document.track(), selected());
  }

  private List<Note> among() {
    List<Note> chosen = selectedNotes();
    return chosen.size() > 1 ? chosen : document.track().notes();
  }

  private void selectOf(List<Note> all, List<Note> found) {
    document.select(Selection.of(found));
    notices.tell("Selected " + found.size() + " of " + Notice.notes(all.size()));
  }

  private void narrow(NoteRule rule) {
    List<Note> all = among();
    selectOf(all, all.stream().filter(rule::names).toList());
  }

  private void selectOnTrack(NoteRule rule) {
    List<Note> all = document.track().notes();
    selectOf(all, all.stream().filter(rule::names).toList());
  }

  /** Nothing. */
  public void none() {
    document.select(Selection.NONE);
  }

  /** What is not selected on the chosen track, and no longer what is. */
  public void others() {
    selectOnTrack(new NoteRule.Not(new NoteRule.Named(selected())));
  }

  /** What begins where playing starts or later (1), or before (-1). */
  public void from(int direction) {
    long at = runControl.playStartTicks();
    TickRange range =
        direction > 0 ? new TickRange(at, Math.max(at, Ticks.LAST)) : new TickRange(0, at);
    selectOf(document.track().notes(), document.track().notesBeginningIn(range));
  }

  /** Every note of the track whose pitch has one of the selected names, in any octave. */
  public void sameNames() {
    List<Integer> names = selectedNotes().stream().map(n -> n.pitch() % 12).distinct().toList();
    List<Note> all = document.track().notes();
    selectOf(all, all.stream().filter(n -> names.contains(n.pitch() % 12)).toList());
  }

  /** Every note of the track that is like the first of those selected. */
  public void like() {
    selectedNotes().stream()
        .findFirst()
        .ifPresentOrElse(
            note -> selectOnTrack(new NoteRule.Like(note)),
            () -> notices.tell("Select a note first, to find those like it"));
  }

  /** The highest of each chord. */
  public void highest() {
    ofChords(c -> List.of(c.getLast()));
  }

  /** The lowest of each chord. */
  public void lowest() {
    ofChords(c -> List.of(c.getFirst()));
  }

  /** What lies between the lowest and the highest of each chord. */
  public void middle() {
    ofChords(c -> c.size() < 3 ? List.of() : c.subList(1, c.size() - 1));
  }

  private void ofChords(Function<List<Note>, List<Note>> which) {
    List<Note> all = among();
    selectOf(
        all,
        Chords.of(all, document.song().tempos()).stream()
            .flatMap(c -> which.apply(c).stream())
            .toList());
  }

  /** What is struck more softly than a velocity. */
  public void softer(int velocity) {
    narrow(new NoteRule.Softer(velocity));
  }

  /** What lasts less than so many milliseconds. */
  public void shorter(int millis) {
    narrow(new NoteRule.Shorter(millis * NANOS_PER_MILLI, tempos()));
  }

  /** What begins farther than so many milliseconds from the lines. */
  public void offLines(int millis) {
    narrow(new NoteRule.OffLines(millis * NANOS_PER_MILLI, timing.lines(), tempos()));
  }

  /** What begins within so many milliseconds of a line. */
  public void onLines(int millis) {
    narrow(
        new NoteRule.Not(
            new NoteRule.OffLines(millis * NANOS_PER_MILLI, timing.lines(), tempos())));
  }

  private TempoMap tempos() {
    return document.song().tempos();
  }

  /** One note in so many, from the first on. */
  public void oneIn(int count) {
    List<Note> all = among();
    List<Note> found = new ArrayList<>();
    for (int i = 0; i < all.size(); i += count) {
      found.add(all.get(i));
    }
    selectOf(all, found);
  }

  /**
   * All notes of the track of some pitches.
   *
   * @param adds whether what was selected before stays so
   */
  public void pitches(Set<Integer> pitches, boolean adds) {
    Selection found = Selection.of(new NoteRule.OfPitches(pitches).of(document.track()));
    document.select(adds ? document.selection().plus(found) : found);
  }

  /** Takes a pitch out of the selection or, where none of it is selected, adds all of it. */
  public void togglePitch(int pitch) {
    List<Note> row = new NoteRule.OfPitches(Set.of(pitch)).of(document.track());
    Set<NoteId> now = new HashSet<>(document.selection().notes());
    boolean any = row.stream().anyMatch(n -> now.contains(n.id()));
    row.forEach(n -> change(now, n.id(), !any));
    document.select(
        new Selection(now, document.selection().clips(), document.selection().controls()));
  }

  private static void change(Set<NoteId> ids, NoteId id, boolean in) {
    if (in) {
      ids.add(id);
    } else {
      ids.remove(id);
    }
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
    List<Note> now = selectedNotes();
    int next = 0;
    if (!now.isEmpty()) {
      Note from = direction > 0 ? now.getLast() : now.getFirst();
      next = Math.clamp(all.indexOf(from) + direction, 0, all.size() - 1);
    }
    Selection one = Selection.of(List.of(all.get(next)));
    document.select(extendsSelection ? document.selection().plus(one) : one);
    notices.tell(new NoteWords(document.song(), timing.lines()).of(all.get(next)));
  }
}
