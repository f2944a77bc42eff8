package flailbeat.core.capture;

import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.event.Performed;
import flailbeat.core.model.Played;
import flailbeat.core.model.control.Control;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * One time over what is recorded: from where recording starts, or the loop's start, to where it
 * stops, or the loop's end.
 *
 * <p>A note struck a little before the start belongs to it and stands at the start, since people
 * come in early; what is struck before that, in the count-in, is counted as left out. A note that
 * is still held at the end ends there.
 */
public final class Pass {
  /**
   * A note that is still held.
   *
   * @param carried whether it was struck in the pass before and only goes on in this one
   */
  public record Held(long onset, int pitch, int velocity, boolean carried) {}

  private final TempoMap tempos;
  private final long startTick;
  private final long earliestNanos;
  private final long catchNanos;
  private final Map<Integer, Held> held = new HashMap<>();
  private final List<NewNote> done = new ArrayList<>();
  private final List<NewControl> controls = new ArrayList<>();
  private int leftOut;
  private int struck;
  private OptionalLong firstStruck = OptionalLong.empty();

  /**
   * A pass that starts at a tick.
   *
   * @param tempos the tempos it is played to
   * @param catchNanos how early a note may come and still count
   */
  public Pass(TempoMap tempos, long startTick, long catchNanos) {
    this(tempos, startTick, catchNanos, tempos.nanosAt(startTick) - catchNanos);
  }

  private Pass(TempoMap tempos, long startTick, long catchNanos, long earliestNanos) {
    this.tempos = tempos;
    this.startTick = startTick;
    this.catchNanos = catchNanos;
    this.earliestNanos = earliestNanos;
  }

  /**
   * A pass that follows on another, with no count-in: whatever is struck before its start belongs
   * to it, as when the position steps back over the loop's end, or a key is heard of late.
   */
  static Pass following(TempoMap tempos, long startTick, long catchNanos) {
    return new Pass(tempos, startTick, catchNanos, Long.MIN_VALUE);
  }

  /** Takes in what was performed, at a song time in nanoseconds from tick 0. */
  public void accept(Performed event, long songNanos) {
    switch (event) {
      case Performed.NoteOn on -> begin(on, songNanos);
      case Performed.NoteOff off -> end(off.pitch(), songNanos);
      case Performed.Control c -> control(Control.controller(c.number(), c.value()), songNanos);
      case Performed.Bend b -> control(Control.bend(b.value()), songNanos);
      case Performed.Pressure p -> control(Control.pressure(p.value()), songNanos);
    }
  }

  /** A controller that moved before the start holds at the start; of several the last. */
  void control(Control control, long songNanos) {
    set(control, Math.min(Ticks.LAST, Math.max(startTick, tempos.tickAt(songNanos))));
  }

  private void set(Control control, long tick) {
    for (int i = controls.size() - 1; i >= 0 && controls.get(i).tick() == tick; i--) {
      if (controls.get(i).control().isOfOneWith(control)) {
        controls.remove(i);
      }
    }
    controls.add(new NewControl(tick, control));
  }

  /** What controllers did, in order of tick. */
  public List<NewControl> controls() {
    return List.copyOf(controls);
  }

  /** The last value that a controller took in this pass; empty when it did not move. */
  Optional<Control> last(Control ofOneWith) {
    return controls.reversed().stream()
        .map(NewControl::control)
        .filter(c -> c.isOfOneWith(ofOneWith))
        .findFirst();
  }

  public long startTick() {
    return startTick;
  }

  /** The notes that are still held. */
  public Collection<Held> held() {
    return held.values();
  }

  boolean holds(int pitch) {
    return held.containsKey(pitch);
  }

  /** The notes that have ended, in the order in which they did. */
  public List<NewNote> done() {
    return done;
  }

  /** Whether anything was struck in it: a note that only goes on from the pass before was not. */
  public boolean hasNotes() {
    return firstStruck.isPresent();
  }

  /** The tick at which the first note that was struck in it stands; empty where none was. */
  public OptionalLong firstStruck() {
    return firstStruck;
  }

  /** How many notes were struck in it. */
  public int struck() {
    return struck;
  }

  /** Puts a controller to rest as the pass ends: on its last tick, which nothing comes after. */
  void rest(Control control, long endTick) {
    set(control, Math.max(startTick, endTick - 1));
  }

  /** How many notes came in the count-in, too early to belong. */
  public int leftOut() {
    return leftOut;
  }

  /** Lets a note of the pass before go on from the start of this one. */
  void carryOn(Held note) {
    held.put(note.pitch(), new Held(startTick, note.pitch(), note.velocity(), true));
  }

  /** The notes as they would be if what is held ended at a song time. */
  public List<NewNote> notesUpTo(long songNanos) {
    List<NewNote> result = new ArrayList<>(done);
    held.values().forEach(h -> finished(h, songNanos).ifPresent(result::add));
    return result;
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
      long onset = tempos.tickAt(songNanos);
      held.put(on.pitch(), new Held(onset, on.pitch(), on.velocity(), false));
      long stands = Math.max(startTick, onset);
      firstStruck = OptionalLong.of(Math.min(stands, firstStruck.orElse(stands)));
      struck++;
    }
  }

  private void end(int pitch, long songNanos) {
    Held note = held.remove(pitch);
    if (note != null) {
      finished(note, songNanos).ifPresent(done::add);
    }
  }

  /** Of a note from the pass before, a rest no longer than the catch is only a late finger. */
  private Optional<NewNote> finished(Held note, long songNanos) {
    boolean lateFinger = note.carried() && songNanos - tempos.nanosAt(startTick) <= catchNanos;
    if (lateFinger) {
      return Optional.empty();
    }
    Played played = Played.within(note.onset(), tempos.tickAt(songNanos));
    long onset = Math.max(startTick, note.onset());
    return Optional.of(new NewNote(note.pitch(), note.velocity(), played, onset));
  }
}
