package flailbeat.core.capture;

import flailbeat.core.event.Performed;
import flailbeat.core.model.control.Control;
import flailbeat.core.time.Loop;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A recording from start to stop: one pass or, where a loop is gone round, one for each round.
 *
 * <p>At the loop's end, what is held is closed and goes on from the loop's start in the next pass;
 * a pedal that is down and a bend do so too. A note struck just before the loop's end is an early
 * one for its start: it belongs to the next pass. How near that is, is given apart from the catch
 * of the recording's start, since before the loop's end there are notes that belong there.
 */
public final class Recording {
  private final TempoMap tempos;
  private final Optional<Loop> loop;
  private final long loopCatchNanos;
  private final long loopStartTick;
  private Pass current;
  private Optional<Pass> next = Optional.empty();
  private int turn;
  private int leftOut;

  /**
   * A recording that starts at a tick.
   *
   * @param catchNanos how early a note may come before the start and still count
   * @param loopCatchNanos how near the loop's end a note belongs to the next pass
   */
  public Recording(
      TempoMap tempos, long startTick, long catchNanos, Optional<Loop> loop, long loopCatchNanos) {
    this.tempos = tempos;
    this.loop = loop;
    this.loopCatchNanos = loopCatchNanos;
    this.loopStartTick = loop.map(l -> tempos.tickAt(l.start())).orElse(startTick);
    this.current = new Pass(tempos, startTick, catchNanos);
  }

  /** The pass that runs. */
  public Pass current() {
    return current;
  }

  /** The song time at which it began. */
  public long beginNanos() {
    return tempos.nanosAt(loop.isPresent() ? loopStartTick : current.startTick());
  }

  /** How many notes came in the count-in, too early to belong. */
  public int leftOut() {
    return leftOut + current.leftOut();
  }

  /** The number of the pass that runs, from 1. */
  public int number() {
    return turn + 1;
  }

  /** Forgets what the pass that runs has gathered. */
  public void dropCurrent() {
    current = Pass.following(tempos, current.startTick(), loopCatchNanos);
  }

  /** What was struck early for the pass after the one that runs. */
  public Optional<Pass> early() {
    return next;
  }

  /** Brings it up to an unrolled time; gives the passes that are over by then, in order. */
  public List<Pass> advance(long unrolledNanos) {
    List<Pass> over = new ArrayList<>();
    while (loop.isPresent() && unrolledNanos >= loop.get().endOf(turn)) {
      over.add(turnOver(loop.get()));
    }
    return over;
  }

  private Pass turnOver(Loop round) {
    Pass finished = current;
    Pass following = next.orElseGet(this::another);
    finished.held().stream().filter(h -> !following.holds(h.pitch())).forEach(following::carryOn);
    carryOver(finished, following, round, Control.controller(Performed.Control.SUSTAIN, 0));
    carryOver(finished, following, round, Control.bend(Performed.Bend.CENTRE));
    carryOver(finished, following, round, Control.pressure(0));
    finished.finish(round.end());
    leftOut += finished.leftOut();
    current = following;
    next = Optional.empty();
    turn++;
    return finished;
  }

  /** What is not at rest at the end is put to rest there and goes on from the start. */
  private void carryOver(Pass from, Pass to, Loop round, Control rest) {
    long endTick = tempos.tickAt(round.end());
    Optional<Control> value = from.last(rest).filter(v -> !v.equals(rest));
    if (value.isPresent()) {
      from.rest(rest, endTick);
      to.control(value.get(), round.start());
    }
  }

  /** Takes in what was performed at an unrolled time; {@link #advance} to it comes first. */
  public void accept(Performed event, long unrolledNanos) {
    long songNanos = unrolledNanos - shift(turn);
    long nextNanos = unrolledNanos - shift(turn + 1);
    switch (event) {
      case Performed.NoteOn on -> {
        if (isEarlyForNext(unrolledNanos)) {
          current.accept(new Performed.NoteOff(on.atNanos(), on.pitch()), songNanos);
          next = Optional.of(next.orElseGet(this::another));
          next.get().accept(on, nextNanos);
        } else {
          current.accept(on, songNanos);
        }
      }
      case Performed.NoteOff off -> {
        Optional<Pass> holder = next.filter(p -> p.holds(off.pitch()));
        holder.orElse(current).accept(off, holder.isPresent() ? nextNanos : songNanos);
      }
      case Performed.Control control -> current.accept(control, songNanos);
      case Performed.Bend bend -> current.accept(bend, songNanos);
      case Performed.Pressure pressure -> current.accept(pressure, songNanos);
    }
  }

  private long shift(int turns) {
    return loop.map(l -> turns * l.length()).orElse(0L);
  }

  private boolean isEarlyForNext(long unrolledNanos) {
    return loop.isPresent() && loop.get().endOf(turn) - unrolledNanos <= loopCatchNanos;
  }

  private Pass another() {
    return Pass.following(tempos, loopStartTick, loopCatchNanos);
  }

  /** The song time that an unrolled time has in the pass that runs: beyond its end when late. */
  public long songNanos(long unrolledNanos) {
    return unrolledNanos - shift(turn);
  }

  /**
   * Ends it.
   *
   * @return the last pass, with what was struck early for another that never came as its own: those
   *     notes stand at the loop's start
   */
  public List<Pass> finish(long unrolledNanos) {
    List<Pass> over = new ArrayList<>(advance(unrolledNanos));
    current.finish(songNanos(unrolledNanos));
    over.add(current);
    next.ifPresent(
        p -> {
          p.finish(Math.max(loop.orElseThrow().start(), unrolledNanos - shift(turn + 1)));
          over.add(p);
        });
    return over;
  }
}
