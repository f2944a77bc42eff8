package flailbeat.audio.midi;

import flailbeat.core.model.control.Controller;
import flailbeat.core.model.sound.GeneralMidi;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.pitch.Pitch;
import java.util.Locale;

/** Says in words what a MIDI channel message is (MIDI 1.0 detailed specification, table I). */
public final class MidiWords {
  private static final int CENTRE = 8192;

  private MidiWords() {}

  /** What it does: {@code Note on C4, velocity 80}. */
  public static String of(int status, int data1, int data2, OctaveNames octaves) {
    return switch (status & 0xF0) {
      case 0x80 -> "Note off " + Pitch.name(data1, octaves) + ", velocity " + data2;
      case 0x90 ->
          data2 == 0
              ? "Note off " + Pitch.name(data1, octaves) + " (note on, velocity 0)"
              : "Note on " + Pitch.name(data1, octaves) + ", velocity " + data2;
      case 0xA0 -> "Key pressure " + Pitch.name(data1, octaves) + ", " + data2;
      case 0xB0 -> controller(data1) + " " + data2;
      case 0xC0 -> "Program " + (data1 + 1) + ", " + GeneralMidi.title(data1);
      case 0xD0 -> "Channel pressure " + data1;
      case 0xE0 -> "Pitch bend " + signed((data1 | data2 << 7) - CENTRE);
      default -> "System message";
    };
  }

  private static String controller(int number) {
    return switch (number) {
      case 120 -> "All sound off (120)";
      case 121 -> "Reset controllers (121)";
      case 123 -> "All notes off (123)";
      default -> Controller.numbered(number).title() + " (" + number + ")";
    };
  }

  private static String signed(int value) {
    return value > 0 ? "+" + value : Integer.toString(value).replace('-', '\u2212');
  }

  /** The bytes: {@code 90 3C 50}. */
  public static String bytes(int status, int data1, int data2) {
    int kind = status & 0xF0;
    String two = String.format(Locale.ROOT, "%02X %02X", status, data1);
    return kind == 0xC0 || kind == 0xD0 ? two : two + String.format(Locale.ROOT, " %02X", data2);
  }
}
