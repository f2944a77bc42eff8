package flailbeat.core.model.control;

import java.util.ArrayList;
import java.util.List;

/**
 * What controllers are called by their numbers: MIDI 1.0 detailed specification, table III, with
 * the names that later recommended practices (RP-021 to RP-023) gave; from memory. Names are as
 * short as they can be said.
 */
public final class ControllerNames {
  private static final String[] COARSE = {
    "Bank select",
    "Modulation",
    "Breath",
    "",
    "Foot controller",
    "Portamento time",
    "Data entry",
    "Volume",
    "Balance",
    "",
    "Pan",
    "Expression",
    "Effect control 1",
    "Effect control 2",
    "",
    "",
    "General purpose 1",
    "General purpose 2",
    "General purpose 3",
    "General purpose 4"
  };

  private static final String[] FROM_SUSTAIN = {
    "Sustain",
    "Portamento on or off",
    "Sostenuto",
    "Soft pedal",
    "Legato footswitch",
    "Hold 2",
    "Sound variation",
    "Timbre",
    "Release time",
    "Attack time",
    "Brightness",
    "Decay time",
    "Vibrato rate",
    "Vibrato depth",
    "Vibrato delay",
    "Sound controller 10",
    "General purpose 5",
    "General purpose 6",
    "General purpose 7",
    "General purpose 8",
    "Portamento control",
    "",
    "",
    "",
    "High resolution velocity",
    "",
    "",
    "Reverb send",
    "Tremolo depth",
    "Chorus send",
    "Celeste depth",
    "Phaser depth",
    "Data increment",
    "Data decrement",
    "Non-registered parameter, fine",
    "Non-registered parameter",
    "Registered parameter, fine",
    "Registered parameter"
  };

  private static final String[] MODES = {
    "All sound off",
    "Reset all controllers",
    "Local control",
    "All notes off",
    "Omni mode off",
    "Omni mode on",
    "Mono mode on",
    "Poly mode on"
  };

  private static final int FINE = 32;
  private static final int SUSTAIN = 64;
  private static final int FIRST_MODE = 120;

  private ControllerNames() {}

  /**
   * The name of a number; "Controller 3" for one that has none.
   *
   * @param number 0 to 127
   */
  public static String of(int number) {
    String name = standard(number);
    return name.isEmpty() ? "Controller " + number : name;
  }

  private static String standard(int number) {
    if (number >= FIRST_MODE) {
      return MODES[number - FIRST_MODE];
    }
    if (number >= SUSTAIN) {
      return in(FROM_SUSTAIN, number - SUSTAIN);
    }
    String coarse = in(COARSE, number % FINE);
    return number < FINE || coarse.isEmpty() ? coarse : coarse + ", fine";
  }

  private static String in(String[] names, int index) {
    return index < names.length ? names[index] : "";
  }

  /** All numbers that a person may draw: the modes are commands to the instrument and no values. */
  public static List<Integer> drawable() {
    List<Integer> all = new ArrayList<>();
    for (int number = 0; number < FIRST_MODE; number++) {
      all.add(number);
    }
    return all;
  }
}
