package flailbeat.core.step;

import flailbeat.core.model.Note;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import java.math.BigInteger;
import java.util.List;
import org.apache.commons.numbers.fraction.BigFraction;

/** Says in words where step entry stands and what the next key will do. */
public final class StepWords {
  private static final int MOST_NAMES = 4;

  private final StepState state;
  private final StepAround around;

  public StepWords(StepState state, StepAround around) {
    this.state = state;
    this.around = around;
  }

  /** What the next key will do; keys are named by their commands, in braces. */
  public String next() {
    StepSettings settings = state.settings();
    if (settings.ontoRhythm()) {
      return ontoRhythm();
    }
    if (state.isOpen()) {
      return names(state.hold().downNotes())
          + " entered and still held: {step-advance} makes it "
          + settings.length()
          + " longer, {step-back} shorter; a length key enters it again";
    }
    if (settings.findsFirst()) {
      return state.hold().isHeld()
          ? "{step-advance} enters "
              + names(state.hold().downNotes())
              + asLength()
              + "; a length key enters it at its own length"
          : "Find notes: keys only sound. Hold them, and {step-advance} or a length key enters"
              + " them"
              + at();
    }
    List<Struck> waiting = state.hold().allNotes();
    boolean met = around.met(state).isPresent();
    return state.hold().isHeld()
        ? "Let go to enter "
            + names(waiting)
            + asLength()
            + there()
            + "; {step-advance} or a length key enters it at once"
        : "Press and let go a note key: it is entered"
            + asLength()
            + there()
            + (met
                ? " in the place of that step. {step-advance} leaves it"
                : ". {step-advance} rests");
  }

  private String asLength() {
    return " as " + around.nextLength(state) + at() + overTheBar();
  }

  private String at() {
    return " at " + position();
  }

  private String overTheBar() {
    BigFraction end = state.place().cursor().add(around.nextLength(state).ticks());
    return end.compareTo(BigFraction.of(bar().end())) > 0 ? ", over the bar line" : "";
  }

  /** What stands where the step goes. */
  private String there() {
    StepPlace place = state.place();
    long end = Step.tick(place.cursor().add(around.nextLength(state).ticks()));
    List<Struck> notes =
        around
            .chosen()
            .notesBeginningIn(new TickRange(place.cursorTick(), Math.max(end, place.cursorTick())))
            .stream()
            .map(n -> new Struck(n.pitch(), n.velocity()))
            .toList();
    return notes.isEmpty()
        ? ""
        : (state.settings().adds() ? ", together with " : ", in place of ") + names(notes);
  }

  private String ontoRhythm() {
    RhythmPitches rhythm = new RhythmPitches(state, around);
    List<Note> waiting = rhythm.waiting();
    if (waiting.isEmpty()) {
      return "No note is left to take a pitch: {step-back} goes back";
    }
    String which =
        "note "
            + (rhythm.notesBefore() + 1)
            + " of "
            + around.chosen().noteCount()
            + ", at "
            + meters().positionAt(waiting.get(0).onset());
    List<Struck> held = state.hold().freshNotes();
    if (held.isEmpty()) {
      return "Press a note key: its pitch goes to "
          + which
          + ". {step-advance} leaves that as it is, {step-back} goes back";
    }
    return state.settings().findsFirst()
        ? "{step-advance} gives " + names(held) + " to " + which
        : "Let go to give " + names(held) + " to " + which;
  }

  /** Where the cursor stands, as people count it. */
  public String position() {
    return meters().positionAt(state.place().cursorTick()).toString();
  }

  /** How much of the bar is left behind the cursor, in beats. */
  public String left() {
    TickRange bar = bar();
    BigFraction beats =
        BigFraction.of(bar.end())
            .subtract(state.place().cursor())
            .divide(meters().meterAt(bar.start()).ticksPerBeat());
    return mixed(beats) + (beats.compareTo(BigFraction.ONE) <= 0 ? " beat left" : " beats left");
  }

  private TickRange bar() {
    return meters().barRangeAt(state.place().cursorTick());
  }

  private MeterMap meters() {
    return around.song().meters();
  }

  /** A number as people write it: {@code 2 1/2}. */
  private static String mixed(BigFraction number) {
    BigInteger whole = number.getNumerator().divide(number.getDenominator());
    BigFraction rest = number.subtract(BigFraction.of(whole));
    if (rest.signum() == 0) {
      return whole.toString();
    }
    String fraction = rest.getNumerator() + "/" + rest.getDenominator();
    return whole.signum() == 0 ? fraction : whole + " " + fraction;
  }

  /** A step in few words: {@code C4 E4 1/8}. */
  public String of(Step step) {
    return (step.isRest() ? "rest" : names(step.notes(), step.onsetTick())) + "  " + lengthOf(step);
  }

  private static String lengthOf(Step step) {
    return step.length().equals(step.value().ticks())
        ? step.value().toString()
        : Step.tick(step.length()) + " ticks";
  }

  private String names(List<Struck> notes) {
    return names(notes, state.place().cursorTick());
  }

  private String names(List<Struck> notes, long tick) {
    String all = around.names(notes.stream().limit(MOST_NAMES).toList(), tick);
    return notes.size() > MOST_NAMES ? all + " and " + (notes.size() - MOST_NAMES) + " more" : all;
  }
}
