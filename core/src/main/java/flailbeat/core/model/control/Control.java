package flailbeat.core.model.control;

/**
 * A value that a controller takes.
 *
 * @param number controller (CONTROLLER) or note number (KEY_PRESSURE), 0 to 127; otherwise 0
 * @param value 0 to 127; for PITCH_BEND 0 to 16383, 8192 being the centre
 */
public record Control(Kind kind, int number, int value) {
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

    /** The largest value; the smallest is 0. */
    public int most() {
      return this == PITCH_BEND ? 0x3FFF : 0x7F;
    }

    /**
     * The kind of a status byte, whatever its channel.
     *
     * @throws IllegalArgumentException for the status of a note or of no channel message
     */
    public static Kind of(int status) {
      for (Kind kind : values()) {
        if (kind.status == (status & 0xF0)) {
          return kind;
        }
      }
      throw new IllegalArgumentException("Status " + status + " is no controller");
    }
  }

  public Control {
    if (number < 0 || number > 0x7F || value < 0 || value > kind.most()) {
      throw new IllegalArgumentException(kind + " " + number + " cannot be " + value);
    }
  }

  /** A controller by its number. */
  public static Control controller(int number, int value) {
    return new Control(Kind.CONTROLLER, number, value);
  }

  /** A pressure on the channel, 0 to 127. */
  public static Control pressure(int value) {
    return new Control(Kind.CHANNEL_PRESSURE, 0, value);
  }

  /** A pitch bend, 0 to 16383. */
  public static Control bend(int value) {
    return new Control(Kind.PITCH_BEND, 0, value);
  }

  /** From a channel message's bytes. */
  public static Control of(int status, int data1, int data2) {
    Kind kind = Kind.of(status);
    return switch (kind) {
      case KEY_PRESSURE, CONTROLLER -> new Control(kind, data1, data2);
      case PROGRAM, CHANNEL_PRESSURE -> new Control(kind, 0, data1);
      case PITCH_BEND -> new Control(kind, 0, data1 | data2 << 7);
    };
  }

  /** Whether it says what another value of the same controller would say. */
  public boolean isOfOneWith(Control other) {
    return kind == other.kind && number == other.number;
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
}
