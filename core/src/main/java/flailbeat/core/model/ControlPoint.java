package flailbeat.core.model;

import flailbeat.core.time.Ticks;

/**
 * A controller's value from a tick on.
 *
 * @param tick 0 to {@link Ticks#LAST}
 * @param number controller (CONTROLLER) or note number (KEY_PRESSURE), 0 to 127; otherwise 0
 * @param value 0 to 127; for PITCH_BEND 0 to 16383, 8192 being the centre
 */
public record ControlPoint(long tick, Kind kind, int number, int value) {
  /** Which channel message it is, with that message's status byte. */
  public enum Kind {
    KEY_PRESSURE(0xA0),
    CONTROLLER(0xB0),
    PROGRAM(0xC0),
    CHANNEL_PRESSURE(0xD0),
    PITCH_BEND(0xE0);

    private final int status;

    Kind(int status) {
      this.status = status;
    }

    public int status() {
      return status;
    }
  }

  public ControlPoint {
    Ticks.require(tick);
    int most = kind == Kind.PITCH_BEND ? 0x3FFF : 0x7F;
    if (number < 0 || number > 0x7F || value < 0 || value > most) {
      throw new IllegalArgumentException(kind + " " + number + " cannot be " + value);
    }
  }

  /** The same at another time. */
  public ControlPoint at(long newTick) {
    return newTick == tick ? this : new ControlPoint(newTick, kind, number, value);
  }

  /** The first data byte of its MIDI message. */
  public int data1() {
    return switch (kind) {
      case KEY_PRESSURE, CONTROLLER -> number;
      case PROGRAM, CHANNEL_PRESSURE -> value;
      case PITCH_BEND -> value & 0x7F;
    };
  }

  /** The second data byte; 0 for the messages that have but one. */
  public int data2() {
    return switch (kind) {
      case KEY_PRESSURE, CONTROLLER -> value;
      case PROGRAM, CHANNEL_PRESSURE -> 0;
      case PITCH_BEND -> value >> 7;
    };
  }

  /** From a channel message's bytes. */
  public static ControlPoint of(long tick, int status, int data1, int data2) {
    return switch (status & 0xF0) {
      case 0xA0 -> new ControlPoint(tick, Kind.KEY_PRESSURE, data1, data2);
      case 0xB0 -> new ControlPoint(tick, Kind.CONTROLLER, data1, data2);
      case 0xC0 -> new ControlPoint(tick, Kind.PROGRAM, 0, data1);
      case 0xD0 -> new ControlPoint(tick, Kind.CHANNEL_PRESSURE, 0, data1);
      case 0xE0 -> new ControlPoint(tick, Kind.PITCH_BEND, 0, data1 | data2 << 7);
      default -> throw new IllegalArgumentException("Status " + status + " is no controller");
    };
  }
}
