package flailbeat.core.model.control;

import java.util.Optional;

/**
 * A controller of a part: by its number, the pitch bend, or the pressure on the channel.
 *
 * @param number 0 to 127 for CONTROLLER; otherwise 0
 */
public record Controller(Control.Kind kind, int number) {
  /** Pedals and switches are down from this value on (MIDI 1.0). */
  public static final int DOWN = 64;

  public static final Controller SUSTAIN = numbered(64);
  public static final Controller MODULATION = numbered(1);
  public static final Controller EXPRESSION = numbered(11);
  public static final Controller BEND = new Controller(Control.Kind.PITCH_BEND, 0);
  public static final Controller PRESSURE = new Controller(Control.Kind.CHANNEL_PRESSURE, 0);

  private static final int FIRST_SWITCH = 64;
  private static final int LAST_SWITCH = 69;

  public Controller {
    boolean drawn =
        kind == Control.Kind.CONTROLLER
            || kind == Control.Kind.PITCH_BEND
            || kind == Control.Kind.CHANNEL_PRESSURE;
    boolean numbered = kind == Control.Kind.CONTROLLER;
    if (!drawn || number < 0 || number > (numbered ? 127 : 0)) {
      throw new IllegalArgumentException("There is no controller " + kind + " " + number);
    }
  }

  /**
   * A controller by its number.
   *
   * @throws IllegalArgumentException for a number beyond 0 to 127
   */
  public static Controller numbered(int number) {
    return new Controller(Control.Kind.CONTROLLER, number);
  }

  /** The controller that a control sets; empty where it is none that a lane could show. */
  public static Optional<Controller> of(Control control) {
    return switch (control.kind()) {
      case CONTROLLER, PITCH_BEND, CHANNEL_PRESSURE ->
          Optional.of(new Controller(control.kind(), control.number()));
      default -> Optional.empty();
    };
  }

  /** Whether a value is one of this controller's. */
  public boolean isOf(Control control) {
    return control.kind() == kind && control.number() == number;
  }

  /** Its largest value; the smallest is 0. */
  public int most() {
    return kind.most();
  }

  /** So much of 128 values, in its own. */
  public int share(int of128) {
    return of128 * (most() + 1) / 128;
  }

  /**
   * Where it stands as long as nothing was said of it: a reset of all controllers leads there (MIDI
   * Manufacturers Association, RP-015), with volume 100 and pan in the middle.
   */
  public int atRest() {
    return switch (kind) {
      case PITCH_BEND -> 0x2000;
      case CONTROLLER -> controllerAtRest(number);
      default -> 0;
    };
  }

  /** Whether a value is where it rests: a pedal is up below {@link #DOWN}. */
  public boolean isAtRest(int value) {
    return isSwitch() ? value < DOWN : value == atRest();
  }

  /**
   * Where its values are counted from: the middle where it rests there, as the bend and the pan do;
   * else 0.
   */
  public int zero() {
    return atRest() == (most() + 1) / 2 ? atRest() : 0;
  }

  private static int controllerAtRest(int number) {
    return switch (number) {
      case 7 -> 100;
      case 8, 10, 71, 72, 73, 74, 75, 76, 77, 78 -> 64;
      case 11 -> 127;
      case 91 -> 40;
      default -> 0;
    };
  }

  /** Whether it is a pedal or a switch: below {@link #DOWN} off, from there on on. */
  public boolean isSwitch() {
    return kind == Control.Kind.CONTROLLER && number >= FIRST_SWITCH && number <= LAST_SWITCH;
  }

  /**
   * Whether hands, feet or breath move it while they play, so that it belongs to a performance;
   * what sets up the sound of a part, as its volume does, is no part of one.
   */
  public boolean isPerformed() {
    return kind != Control.Kind.CONTROLLER
        || isSwitch()
        || switch (number) {
          case 1, 2, 4, 11 -> true;
          default -> false;
        };
  }

  /**
   * Whether a value of it says all by itself. Of banks, of data for a parameter and of that
   * parameter's number none does; and the messages of the channel's mode set nothing that holds
   * (MIDI 1.0).
   */
  public boolean standsAlone() {
    return kind != Control.Kind.CONTROLLER
        || switch (number) {
          case 0, 6, 32, 38, 96, 97, 98, 99, 100, 101 -> false;
          default -> number < 120;
        };
  }

  /** Whether it goes back to where it rests as soon as it is let go: pedals and the bend. */
  public boolean isLetGo() {
    return isSwitch() || kind != Control.Kind.CONTROLLER;
  }

  /** One of its values, which are held within their bounds. */
  public Control at(long value) {
    return new Control(kind, number, Math.clamp(value, 0, most()));
  }

  /** What it is called. */
  public String title() {
    return switch (kind) {
      case PITCH_BEND -> "Pitch bend";
      case CHANNEL_PRESSURE -> "Channel pressure";
      default -> ControllerNames.of(number);
    };
  }
}
