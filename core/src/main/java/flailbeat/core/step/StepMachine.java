package flailbeat.core.step;

import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Note;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.apache.commons.numbers.fraction.BigFraction;

/**
 * What each key does in step entry: one set of rules, all at once.
 *
 * <ul>
 *   <li>Keys down together are a chord. It is entered with the current length as the last of them
 *       comes up; or at once, by <em>advance</em> or a length key, while they are held.
 *   <li>Entered and still held, it becomes longer by <em>advance</em>, shorter by <em>back</em> and
 *       is removed at nothing; dot, triplet, shorter and longer change it; a length key enters it
 *       again.
 *   <li>With nothing held, <em>advance</em> is a rest, <em>back</em> goes back over the last step,
 *       and lengths are for what comes next.
 *   <li>Where keys find first, they only sound until advance or a length key enters what is down.
 *   <li>Where pitches go onto a rhythm, a chord gives its pitches to the notes of the next onset.
 * </ul>
 *
 * <p>The cursor is exact, so that no number of triplets drifts from the bar; notes stand at the
 * tick nearest to it. A key costs O(log n) and what the change of a clip costs.
 */
public final class StepMachine {
  private final StepState state;
  private final StepAround around;
  private final StepSettings settings;
  private final StepPlace place;
  private final Hold hold;

  /** Between one key and the next. */
  public StepMachine(StepState state, StepAround around) {
    this.state = state;
    this.around = around;
    settings = state.settings();
    place = state.place();
    hold = state.hold();
  }

  /** A note key goes down. */
  public StepState press(int pitch, int velocity) {
    return state.with(hold.with(new Struck(pitch, velocity), around.chosen().id()));
  }

  /** A note key comes up. */
  public StepResult release(int pitch) {
    Hold left = hold.without(pitch);
    if (left.isHeld()) {
      return StepResult.of(state.with(left));
    }
    List<Struck> waiting = left.freshNotes();
    return settings.findsFirst() || waiting.isEmpty()
        ? StepResult.of(state.with(left.entered()))
        : enterNext(waiting, left.entered());
  }

  /** Enters what is held, makes it longer, or rests. */
  public StepResult advance() {
    if (state.isOpen()) {
      Step last = place.last().orElseThrow();
      return lengthened(last, last.length().add(settings.length().ticks()), last.value());
    }
    if (hold.isHeld() && !(settings.ontoRhythm() && hold.fresh().isEmpty())) {
      return enterNext(settings.findsFirst() ? hold.downNotes() : hold.allNotes(), hold.entered());
    }
    Optional<Step> met = around.met(state);
    if (met.isPresent()) {
      return StepResult.of(state.with(place.after(met.get(), next(met.get()), 0)));
    }
    return settings.ontoRhythm()
        ? rhythm().skip()
        : rest(settings.length().ticks(), settings.length());
  }

  private StepResult enterHeld(StepLength length) {
    return enter(
        settings.findsFirst() ? hold.downNotes() : hold.allNotes(), length, hold.entered());
  }

  private StepResult rest(BigFraction ticks, StepLength value) {
    BigFraction end = place.cursor().add(ticks);
    if (end.compareTo(StepAround.LAST) > 0) {
      return StepResult.refused(state, around.pastTheEnd());
    }
    List<Struck> there =
        around.chosen().notesBeginningIn(new TickRange(place.cursorTick(), Step.tick(end))).stream()
            .filter(n -> n.onset() == place.cursorTick())
            .map(n -> new Struck(n.pitch(), n.velocity()))
            .toList();
    Step step = new Step(around.chosen().id(), place.cursor(), ticks, value, there);
    return StepResult.of(state.with(place.after(step, next(step), 0)));
  }

  /** Makes what is held shorter, or goes back over the last step. */
  public StepResult back() {
    if (state.isOpen()) {
      Step last = place.last().orElseThrow();
      BigFraction length = last.length().subtract(settings.length().ticks());
      return length.signum() > 0 ? lengthened(last, length, last.value()) : removed(last);
    }
    if (settings.ontoRhythm()) {
      return rhythm().skipBack();
    }
    if (last().isPresent()) {
      return StepResult.of(state.with(place.goneBackOver(last().get())));
    }
    if (place.cursor().signum() == 0) {
      return StepResult.refused(state, "The song begins here");
    }
    BigFraction to = before();
    return StepResult.of(
        state.with(stepAt(to).map(place::goneBackOver).orElseGet(() -> place.movedTo(to))));
  }

