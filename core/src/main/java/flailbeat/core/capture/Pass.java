package flailbeat.core.capture;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.event.Performed;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Played;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * One recording from start to stop.
 *
 * <p>A note struck up to {@link #CATCH_NANOS} before the start belongs to it, since people come in
 * a little early; what is struck before that, in the count-in, is counted as left out. A note that
 * is still held at the stop ends there.
 */
public final class Pass {
  /** How early a note may come and still count. */
  public static final long CATCH_NANOS = 120_000_000;

  /** A note that is still held. */
  public record Held(long onset, int pitch, int velocity) {}

  private final TempoMap tempos;
  private final long startTick;
  private final long earliestNanos;
  private final Map<Integer, Held> held = new HashMap<>();
  private final List<NewNote> done = new ArrayList<>();
  private final List<ControlPoint> controls = new ArrayList<>();
  private int leftOut;

  /**
   * A recording that starts at a tick.
   *
   * @param tempos the tempos it is played to
   */
  public Pass(TempoMap tempos, long startTick) {
    this.tempos = tempos;
    this.startTick = startTick;
    this.earliestNanos = tempos.nanosAt(startTick) - CATCH_NANOS;
  }

  /** Takes in what was performed, at a song time in nanoseconds from tick 0. */
  public void accept(Performed event, long songNanos) {
    switch (event) {
      case Performed.NoteOn on -> begin(on, songNanos);
      case Performed.NoteOff off -> end(off.pitch(), songNanos);
      case Performed.Control c ->
          control(ControlPoint.Kind.CONTROLLER, c.number(), c.value(), songNanos);
      case Performed.Bend b -> control(ControlPoint.Kind.PITCH_BEND, 0, b.value(), songNanos);
    }
  }

  /** A controller that moved before the start holds at the start; of several the last. */
  private void control(ControlPoint.Kind kind, int number, int value, long songNanos) {
    long tick = Math.max(startTick, tempos.tickAt(songNanos));
    for (int i = controls.size() - 1; i >= 0 && controls.get(i).tick() == tick; i--) {
      if (controls.get(i).kind() == kind && controls.get(i).number() == number) {
        controls.remove(i);
      }
    }
    controls.add(new ControlPoint(tick, kind, number, value));
  }

  /** What controllers did, in order of tick. */
  public List<ControlPoint> controls() {
    return List.copyOf(controls);
  }

  public long startTick() {
    return startTick;
  }

  /** The notes that are still held. */
  public Collection<Held> held() {
    return held.values();
  }

  /** The notes that have ended, in the order in which they did. */
  public List<NewNote> done() {
    return done;
  }

  /** How many notes came in the count-in, too early to belong. */
  public int leftOut() {
    return leftOut;
  }

  /** Ends what is held and gives all the notes. */
  public List<NewNote> finish(long songNanos) {
    List.copyOf(held.keySet()).forEach(pitch -> end(pitch, songNanos));
    return List.copyOf(done);
  }

  private void begin(Performed.NoteOn on, long songNanos) {
    end(on.pitch(), songNanos);
    if (songNanos < earliestNanos) {
      leftOut++;
    } else {
      held.put(on.pitch(), new Held(tempos.tickAt(songNanos), on.pitch(), on.velocity()));
    }
  }

  private void end(int pitch, long songNanos) {
    Held note = held.remove(pitch);
    if (note != null) {
      long release = Math.max(note.onset() + 1, tempos.tickAt(songNanos));
      done.add(new NewNote(pitch, note.velocity(), new Played(note.onset(), release)));
    }
  }
}
