package flailbeat.core.session.hands;

import flailbeat.core.event.Performed;
import flailbeat.core.keys.Arrangement;
import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.keys.BendSettings;
import flailbeat.core.keys.Hands;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.Pedals;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.keys.Touch;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.control.Controller;
import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.Scale;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Changes.Listening;
import flailbeat.core.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.LongToDoubleFunction;

/** The person at the keys: who has them, what is held, where the reach lies, what shapes notes. */
public final class Performer {
  /** The computer's keys, as an input. */
  public static final String KEYS = "keys";

  /** The mouse on drawn keys, as an input. */
  public static final String MOUSE = "mouse";

  private String input = KEYS;
  private String device = "MIDI input";
  private Optional<String> chosenDevice = Optional.empty();

  private final Changes changes;
  private final Clock clock;
  private final Hands hands = new Hands();
  private final Pedals pedals = new Pedals();
  private KeyLayout layout = KeyLayout.QWERTY;

  /** What the MIDI input device holds away from where it rests. */
  private final Map<Controller, Integer> deviceHolds = new LinkedHashMap<>();

  private int tonic;
  private Scale scale = Scale.MAJOR;
  private KeysMode keysMode = KeysMode.PLAY;
  private final List<Consumer<Performed>> listeners = new ArrayList<>();
  private Consumer<Performed> heardBy = event -> {};
  private LongToDoubleFunction beatAt = atNanos -> 0;

  public Performer(Changes changes, Clock clock) {
    this.changes = changes;
    this.clock = clock;
  }

  /**
   * Chooses who hears, and writes down, what is performed.
   *
   * @param beat says of a moment of the clock's whether it is on the first beat of a bar (1), on
   *     another (0.5), or off the beat (0)
   */
  public void playTo(Consumer<Performed> listener, LongToDoubleFunction beat) {
    heardBy = listener;
    beatAt = beat;
  }

  /** Lets someone hear all that is performed, by whatever input, before anything comes of it. */
  public Listening listen(Consumer<Performed> listener) {
    listeners.add(listener);
    return () -> listeners.remove(listener);
  }

  public Hands hands() {
    return hands;
  }

  /** Sustain, bend and modulation as they stand. */
  public Pedals pedals() {
    return pedals;
  }

  public KeysMode keysMode() {
    return keysMode;
  }

  /** Gives the letter keys to notes or to commands; what is held ends. */
  public void setKeysMode(KeysMode mode) {
    if (mode != keysMode) {
      releaseAll(clock.nanoTime());
      keysMode = mode;
      changes.fire(Aspect.KEYS);
    }
  }

  /** The layout of the person's keyboard. */
  public KeyLayout layout() {
    return layout;
  }

  /** Chooses the layout; what is held ends, since its keys may no longer be known. */
  public void setLayout(KeyLayout value) {
    releaseKeys(clock.nanoTime());
    layout = value;
    changes.fire(Aspect.LAYOUT, Aspect.KEYS);
  }

  /** What was played last: {@value #KEYS}, {@value #MOUSE} or the name of a MIDI input device. */
  public String input() {
    return input;
  }

  /** The MIDI input device that the person wants, whether it is there or not. */
  public Optional<String> chosenDevice() {
    return chosenDevice;
  }

  public void chooseDevice(Optional<String> name) {
    if (!name.equals(chosenDevice)) {
      chosenDevice = name;
      changes.fire(Aspect.SETTINGS);
    }
  }

  /** What the MIDI input device is called. */
  public void setDevice(String name) {
    device = name;
  }

  /** A key goes down at a moment of the clock's. */
  public void press(PhysicalKey key, long atNanos) {
    press(key, false, atNanos);
  }

  /** A key goes down, accented or not. */
  public void press(PhysicalKey key, boolean accented, long atNanos) {
    input = KEYS;
    perform(hands.press(key, accented, beatAt.applyAsDouble(atNanos), atNanos));
  }

