package flailbeat.core.step;

import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Note;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.BigFraction;

/**
 * Pitches that go onto a rhythm, which was tapped, played on any keys or drawn. A chord gives its
 * pitches to the notes of the next onset, in the order in which those were struck; of more pitches
 * than notes, each further one becomes a note like the last; of fewer, the rest of the onset waits.
 */
final class RhythmPitches {
  private final StepState state;
  private final StepAround around;
  private final StepPlace place;

  RhythmPitches(StepState state, StepAround around) {
    this.state = state;
    this.around = around;
    place = state.place();
  }

  /** Gives pitches to the notes of the next onset, which keep when and how long they are. */
  StepResult give(List<Struck> pitches, Hold after) {
    StepState held = state.with(after);
    if (around.song().track(after.track()).isEmpty()) {
      return StepResult.refused(
          held,
          "The track is gone: "
              + around.names(pitches, place.cursorTick())
              + " cannot be given to its notes");
    }
    Rhythm rhythm =
        new Rhythm(around.song().track(after.track()).orElseThrow(), around.song().tempos());
    List<Note> group = rhythm.next(place.cursorTick());
    if (group.isEmpty()) {
      return StepResult.refused(
          held,
          "No note is left here to take "
              + around.names(pitches, place.cursorTick())
              + ": the rhythm is at its end");
    }
    int given = Math.min(place.given(), group.size() - 1);
    List<Note> waiting = group.subList(given, group.size());
    List<Note> changed = new ArrayList<>();
    for (int i = 0; i < Math.min(waiting.size(), pitches.size()); i++) {
      Note note = waiting.get(i);
      changed.add(note.moved(0, pitches.get(i).pitch() - note.pitch()));
    }
    Note model = group.getLast();
    List<NewNote> more =
        pitches.stream()
            .skip(waiting.size())
            .map(p -> new NewNote(p.pitch(), model.velocity(), model.played(), model.onset()))
            .toList();
    Step step =
        new Step(
            after.track(),
            BigFraction.of(group.get(0).onset()),
            BigFraction.of(model.length()),
            state.settings().length(),
            pitches);
    boolean all = pitches.size() >= waiting.size();
    BigFraction next = BigFraction.of(all ? onsetAfter(rhythm, group) : firstOnset(group));
    StepPlace then =
        place.after(step, next, 0).movedTo(next).withGiven(all ? 0 : given + pitches.size());
    return StepResult.of(
        held.with(then),
        new LabelledEdit(
            "Give " + around.names(pitches, place.cursorTick()),
            s -> EnteredNotes.give(s, after.track(), changed, more, model.length())));
  }

  private static long firstOnset(List<Note> group) {
    return group.stream().mapToLong(Note::onset).min().orElseThrow();
  }

  private static long onsetAfter(Rhythm rhythm, List<Note> group) {
    List<Note> next = rhythm.next(rhythm.reach(firstOnset(group)) + 1);
    return next.isEmpty()
        ? group.stream().mapToLong(Note::end).max().orElseThrow()
        : firstOnset(next);
  }

  /** Leaves the next onset as it is. */
  StepResult skip() {
    Rhythm rhythm = new Rhythm(around.chosen(), around.song().tempos());
    List<Note> group = rhythm.next(place.cursorTick());
    return group.isEmpty()
        ? StepResult.refused(state, "The rhythm is at its end")
        : StepResult.of(state.with(place.movedTo(BigFraction.of(onsetAfter(rhythm, group)))));
  }

  /** Goes back to the onset before. */
  StepResult skipBack() {
    if (place.given() > 0) {
      return StepResult.of(state.with(place.withGiven(0)));
    }
    return new Rhythm(around.chosen(), around.song().tempos())
        .before(place.cursorTick())
        .map(t -> StepResult.of(state.with(place.movedTo(BigFraction.of(t)))))
        .orElse(StepResult.refused(state, "The rhythm begins here"));
  }

  /** The notes that take the next pitches. */
  List<Note> waiting() {
    List<Note> group = new Rhythm(around.chosen(), around.song().tempos()).next(place.cursorTick());
    return group.subList(Math.min(place.given(), group.size()), group.size());
  }

  /** How many notes of the track come before the one that takes the next pitch. */
  int notesBefore() {
    return new Rhythm(around.chosen(), around.song().tempos()).countBefore(place.cursorTick())
        + place.given();
  }
}
