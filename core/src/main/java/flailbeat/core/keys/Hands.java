package flailbeat.core.keys;

import flailbeat.core.event.Performed;
import flailbeat.core.event.Performed.NoteOff;
import flailbeat.core.event.Performed.NoteOn;
import flailbeat.core.pitch.Pitch;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;

/**
 * The keys under the hands: what is held, where the reach lies, how hard it plays.
 *
 * <p>A held key remembers the pitch it began, so moving the reach never leaves a note hanging nor
 * moves one that sounds. A press of a key that is down already (auto-repeat) does nothing. Where a
 * second finger strikes a pitch that sounds, the note is struck anew and belongs to that finger;
 * the first one's release then ends nothing.
 *
 * <p>Each call returns the events that follow from it, in order.
 */
public final class Hands {
  private static final int HIGHEST_BASE = 120;
  private static final long SWAY_SEED = 20_261_123;

  private final Map<Finger, List<Integer>> down = new HashMap<>();
  private final Map<ArrangementKind, Integer> bases = new EnumMap<>(ArrangementKind.class);
  private Arrangement arrangement = Arrangement.home();
  private final Map<Integer, Finger> sounding = new HashMap<>();
  private int base = Pitch.MIDDLE_C;
  private int velocity = VelocityMark.MF.velocity();
  private Touch touch = Touch.standard();

  /** The same within the range of the part that is played. */
  private Touch inForce = touch;

  private int ownFloor;
  private int ownCeiling;
  private final Random sway = new Random(SWAY_SEED);

  public Arrangement arrangement() {
    return arrangement;
  }

  /**
   * Lays the notes out otherwise. Each kind of arrangement remembers where its reach was. What is
   * held goes on and ends with its own finger.
   */
  public void setArrangement(Arrangement value) {
    bases.put(arrangement.kind(), base);
    base = bases.getOrDefault(value.kind(), value.kind().base());
    arrangement = value;
  }

  /** Lays the notes out otherwise, counted from a note, as far as the piano allows. */
  public void lay(Arrangement value, int newBase) {
    setArrangement(value);
    base = Math.clamp(newBase, Pitch.LOWEST, HIGHEST_BASE);
  }

  /** The lowest note under the hands, 0 to 127. */
  public int lowest() {
    return Math.clamp(base + arrangement.lowest(), Pitch.LOWEST, Pitch.HIGHEST);
  }

  /** The highest note under the hands, 0 to 127. */
  public int highest() {
    return Math.clamp(base + arrangement.highest(), Pitch.LOWEST, Pitch.HIGHEST);
  }

  /** The note that the arrangement counts from. */
  public int base() {
    return base;
  }

  /** Moves the reach by octaves; it stays where it is when that would leave the piano. */
  public void moveOctaves(int octaves) {
    moveReach(octaves * Pitch.OCTAVE);
  }

  /** Moves the reach by semitones; it stays where it is when that would leave the piano. */
  public void moveReach(int semitones) {
    int moved = base + semitones;
    if (moved >= Pitch.LOWEST && moved <= HIGHEST_BASE) {
      base = moved;
    }
  }

  /** Moves the reach, as far as the piano allows, so that a note comes to lie in its middle. */
  public void centreReach(int pitch) {
    int middle = (arrangement.lowest() + arrangement.highest()) / 2;
    base = Math.clamp(pitch - middle, Pitch.LOWEST, HIGHEST_BASE);
  }

  /** How hard the next key is struck, accents and sway apart. */
  public int velocity() {
    return inForce.limit(velocity);
  }

  public Touch touch() {
    return touch;
  }

  /** Chooses how hard keys are struck; its sway begins anew, so that it can be repeated. */
  public void setTouch(Touch value) {
    touch = value;
    limit(ownFloor, ownCeiling);
    sway.setSeed(SWAY_SEED);
  }

  /**
   * Holds the velocities of the part that is played within a range of its own.
   *
   * @param floor 1 to 127; 0 for none of its own
   * @param ceiling {@code floor} to 127; 0 likewise
   */
  public void limit(int floor, int ceiling) {
    ownFloor = floor;
    ownCeiling = ceiling;
    int lowest = floor > 0 ? floor : touch.floor();
    int highest = ceiling > 0 ? ceiling : touch.ceiling();
    inForce = touch.withRange(Math.min(lowest, highest), highest);
  }

  /** Sets the velocity, 1 to 127; beyond that it stops at the end. */
  public void setVelocity(int value) {
    velocity = inForce.limit(value);
  }