  /** Drawn keys are latched, or let go of when they were. */
  public void latch(List<Integer> pitches, int velocity, long atNanos) {
    perform(hands.latch(pitches, velocity, atNanos));
  }

  /** A key of a MIDI input device goes down. */
  public void pressOnDevice(int pitch, int velocity, long atNanos) {
    input = device;
    perform(hands.pressOnDevice(pitch, velocity, atNanos));
  }

  public void releaseOnDevice(int pitch, long atNanos) {
    perform(hands.releaseOnDevice(pitch, atNanos));
  }

  /** Ends every note of the MIDI input device, its pedals, wheel and bend: it may have gone. */
  public void releaseDevice(long atNanos) {
    perform(hands.releaseDevice(atNanos));
    List.copyOf(deviceHolds.keySet()).forEach(c -> moveOnDevice(performed(c, c.atRest(), atNanos)));
  }

  /** A controller, the bend or the pressure of a MIDI input device moves. */
  public void moveOnDevice(Performed event) {
    control(event)
        .filter(c -> Controller.of(c).filter(Controller::isPerformed).isPresent())
        .ifPresent(this::noteHeld);
    perform(List.of(event));
  }

  private void noteHeld(Control control) {
    Controller of = Controller.of(control).orElseThrow();
    if (of.isAtRest(control.value())) {
      deviceHolds.remove(of);
    } else {
      deviceHolds.put(of, control.value());
    }
  }

  /** What a performed event sets a controller to; empty for a note. */
  static Optional<Control> control(Performed event) {
    return switch (event) {
      case Performed.Control c -> Optional.of(Control.controller(c.number(), c.value()));
      case Performed.Bend b -> Optional.of(Control.bend(b.value()));
      case Performed.Pressure p -> Optional.of(Control.pressure(p.value()));
      case Performed.NoteOn on -> Optional.empty();
      case Performed.NoteOff off -> Optional.empty();
    };
  }

  private static Performed performed(Controller of, int value, long atNanos) {
    return switch (of.kind()) {
      case PITCH_BEND -> new Performed.Bend(atNanos, value);
      case CHANNEL_PRESSURE -> new Performed.Pressure(atNanos, value);
      default -> new Performed.Control(atNanos, of.number(), value);
    };
  }

  /** What is still held away from rest, though all notes ended: by a device, and by the wheel. */
  List<Control> stillHeld() {
    Map<Controller, Integer> held = new LinkedHashMap<>(deviceHolds);
    if (pedals.modulation() > 0) {
      held.put(Controller.MODULATION, pedals.modulation());
    }
    return held.entrySet().stream().map(e -> e.getKey().at(e.getValue())).toList();
  }

  /** Chooses how hard keys are struck. */
  public void setTouch(Touch value) {
    hands.setTouch(value);
    changes.fire(Aspect.KEYS, Aspect.SETTINGS);
  }

  /** Chooses how the bend behaves. */
  public void setBend(BendSettings value) {
    perform(pedals.setSettings(value, clock.nanoTime()));
    changes.fire(Aspect.SETTINGS);
  }

  /** Steps the velocity up (1) or down (-1). */
  public void stepVelocity(int steps) {
    setVelocity(hands.velocity() + steps * hands.touch().step());
  }

  public void release(PhysicalKey key, long atNanos) {
    perform(hands.release(key, atNanos));
  }

  /** Drawn keys go down. */
  public void press(List<Integer> pitches, int velocity, long atNanos) {
    input = MOUSE;
    perform(hands.press(pitches, velocity, atNanos));
  }

  public void releasePointer(long atNanos) {
    perform(hands.releasePointer(atNanos));
  }

  /** Ends every note of the computer's keys. */
  public void releaseKeys(long atNanos) {
    perform(hands.releaseKeys(atNanos));
  }

  /** Ends every note under the hands: their releases may never come. */
  public void releaseAll(long atNanos) {
    perform(hands.releaseAll(atNanos));
    perform(pedals.releaseAll(atNanos));
  }

