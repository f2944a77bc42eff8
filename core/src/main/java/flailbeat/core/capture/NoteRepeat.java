package flailbeat.core.capture;

import flailbeat.core.event.Performed;
import flailbeat.core.time.Pulses;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Strikes held notes again at every pulse. What is heard is struck by whatever plays; this says
 * what was struck, so that it can be written down.
 *
 * <p>The stroke of the finger counts as the first one, and a pulse that follows it within half the
 * way to the next is passed over: a finger that comes a little early does not strike twice. A note
 * lasts for {@code gate} of the way to the next pulse. Times are unrolled.
 */
public final class NoteRepeat {
  /**
   * A note that is repeated.
   *
   * @param firstPulse the first pulse at which it is struck
   */
  public record Held(int pitch, int velocity, long firstPulse) {}

  private final double gate;
  private final Map<Integer, Held> held = new TreeMap<>();
  private Pulses pulses = Pulses.NONE;
  private long cursor;
  private long offAt = Long.MAX_VALUE;

  /** A repeat whose notes last for so much, 0 to 1, of the way to the next pulse. */
  public NoteRepeat(double gate) {
    this.gate = gate;
  }

  /** Goes on with other pulses from a time. */
  public void follow(Pulses another, long fromNanos) {
    pulses = another;
    cursor = fromNanos;
    offAt = Long.MAX_VALUE;
    held.replaceAll((pitch, h) -> new Held(pitch, h.velocity(), firstAfter(fromNanos)));
  }

  private long firstAfter(long nanos) {
    long next = pulses.after(nanos);
    long following = pulses.after(next);
    boolean near = following != Long.MAX_VALUE && next - nanos < (following - next) / 2;
    return near ? following : next;
  }

  /** A note is held from now on, or with another velocity. */
  public void hold(int pitch, int velocity, long atNanos) {
    Held before = held.get(pitch);
    long first = before == null ? firstAfter(atNanos) : before.firstPulse();
    held.put(pitch, new Held(pitch, velocity, first));
  }

  /** Strikes held notes with another velocity. */
  public void setVelocity(int velocity) {
    held.replaceAll((pitch, h) -> new Held(pitch, velocity, h.firstPulse()));
  }

  public void letGo(int pitch) {
    held.remove(pitch);
  }

  public void letGoAll() {
    held.clear();
  }

  /** The notes that are repeated, by rising pitch. */
  public List<Held> held() {
    return List.copyOf(held.values());
  }

  /** What was struck and let go of up to a time, in order, at unrolled times. */
  public List<Performed> advance(long nowNanos) {
    List<Performed> events = new ArrayList<>();
    for (long next = pulses.after(cursor); next <= nowNanos; next = pulses.after(cursor)) {
      endUpTo(next, events);
      cursor = next;
      boolean struck = false;
      for (Held note : held.values()) {
        if (note.firstPulse() <= next) {
          events.add(new Performed.NoteOff(next, note.pitch()));
          events.add(new Performed.NoteOn(next, note.pitch(), note.velocity()));
          struck = true;
        }
      }
      offAt = struck ? next + Math.round(gate * (pulses.after(next) - next)) : offAt;
    }
    endUpTo(nowNanos, events);
    cursor = Math.max(cursor, nowNanos);
    return events;
  }

  private void endUpTo(long nanos, List<Performed> events) {
    if (offAt <= nanos) {
      for (Held note : held.values()) {
        if (note.firstPulse() < offAt) {
          events.add(new Performed.NoteOff(offAt, note.pitch()));
        }
      }
      offAt = Long.MAX_VALUE;
    }
  }
}
