package flailbeat.core.step;

import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Clip;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.BigFraction;

/** Lays a pattern down behind the cursor, step by step. */
final class Filling {
  /** More would be a slip. */
  private static final int MOST_STEPS = 10_000;

  private final StepState state;
  private final StepAround around;
  private final List<NewNote> notes = new ArrayList<>();
  private StepPlace place;
  private long end = Long.MAX_VALUE;
  private int count;
  private Optional<String> stopped = Optional.empty();

  private Filling(StepState state, StepAround around) {
    this.state = state;
    this.around = around;
    place = state.place();
  }

  /** What comes of it: refused in words where there is no such pattern, or no end to go to. */
  static StepResult of(PatternFill pattern, StepState state, StepAround around) {
    List<Step> recent = state.place().recent();
    if (recent.size() < pattern.steps()) {
      return StepResult.refused(
          state,
          "A pattern of "
              + pattern.steps()
              + " steps needs as many, and so far there "
              + (recent.size() == 1 ? "is 1" : "are " + recent.size()));
    }
    List<Step> source = recent.subList(recent.size() - pattern.steps(), recent.size());
    boolean toTheEnd = pattern.times() == PatternFill.TO_THE_END;
    Optional<Long> end = endOfClip(state, around);
    if (toTheEnd && end.isEmpty()) {
      return StepResult.refused(
          state, "The cursor is not within a clip: say how often to repeat the pattern");
    }
    Filling filling = new Filling(state, around);
    filling.end = toTheEnd ? end.get() : Long.MAX_VALUE;
    filling.fill(source, pattern.semitones(), toTheEnd ? MOST_STEPS : pattern.times());
    return filling.result(source.size());
  }

  private static Optional<Long> endOfClip(StepState state, StepAround around) {
    return around.chosen().clips().stream()
        .filter(c -> c.contains(state.place().cursorTick()))
        .map(Clip::end)
        .findFirst();
  }

  private void fill(List<Step> source, int semitones, int rounds) {
    for (int round = 1; round <= rounds; round++) {
      for (Step step : source) {
        if (stopped.isPresent() || place.cursorTick() >= end) {
          return;
        }
        add(step, semitones * round);
      }
    }
  }

  private void add(Step step, int semitones) {
    BigFraction at = place.cursor();
    if (!step.notes().stream().allMatch(n -> Pitch.isValid(n.pitch() + semitones))) {
      stopped = Optional.of("The pattern stops where it would leave the piano's 128 notes");
    } else if (at.add(step.length()).compareTo(StepAround.LAST) > 0) {
      stopped = Optional.of(around.pastTheEnd());
    } else if (count == MOST_STEPS) {
      stopped = Optional.of("The pattern stops after 10,000 steps");
    } else {
      Step moved = step.movedTo(around.chosen().id(), at, semitones);
      notes.addAll(moved.newNotes(state.settings().gate(), end));
      place = place.after(moved, moved.end(), 0);
      count++;
    }
  }

  private StepResult result(int steps) {
    if (count == 0) {
      return new StepResult(state, Optional.empty(), List.of(), stopped);
    }
    TrackId track = around.chosen().id();
    TickRange filled = new TickRange(state.place().cursorTick(), Math.min(end, place.cursorTick()));
    List<TickRange> cleared = state.settings().adds() ? List.of() : List.of(filled);
    LabelledEdit edit =
        new LabelledEdit(
            steps == 1 ? "Repeat a step" : "Repeat " + steps + " steps",
            s -> EnteredNotes.enter(s, track, notes, cleared));
    return new StepResult(state.with(place), Optional.of(edit), List.of(), stopped);
  }
}
