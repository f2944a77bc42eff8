package flailbeat.core.capture;

import flailbeat.core.capture.Sweep.Place;
import flailbeat.core.edit.Edit;
import flailbeat.core.edit.shapes.ControlDrawn;
import flailbeat.core.edit.shapes.ControlEdits;
import flailbeat.core.edit.shapes.Curve;
import flailbeat.core.edit.shapes.VelocitiesSet;
import flailbeat.core.model.Note;
import flailbeat.core.model.Velocity;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.Loop;
import flailbeat.core.time.Loop.Stretch;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * Loudness, or a controller, performed while the song plays: what the playhead passes gets the
 * level that the hand is at. Each round of a loop is an edit of its own.
 *
 * <p>It follows unrolled time as {@link Sweep} does: what lies behind where the position steps back
 * was passed already.
 */
public final class Shading {
  private final TrackId track;
  private final Optional<Controller> controller;
  private final Map<NoteId, Integer> velocities = new HashMap<>();
  private Optional<Curve> curve = Optional.empty();
  private long run;
  private long passedNanos;
  private long turn = -1;

  /**
   * Begins at a place.
   *
   * @param controller what is shaded; empty for the velocities of notes
   */
  public Shading(TrackId track, Optional<Controller> controller, Place place) {
    this.track = track;
    this.controller = controller;
    this.run = place.run();
    this.passedNanos = place.unrolledNanos();
  }

  /** Whose notes or controllers. */
  public TrackId track() {
    return track;
  }

  /** What is shaded; empty for the velocities of notes. */
  public Optional<Controller> controller() {
    return controller;
  }

  /**
   * The playhead has moved.
   *
   * @param share the level of the hand, 0 to 1
   * @param notes gives the notes that begin in a stretch
   * @return what the rounds that have ended by it have done
   */
  public List<Edit> moveTo(
      Place place,
      Optional<Loop> loop,
      TempoMap tempos,
      double share,
      Function<TickRange, List<Note>> notes) {
    List<Edit> done = new ArrayList<>();
    if (place.run() != run) {
      done.add(edit());
      clear();
      run = place.run();
      passedNanos = place.unrolledNanos();
    }
    if (place.unrolledNanos() <= passedNanos) {
      return done;
    }
    long from = passedNanos;
    long to = place.unrolledNanos();
    List<Stretch> passed =
        loop.map(l -> l.between(from, to)).orElse(List.of(new Stretch(from, to)));
    long begun = loop.map(l -> l.turn(from)).orElse(0L);
    for (int i = 0; i < passed.size(); i++) {
      if (begun + i != turn) {
        done.add(edit());
        clear();
        turn = begun + i;
      }
      Stretch s = passed.get(i);
      shade(new TickRange(tempos.tickAt(s.start()), tempos.tickAt(s.end())), share, notes);
    }
    passedNanos = to;
    done.removeIf(Edit::isNothing);
    return done;
  }

  private void shade(TickRange range, double share, Function<TickRange, List<Note>> notes) {
    if (controller.isPresent()) {
      double value = share * controller.get().most();
      curve =
          Optional.of(
              curve
                  .map(c -> c.to(c.end(), Math.max(c.end(), range.end()), value))
                  .orElse(Curve.at(range.start(), value)));
    } else {
      int velocity = Velocity.within(share * Velocity.MOST);
      notes.apply(range).forEach(n -> velocities.put(n.id(), velocity));
    }
  }

  private void clear() {
    velocities.clear();
    curve = Optional.empty();
  }

  /** What has been done of the round that runs. */
  public Edit edit() {
    if (controller.isEmpty() || curve.isEmpty()) {
      return new VelocitiesSet(velocities);
    }
    Curve drawn = curve.get();
    TickRange range = new TickRange(drawn.start(), drawn.end() + ControlEdits.FINEST_TICKS);
    return new ControlDrawn(
        track, controller.get(), range, ControlEdits.line(drawn, controller.get()));
  }
}
