package flailbeat.core.event;

import flailbeat.core.pitch.Pitch;

/** Something performed, stamped in nanoseconds of the {@link flailbeat.core.time.Clock}. */
public sealed interface Performed {
  long atNanos();

  /** The same at another moment. */
  default Performed at(long nanos) {
    return switch (this) {
      case NoteOn e -> new NoteOn(nanos, e.pitch(), e.velocity());
      case NoteOff e -> new NoteOff(nanos, e.pitch());
      case Control e -> new Control(nanos, e.number(), e.value());
      case Pressure e -> new Pressure(nanos, e.value());
      case Bend e -> new Bend(nanos, e.value());
    };
  }

  /**
   * A note begins.
   *
   * @param velocity 1 to 127
   */
  record NoteOn(long atNanos, int pitch, int velocity) implements Performed {
    public NoteOn {
      Pitch.require(pitch);
      if (velocity < 1 || velocity > 127) {
        throw new IllegalArgumentException("A velocity goes from 1 to 127, not " + velocity);
      }
    }
  }

  /** A note ends. */
  record NoteOff(long atNanos, int pitch) implements Performed {
    public NoteOff {
      Pitch.require(pitch);
    }
  }

  /**
   * A controller moves.
   *
   * @param number MIDI controller, 0 to 127; see {@link #SUSTAIN} and {@link #MODULATION}
   * @param value 0 to 127
   */
  record Control(long atNanos, int number, int value) implements Performed {
    /** The sustain pedal: 64 and above is down (MIDI 1.0). */
    public static final int SUSTAIN = 64;

    /** From this value on the pedal is down (MIDI 1.0). */
    public static final int SUSTAIN_DOWN = 64;

    /** The modulation wheel (MIDI 1.0). */
    public static final int MODULATION = 1;

    /** Which registered parameter the data entry sets: the high and the low half of its number. */
    public static final int PARAMETER_HIGH = 101;

    /** See {@link #PARAMETER_HIGH}. */
    public static final int PARAMETER_LOW = 100;

    /** The value of the parameter: its high half. */
    public static final int DATA_ENTRY = 6;

    /** The value of the parameter: its low half. */
    public static final int DATA_ENTRY_LOW = 38;

    public Control {
      if (number < 0 || number > 127 || value < 0 || value > 127) {
        throw new IllegalArgumentException("Controller " + number + " cannot be " + value);
      }
    }
  }

  /**
   * The keys are pressed on while they are down: the pressure on the channel.
   *
   * @param value 0 to 127
   */
  record Pressure(long atNanos, int value) implements Performed {
    public Pressure {
      if (value < 0 || value > 127) {
        throw new IllegalArgumentException("A pressure goes from 0 to 127, not " + value);
      }
    }
  }

  /**
   * The pitch bends.
   *
   * @param value 0 to 16383, 8192 being the centre (MIDI 1.0)
   */
  record Bend(long atNanos, int value) implements Performed {
    /** Not bent. */
    public static final int CENTRE = 8192;

    public Bend {
      if (value < 0 || value > 16_383) {
        throw new IllegalArgumentException("A pitch bend goes from 0 to 16383, not " + value);
      }
    }
  }
}