  /**
   * Ends every note of the computer's keys and of the mouse, sustain and bend: the window is told
   * of no release any more. A MIDI input device goes on.
   */
  public void releaseOwn(long atNanos) {
    perform(hands.releaseOwn(atNanos));
    perform(pedals.releaseAll(atNanos));
  }

  /** Ends every note under the hands now. */
  public void releaseAll() {
    releaseAll(clock.nanoTime());
  }

  public void sustain(boolean down, long atNanos) {
    perform(pedals.sustain(down, atNanos));
  }

  public void latchSustain(long atNanos) {
    perform(pedals.toggleLatch(atNanos));
  }

  /** Pulls the bend down (-1) or up (1), or lets that way go. */
  public void bend(int direction, boolean held, long atNanos) {
    perform(pedals.pull(direction, held, atNanos));
  }

  public void modulate(int steps, long atNanos) {
    perform(pedals.modulate(steps, atNanos));
  }

  public void modulationOff() {
    perform(pedals.modulationOff(clock.nanoTime()));
  }

  /** Lets glide what glides, up to now. */
  public void advance() {
    perform(pedals.advance(clock.nanoTime()));
  }

  /** Lays the notes out otherwise under the hands, in the key and scale that were chosen last. */
  public void arrange(ArrangementKind kind) {
    arrange(kind, tonic, scale);
  }

  /**
   * Lays the notes out otherwise under the hands.
   *
   * @param newTonic the tonic's pitch class, 0 to 11; for those kinds that have a key
   */
  public void arrange(ArrangementKind kind, int newTonic, Scale newScale) {
    tonic = newTonic;
    scale = newScale;
    hands.setArrangement(Arrangement.of(kind, tonic, scale));
    changes.fire(Aspect.KEYS, Aspect.SETTINGS);
  }

  /** Lays the notes out otherwise, in the key and scale that were chosen last. */
  public void lay(ArrangementKind kind, int base) {
    hands.lay(Arrangement.of(kind, tonic, scale), base);
    changes.fire(Aspect.KEYS);
  }

  /**
   * Lays chords under the hands, one to a key, until the notes are laid out otherwise.
   *
   * @param chords the pitches of each, the lowest first
   */
  public void layChords(List<List<Integer>> chords) {
    int base = ArrangementKind.CHORDS.base();
    List<List<Integer>> above =
        chords.stream().map(c -> c.stream().map(p -> p - base).toList()).toList();
    hands.lay(Arrangement.ofChords(above), base);
    changes.fire(Aspect.KEYS);
  }

  /** Says that something about the keys is another. */
  void tellKeys() {
    changes.fire(Aspect.KEYS);
  }

  /** The key that is chosen under the hands, for arrangements that have one. */
  public Key key() {
    return new Key(tonic, scale);
  }

  /** The pitch class of the key that arrangements are in which have one. */
  public int tonic() {
    return tonic;
  }

  public Scale scale() {
    return scale;
  }

  /** Moves the reach by semitones. */
  public void moveReach(int semitones) {
    hands.moveReach(semitones);
    changes.fire(Aspect.KEYS);
  }

  public void moveOctaves(int octaves) {
    hands.moveOctaves(octaves);
    changes.fire(Aspect.KEYS);
  }

  /** Moves the reach so that a note lies in its middle. */
  public void centreReach(int pitch) {
    hands.centreReach(pitch);
    changes.fire(Aspect.KEYS);
  }

  public void setVelocity(int velocity) {
    hands.setVelocity(velocity);
    changes.fire(Aspect.KEYS);
  }

  /** All that is performed passes here, and nowhere else. */
  private void tell(Performed event) {
    List.copyOf(listeners).forEach(l -> l.accept(event));
    heardBy.accept(event);
  }

  private void perform(List<Performed> events) {
    if (!events.isEmpty()) {
      changes.during(
          () -> {
            events.forEach(this::tell);
            changes.fire(Aspect.KEYS);
          });
    }
  }
}