  /** The step that stands at a place, where its notes are as long as a step can be chosen. */
  private Optional<Step> stepAt(BigFraction start) {
    long tick = Step.tick(start);
    List<Note> notes = around.chosen().notesBeginningIn(new TickRange(tick, tick + 1));
    long longest = notes.stream().mapToLong(Note::length).max().orElse(0);
    return StepLength.lasting(longest)
        .map(
            length ->
                new Step(
                    around.chosen().id(),
                    start,
                    length.ticks(),
                    length,
                    notes.stream().map(n -> new Struck(n.pitch(), n.velocity())).toList()));
  }

  /** The step that the cursor stands behind, on the chosen track. */
  private Optional<Step> last() {
    return place.last().filter(s -> s.track().equals(around.chosen().id()));
  }

  private BigFraction before() {
    BigFraction wanted = place.cursor().subtract(settings.length().ticks());
    return wanted.signum() < 0 ? BigFraction.ZERO : wanted;
  }

  /** A length key: enters what is held, once more where it was; else it is for what comes next. */
  public StepResult length(StepLength wanted) {
    if (!hold.isHeld() || settings.ontoRhythm() && hold.fresh().isEmpty()) {
      return StepResult.of(state.with(settings.withLength(wanted)).with(place.withoutMet()));
    }
    boolean again = hold.fresh().isEmpty();
    StepResult entered = enterHeld(wanted);
    return again ? entered.hearing(hold.downNotes()) : entered;
  }

  /** Dot, triplet, shorter, longer: of what is held, or of what comes next. */
  public StepResult change(UnaryOperator<StepLength> change) {
    StepLength now = state.isOpen() ? place.last().orElseThrow().value() : around.nextLength(state);
    StepLength wanted;
    try {
      wanted = change.apply(now);
    } catch (IllegalArgumentException e) {
      return StepResult.refused(state, e.getMessage());
    }
    if (!state.isOpen()) {
      return length(wanted);
    }
    Step last = place.last().orElseThrow();
    BigFraction ratio = wanted.ticks().divide(now.ticks());
    return lengthened(last, last.length().multiply(ratio), wanted);
  }

  /** Removes the last step and goes back; else what begins within a step before the cursor. */
  public StepResult remove() {
    if (settings.ontoRhythm()) {
      return rhythm().skipBack();
    }
    if (last().isPresent()) {
      return removed(last().get());
    }
    if (place.cursor().signum() == 0) {
      return StepResult.refused(state, "There is no step before the start");
    }
    BigFraction from = before();
    TickRange range = new TickRange(Step.tick(from), place.cursorTick());
    StepState moved = state.with(place.movedTo(from));
    return around.chosen().notesBeginningIn(range).isEmpty()
        ? StepResult.of(moved)
        : StepResult.of(
            moved,
            new LabelledEdit(
                "Remove step",
                s -> EnteredNotes.enter(s, around.track(), List.of(), List.of(range))));
  }

  private StepResult removed(Step step) {
    StepState before = state.with(place.beforeLast());
    return step.isRest()
        ? StepResult.of(before)
        : StepResult.of(
            before,
            new LabelledEdit(
                "Remove step",
                s -> EnteredNotes.remove(s, step.track(), step.onsetTick(), step.pitches())));
  }

  /** Enters the last step once more, at the cursor. */
  public StepResult repeatLast() {
    if (place.recent().isEmpty()) {
      return StepResult.refused(state, "There is no step yet to repeat");
    }
    Step last = place.recent().getLast();
    return last.isRest()
        ? rest(last.length(), last.value())
        : entered(last.notes(), last.length(), last.value(), around.track(), hold, 0)
            .hearing(last.notes());
  }

  /** Joins the last step with the next length. */
  public StepResult tie() {
    return last()
        .filter(s -> !s.isRest())
        .map(s -> lengthened(s, s.length().add(settings.length().ticks()), s.value()))
        .orElse(StepResult.refused(state, "There is no note just before the cursor to tie to"));
  }

  private RhythmPitches rhythm() {
    return new RhythmPitches(state, around);
  }

