package flailbeat.audio.midi;

import flailbeat.core.event.Performed;
import java.util.Optional;

/** Understands channel messages (MIDI 1.0 detailed specification). */
public final class MidiMessages {
  private MidiMessages() {}

  /**
   * What a channel message performs; a note-on with velocity 0 is a note-off. Nothing for messages
   * that are not performed here, such as the clock's.
   *
   * @param status status byte, of any channel
   */
  public static Optional<Performed> performed(int status, int data1, int data2, long atNanos) {
    return switch (status & 0xF0) {
      case 0x80 -> Optional.of(new Performed.NoteOff(atNanos, data1));
      case 0x90 ->
          Optional.of(
              data2 == 0
                  ? new Performed.NoteOff(atNanos, data1)
                  : new Performed.NoteOn(atNanos, data1, data2));
      case 0xB0 -> Optional.of(new Performed.Control(atNanos, data1, data2));
      case 0xD0 -> Optional.of(new Performed.Pressure(atNanos, data1));
      case 0xE0 -> Optional.of(new Performed.Bend(atNanos, data1 | data2 << 7));
      default -> Optional.empty();
    };
  }
}
