package flailbeat.core.keys;

import flailbeat.core.event.Performed;
import flailbeat.core.event.Performed.NoteOff;
import flailbeat.core.event.Performed.NoteOn;
import flailbeat.core.pitch.Pitch;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;

/**
 * The keys under the hands: what is held, where the reach lies, how hard it plays.
 *
 * <p>A held key remembers the pitch it began, so moving the reach never leaves a note hanging nor
 * moves one that sounds. A press of a key that is down already (auto-repeat) does nothing. Where a
 * second finger strikes a pitch that sounds, the note is struck anew and belongs to that finger;
 * the first one's release then ends nothing.
 *
 * <p>Each call returns the events that follow from it, in order; never more than two for a press.
 */
public final class Hands {
  /** How much Up and Down change the velocity. */
  public static final int VELOCITY_STEP = 5;

  private static final int HIGHEST_BASE = 120;

  private final Arrangement arrangement = Arrangement.HOME;
  private final Map<Finger, Integer> down = new HashMap<>();
  private final Map<Integer, Finger> sounding = new HashMap<>();
  private int base = Pitch.MIDDLE_C;
  private int velocity = VelocityMark.MF.velocity();

  public Arrangement arrangement() {
    return arrangement;
  }

  /** The lowest note of the reach. */
  public int base() {
    return base;
  }

  /** Moves the reach by octaves; it stays where it is when that would leave the piano. */
  public void moveOctaves(int octaves) {
    int moved = base + octaves * Pitch.OCTAVE;
    if (moved >= Pitch.LOWEST && moved <= HIGHEST_BASE) {
      base = moved;
    }
  }

  public int velocity() {
    return velocity;
  }

  /** Sets the velocity, 1 to 127; beyond that it stops at the end. */
  public void setVelocity(int value) {
    velocity = Math.clamp(value, 1, 127);
  }

  /** The pitch that a key gives now; empty when it gives none, or one that no MIDI note has. */
  public OptionalInt pitchAt(PhysicalKey key) {
    OptionalInt semitones = arrangement.semitonesAt(key);
    if (semitones.isEmpty() || !Pitch.isValid(base + semitones.getAsInt())) {
      return OptionalInt.empty();
    }
    return OptionalInt.of(base + semitones.getAsInt());
  }

  /** A key goes down. */
  public List<Performed> press(PhysicalKey key, long atNanos) {
    Finger finger = new Finger.OnKey(key);
    OptionalInt pitch = pitchAt(key);
    if (down.containsKey(finger) || pitch.isEmpty()) {
      return List.of();
    }
    return strike(finger, pitch.getAsInt(), velocity, atNanos);
  }

  /** A drawn key is pressed with the mouse; the one pressed before is let go. */
  public List<Performed> press(int pitch, int strikeVelocity, long atNanos) {
    Finger finger = new Finger.OnScreen();
    List<Performed> events = new ArrayList<>(release(finger, atNanos));
    events.addAll(strike(finger, pitch, strikeVelocity, atNanos));
    return events;
  }

  /** A key comes up; nothing follows when it was not down. */
  public List<Performed> release(PhysicalKey key, long atNanos) {
    return release(new Finger.OnKey(key), atNanos);
  }

  /** The mouse lets go. */
  public List<Performed> releasePointer(long atNanos) {
    return release(new Finger.OnScreen(), atNanos);
  }

  /** Lets everything go: no release may be coming for what is held. */
  public List<Performed> releaseAll(long atNanos) {
    List<Performed> events = new ArrayList<>();
    sounding.keySet().forEach(pitch -> events.add(new NoteOff(atNanos, pitch)));
    down.clear();
    sounding.clear();
    return events;
  }

  /** The pitches that sound under the hands. */
  public Set<Integer> soundingPitches() {
    return Set.copyOf(sounding.keySet());
  }

  /** The keys that are down. */
  public Collection<Finger> fingersDown() {
    return Set.copyOf(down.keySet());
  }

  public boolean isDown(PhysicalKey key) {
    return down.containsKey(new Finger.OnKey(key));
  }

  private List<Performed> strike(Finger finger, int pitch, int strikeVelocity, long atNanos) {
    NoteOn on = new NoteOn(atNanos, pitch, strikeVelocity);
    down.put(finger, pitch);
    boolean again = sounding.put(pitch, finger) != null;
    return again ? List.of(new NoteOff(atNanos, pitch), on) : List.of(on);
  }

  private List<Performed> release(Finger finger, long atNanos) {
    Integer pitch = down.remove(finger);
    if (pitch == null || !sounding.remove(pitch, finger)) {
      return List.of();
    }
    return List.of(new NoteOff(atNanos, pitch));
  }
}