  /** The pitches that a key gives now, lowest first: none for one that plays nothing. */
  public List<Integer> pitchesAt(PhysicalKey key) {
    return arrangement.semitonesAt(key).stream().map(s -> base + s).filter(Pitch::isValid).toList();
  }

  /** A key goes down. */
  public List<Performed> press(PhysicalKey key, long atNanos) {
    return press(key, false, 0, atNanos);
  }

  /**
   * A key goes down.
   *
   * @param beat 1 on the first beat of a bar, 0.5 on another, 0 off the beat
   */
  public List<Performed> press(PhysicalKey key, boolean accented, double beat, long atNanos) {
    Finger finger = new Finger.OnKey(key);
    List<Integer> pitches = pitchesAt(key);
    if (down.containsKey(finger) || pitches.isEmpty()) {
      return List.of();
    }
    int struck = inForce.struck(velocity(), accented, beat, sway.nextGaussian());
    return strike(finger, pitches, struck, atNanos);
  }

  /** Drawn keys are pressed with the mouse; those pressed before are let go. */
  public List<Performed> press(List<Integer> pitches, int strikeVelocity, long atNanos) {
    Finger finger = new Finger.OnScreen();
    List<Performed> events = new ArrayList<>(release(finger, atNanos));
    events.addAll(strike(finger, pitches, inForce.limit(strikeVelocity), atNanos));
    return events;
  }

  /** Drawn keys are latched: they stay down until they are latched again. */
  public List<Performed> latch(List<Integer> pitches, int strikeVelocity, long atNanos) {
    Finger finger = new Finger.Latched(pitches);
    return down.containsKey(finger)
        ? release(finger, atNanos)
        : strike(finger, pitches, inForce.limit(strikeVelocity), atNanos);
  }

  /** The pitches that are latched. */
  public Set<Integer> latchedPitches() {
    Set<Integer> result = new TreeSet<>();
    down.forEach(
        (finger, pitches) -> {
          if (finger instanceof Finger.Latched) {
            result.addAll(pitches);
          }
        });
    return result;
  }

  /** A key of a MIDI input device goes down. */
  public List<Performed> pressOnDevice(int pitch, int strikeVelocity, long atNanos) {
    Finger finger = new Finger.OnDevice(pitch);
    List<Performed> events = new ArrayList<>(release(finger, atNanos));
    events.addAll(strike(finger, List.of(pitch), inForce.limit(strikeVelocity), atNanos));
    return events;
  }

  /** A key of a MIDI input device comes up. */
  public List<Performed> releaseOnDevice(int pitch, long atNanos) {
    return release(new Finger.OnDevice(pitch), atNanos);
  }

  /** Every key of the MIDI input device comes up: it may have gone. */
  public List<Performed> releaseDevice(long atNanos) {
    List<Performed> events = new ArrayList<>();
    for (Finger finger : fingersDown()) {
      if (finger instanceof Finger.OnDevice) {
        events.addAll(release(finger, atNanos));
      }
    }
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

  /** Every key of the computer keyboard comes up: it is not known any more which is which. */
  public List<Performed> releaseKeys(long atNanos) {
    List<Performed> events = new ArrayList<>();
    for (Finger finger : fingersDown()) {
      if (finger instanceof Finger.OnKey) {
        events.addAll(release(finger, atNanos));
      }
    }
    return events;
  }

  /**
   * Lets go whatever the window itself is told of, the keys of the computer and the mouse: no
   * release may be coming for it. Those of a MIDI input device still come.
   */
  public List<Performed> releaseOwn(long atNanos) {
    List<Performed> events = new ArrayList<>();
    for (Finger finger : fingersDown()) {
      if (!(finger instanceof Finger.OnDevice)) {
        events.addAll(release(finger, atNanos));
      }
    }
    return events;
  }

  /** Lets everything go. */
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

  private List<Performed> strike(
      Finger finger, List<Integer> pitches, int strikeVelocity, long atNanos) {
    List<Performed> events = new ArrayList<>(2 * pitches.size());
    down.put(finger, pitches);
    for (int pitch : pitches) {
      if (sounding.put(pitch, finger) != null) {
        events.add(new NoteOff(atNanos, pitch));
      }
      events.add(new NoteOn(atNanos, pitch, strikeVelocity));
    }
    return events;
  }

  private List<Performed> release(Finger finger, long atNanos) {
    List<Performed> events = new ArrayList<>();
    for (int pitch : down.getOrDefault(finger, List.of())) {
      if (sounding.remove(pitch, finger)) {
        events.add(new NoteOff(atNanos, pitch));
      }
    }
    down.remove(finger);
    return events;
  }
}
