package flailbeat.core.keys;

import flailbeat.core.event.Performed;
import flailbeat.core.event.Performed.Bend;
import flailbeat.core.event.Performed.Control;
import java.util.ArrayList;
import java.util.List;

/**
 * What shapes notes beside the keys that strike them: sustain, bend and modulation. Each call
 * returns the events that follow from it, in order of time.
 *
 * <p>Sustain is down while it is held, or until it is let go of again when latched. The bend glides
 * to the end of its range while held and springs back as quickly; its way is sampled every {@value
 * #BEND_STEP_NANOS} ns. Modulation goes in steps of {@value #MODULATION_STEP}.
 */
public final class Pedals {
  /** How much a press changes the modulation. */
  public static final int MODULATION_STEP = 16;

  private static final long BEND_STEP_NANOS = 5_000_000;
  private static final int STEPS_PER_MS = 5;
  private static final int HIGHEST = 127;

  private boolean sustainHeld;
  private boolean sustainLatched;
  private int modulation;
  private BendSettings settings = BendSettings.standard();
  private boolean rangeTold;
  private final List<Integer> pulled = new ArrayList<>();
  private int bendDirection;
  private int bendSteps;
  private long bendNanos;

  public BendSettings settings() {
    return settings;
  }

  /** Chooses how the bend behaves; one that is bent springs back at once. */
  public List<Performed> setSettings(BendSettings value, long atNanos) {
    List<Performed> events = bendSteps == 0 ? List.of() : List.of(new Bend(atNanos, Bend.CENTRE));
    pulled.clear();
    bendDirection = 0;
    bendSteps = 0;
    settings = value;
    rangeTold = false;
    return events;
  }

  private int steps() {
    return Math.max(1, settings.glideMs() / STEPS_PER_MS);
  }

  /** The instrument must be told the bend's range before the next bend: it may be another one. */
  public void tellRangeAgain() {
    rangeTold = false;
  }

  /** Registered parameter 0,0, pitch bend sensitivity (MIDI 1.0 detailed specification). */
  private List<Performed> range(long atNanos) {
    rangeTold = true;
    return List.of(
        new Control(atNanos, Control.PARAMETER_HIGH, 0),
        new Control(atNanos, Control.PARAMETER_LOW, 0),
        new Control(atNanos, Control.DATA_ENTRY, settings.semitones()),
        new Control(atNanos, Control.DATA_ENTRY_LOW, 0));
  }

  /** Whether sustain is down, for whichever reason. */
  public boolean isSustaining() {
    return sustainHeld || sustainLatched;
  }

  public boolean isLatched() {
    return sustainLatched;
  }

  /** 0 to 127. */
  public int modulation() {
    return modulation;
  }

  /** -1 (down to the end of the range) to 1 (up to the end). */
  public double bend() {
    return (double) bendSteps / steps();
  }

  /** The sustain key goes down or up. */
  public List<Performed> sustain(boolean down, long atNanos) {
    boolean before = isSustaining();
    sustainHeld = down;
    return sustainEvents(before, atNanos);
  }

  /** Latches sustain, or lets it go. */
  public List<Performed> toggleLatch(long atNanos) {
    boolean before = isSustaining();
    sustainLatched = !sustainLatched;
    return sustainEvents(before, atNanos);
  }

  private List<Performed> sustainEvents(boolean before, long atNanos) {
    return before == isSustaining()
        ? List.of()
        : List.of(new Control(atNanos, Control.SUSTAIN, isSustaining() ? HIGHEST : 0));
  }

  /** Steps the modulation up (1), down (-1). */
  public List<Performed> modulate(int steps, long atNanos) {
    int before = modulation;
    modulation = Math.clamp(modulation + steps * MODULATION_STEP, 0, HIGHEST);
    return before == modulation
        ? List.of()
        : List.of(new Control(atNanos, Control.MODULATION, modulation));
  }

  /** Turns the modulation off, however far up it was. */
  public List<Performed> modulationOff(long atNanos) {
    return modulate(-HIGHEST, atNanos);
  }

  /**
   * The bend is pulled one way, or that way is let go. Of both at once the last counts, and the
   * other again as it is let go.
   *
   * @param direction -1 down, 1 up
   */
  public List<Performed> pull(int direction, boolean held, long atNanos) {
    List<Performed> events = new ArrayList<>();
    pulled.remove((Integer) direction);
    if (held) {
      pulled.add(direction);
      if (!rangeTold) {
        events.addAll(range(atNanos));
      }
    }
    events.addAll(advance(atNanos));
    bendDirection = pulled.isEmpty() ? 0 : pulled.getLast();
    bendNanos = atNanos;
    return events;
  }

  /** Lets the bend glide up to a time: one event for each sample of its way. */
  public List<Performed> advance(long atNanos) {
    List<Performed> events = new ArrayList<>();
    int target = bendDirection * steps();
    while (bendSteps != target && bendNanos + BEND_STEP_NANOS <= atNanos) {
      bendNanos += BEND_STEP_NANOS;
      bendSteps += Integer.signum(target - bendSteps);
      events.add(new Bend(bendNanos, bendValue()));
    }
    return events;
  }

  private int bendValue() {
    double range = bendSteps < 0 ? Bend.CENTRE : Bend.CENTRE - 1;
    return Bend.CENTRE + (int) Math.round(bend() * range);
  }

  /** Lets go of sustain, latched or not, and of the bend, at once; the modulation stays. */
  public List<Performed> releaseAll(long atNanos) {
    List<Performed> events = new ArrayList<>();
    if (isSustaining()) {
      events.add(new Control(atNanos, Control.SUSTAIN, 0));
    }
    if (bendSteps != 0) {
      events.add(new Bend(atNanos, Bend.CENTRE));
    }
    sustainHeld = false;
    sustainLatched = false;
    pulled.clear();
    bendDirection = 0;
    bendSteps = 0;
    return events;
  }
}
