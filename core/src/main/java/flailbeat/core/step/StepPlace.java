package flailbeat.core.step;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.BigFraction;

/**
 * Where steps are entered, and those that were entered last: what undo puts back.
 *
 * @param cursor where the next step begins, in ticks, exactly
 * @param recent the last {@value #KEPT} steps, the latest last
 * @param follows whether the cursor stands where the last step has left it
 * @param openHold the hold of keys that the last step belongs to, which can still make it longer; 0
 *     for none
 * @param ahead the steps that were gone back over, the nearest first: the one at the cursor is what
 *     the next key corrects
 * @param given how many notes of the onset at the cursor have got their pitches, of a rhythm
 */
public record StepPlace(
    BigFraction cursor,
    List<Step> recent,
    boolean follows,
    List<Step> ahead,
    long openHold,
    int given) {
  /** As many as a pattern can have. */
  public static final int KEPT = 16;

  public StepPlace {
    recent = List.copyOf(recent);
    ahead = List.copyOf(ahead);
  }

  /** At a tick, with nothing entered. */
  public static StepPlace at(long tick) {
    return new StepPlace(BigFraction.of(tick), List.of(), false, List.of(), 0, 0);
  }

  /** The tick that the cursor is nearest to. */
  public long cursorTick() {
    return Step.tick(cursor);
  }

  /** The step that the cursor stands behind. */
  public Optional<Step> last() {
    return follows && !recent.isEmpty() ? Optional.of(recent.getLast()) : Optional.empty();
  }

  /** Elsewhere. */
  StepPlace movedTo(BigFraction wanted) {
    return new StepPlace(wanted, recent, false, List.of(), 0, 0);
  }

  /** Behind one more step. */
  StepPlace after(Step step, BigFraction next, long hold) {
    List<Step> all = new ArrayList<>(recent);
    all.add(step);
    List<Step> kept = all.subList(Math.max(0, all.size() - KEPT), all.size());
    return new StepPlace(next, kept, true, rest(next), hold, 0);
  }

  /** Behind the last step, changed. */
  StepPlace afterChanged(Step step, BigFraction next) {
    List<Step> all = new ArrayList<>(recent);
    all.set(all.size() - 1, step);
    return new StepPlace(next, all, true, List.of(), openHold, 0);
  }

  /** Before the last step, which is forgotten. */
  StepPlace beforeLast() {
    Step last = recent.getLast();
    List<Step> rest = recent.subList(0, recent.size() - 1);
    boolean still = !rest.isEmpty() && rest.getLast().end().equals(last.start());
    return new StepPlace(last.start(), rest, still, List.of(), 0, 0);
  }

  /** What is left ahead once the cursor stands at a place: steps that begin there or later. */
  private List<Step> rest(BigFraction next) {
    List<Step> left = ahead.stream().skip(1).toList();
    boolean leads = !left.isEmpty() && left.getFirst().start().equals(next);
    return leads ? left : List.of();
  }

  /** Before a step that was gone back over: it stays, and is what the next key corrects. */
  StepPlace goneBackOver(Step step) {
    StepPlace before = last().isPresent() ? beforeLast() : movedTo(step.start());
    List<Step> all = new ArrayList<>(ahead);
    all.addFirst(step);
    return new StepPlace(before.cursor, before.recent, before.follows, all, 0, 0);
  }

  /** The step at the cursor that was gone back over: what is entered now is in its place. */
  public Optional<Step> met() {
    return ahead.stream().findFirst().filter(s -> s.start().equals(cursor));
  }

  /** With nothing to be corrected. */
  StepPlace withoutMet() {
    return ahead.isEmpty()
        ? this
        : new StepPlace(cursor, recent, follows, List.of(), openHold, given);
  }

  StepPlace withGiven(int value) {
    return new StepPlace(cursor, recent, follows, ahead, openHold, value);
  }
}