  /**
   * As long as was chosen or, in the place of a step that was gone back over, long and loud as
   * that.
   */
  private StepResult enterNext(List<Struck> notes, Hold after) {
    Optional<Step> met = around.met(state);
    if (met.isEmpty()) {
      return enter(notes, settings.length(), after);
    }
    int loudest = met.get().notes().stream().mapToInt(Struck::velocity).max().orElse(0);
    List<Struck> alike =
        notes.stream().map(n -> loudest == 0 ? n : new Struck(n.pitch(), loudest)).toList();
    return entered(
        alike, met.get().length(), met.get().value(), after.track(), after, after.number());
  }

  private StepResult enter(List<Struck> notes, StepLength length, Hold after) {
    return settings.ontoRhythm()
        ? rhythm().give(notes, after)
        : entered(notes, length.ticks(), length, after.track(), after, after.number());
  }

  private StepResult entered(
      List<Struck> notes,
      BigFraction ticks,
      StepLength value,
      TrackId track,
      Hold after,
      long openHold) {
    StepState held = state.with(after);
    Step step = new Step(track, place.cursor(), ticks, value, notes);
    if (around.song().track(track).isEmpty()) {
      return StepResult.refused(
          held,
          "The track is gone: " + around.names(notes, place.cursorTick()) + " cannot be entered");
    }
    if (step.end().compareTo(StepAround.LAST) > 0) {
      return StepResult.refused(
          held,
          around.pastTheEnd()
              + "; "
              + around.names(notes, place.cursorTick())
              + " was not entered");
    }
    List<NewNote> added = step.newNotes(settings.gate(), Long.MAX_VALUE);
    List<TickRange> cleared =
        settings.adds()
            ? List.of()
            : List.of(
                new TickRange(
                    step.onsetTick(),
                    isCorrection() ? step.onsetTick() + 1 : Step.tick(step.end())));
    return StepResult.of(
        held.with(place.after(step, next(step), openHold)),
        new LabelledEdit(
            "Enter " + around.names(notes, place.cursorTick()),
            s -> EnteredNotes.enter(s, track, added, cleared)));
  }

  /** What comes in the place of a step that was gone back over touches nothing that follows. */
  private boolean isCorrection() {
    return around.met(state).isPresent();
  }

  private StepResult lengthened(Step last, BigFraction length, StepLength value) {
    Step changed = last.lasting(length, value);
    if (changed.end().compareTo(StepAround.LAST) > 0) {
      return StepResult.refused(state, around.pastTheEnd());
    }
    long from = Step.tick(last.end());
    long to = Step.tick(changed.end());
    Optional<TickRange> cleared =
        settings.adds() || to <= from ? Optional.empty() : Optional.of(new TickRange(from, to));
    String label = to > from ? "Lengthen step" : "Shorten step";
    return StepResult.of(
        state.with(place.afterChanged(changed, next(changed))),
        new LabelledEdit(
            label,
            s ->
                EnteredNotes.lengthen(
                    s,
                    last.track(),
                    last.onsetTick(),
                    last.pitches(),
                    changed.noteTicks(settings.gate()),
                    cleared)));
  }

  /** Where the cursor goes after a step: on, or round the loop. */
  private BigFraction next(Step step) {
    return around
        .loop()
        .filter(l -> settings.wraps() && l.contains(step.onsetTick()))
        .filter(l -> step.end().compareTo(BigFraction.of(l.end())) >= 0)
        .map(l -> BigFraction.of(l.start()))
        .orElse(step.end());
  }

  /** Repeats the last steps behind the cursor. */
  public StepResult fill(PatternFill pattern) {
    return Filling.of(pattern, state, around);
  }

  /** How long the next step is: as the one that was gone back over, else as was chosen. */
  public StepLength nextLength() {
    return around.nextLength(state);
  }

  /** The notes that take the next pitches; none where pitches go onto no rhythm. */
  public List<Note> waitingForPitch() {
    return settings.ontoRhythm() ? rhythm().waiting() : List.of();
  }

  /** The cursor goes to a tick. */
  public StepState to(long tick) {
    return state.with(place.movedTo(BigFraction.of(Math.clamp(tick, 0, Ticks.LAST))));
  }

  /** The cursor goes to the next bar (1) or to the bar's start, or the one before it (-1). */
  public StepState byBar(int direction) {
    MeterMap meters = around.song().meters();
    TickRange bar = meters.barRangeAt(place.cursorTick());
    boolean inside = place.cursor().compareTo(BigFraction.of(bar.start())) > 0;
    return to(
        direction > 0
            ? bar.end()
            : inside || bar.start() == 0
                ? bar.start()
                : meters.barRangeAt(bar.start() - 1).start());
  }
}
