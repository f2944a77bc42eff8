package flailbeat.core.playback;

import flailbeat.core.model.control.Controller;

/**
 * Numbers for what a part's controllers hold, apart from those that select or set a registered
 * parameter: their meaning depends on their order.
 */
public final class ControlKey {
  /**
   * How many there are to a part: controllers, bend, channel pressure, the pressure of each key.
   */
  public static final int COUNT = 128 + 2 + 128;

  /** What is no such key. */
  public static final int NONE = -1;

  private static final int BEND = 128;
  private static final int CHANNEL_PRESSURE = 129;
  private static final int KEY_PRESSURE = 130;

  private ControlKey() {}

  /** The key of a message within its part, or {@link #NONE}. */
  public static int of(int message) {
    int data1 = PlaybackPlan.data1(message);
    return switch (PlaybackPlan.status(message)) {
      case 0xA0 -> KEY_PRESSURE + data1;
      case 0xB0 -> isOfParameters(data1) ? NONE : data1;
      case 0xD0 -> CHANNEL_PRESSURE;
      case 0xE0 -> BEND;
      default -> NONE;
    };
  }

  /** Whether a controller selects a registered parameter or sets it. */
  static boolean isOfParameters(int controller) {
    return controller == 6 || controller == 38 || controller >= 96 && controller <= 101;
  }

  /**
   * The message that puts a part's key to rest: where the synthesizer begins, and where a reset of
   * all controllers leads (MIDI Manufacturers Association, RP-015), with volume 100 and pan in the
   * middle.
   */
  public static int atRest(int part, int key) {
    return switch (key) {
      case BEND -> PlaybackPlan.message(part, 0xE0, 0, 64);
      case CHANNEL_PRESSURE -> PlaybackPlan.message(part, 0xD0, 0, 0);
      default ->
          key >= KEY_PRESSURE
              ? PlaybackPlan.message(part, 0xA0, key - KEY_PRESSURE, 0)
              : PlaybackPlan.message(part, 0xB0, key, Controller.numbered(key).atRest());
    };
  }
}
