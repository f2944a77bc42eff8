package flailbeat.core.keys;

/**
 * How hard keys that sense no force are struck.
 *
 * @param floor the softest that anything is played, 1 to 127
 * @param ceiling the loudest, {@code floor} to 127; equal to it, every note has that velocity
 * @param step how much the velocity keys change it, 1 to 32
 * @param accent how much harder an accented note is struck, 0 to 64
 * @param sway the standard deviation of a random spread, 0 (none) to {@value #MOST_SWAY}
 * @param beatAccent how much harder the first beat of a bar is struck, 0 to {@value
 *     #MOST_BEAT_ACCENT}; the other beats half as much
 */
public record Touch(int floor, int ceiling, int step, int accent, int sway, int beatAccent) {
  /** More would be noise. */
  public static final int MOST_SWAY = 20;

  /** As much as two marks. */
  public static final int MOST_BEAT_ACCENT = 32;

  private static final int MOST_STEP = 32;
  private static final int MOST_ACCENT = 64;

  public Touch {
    if (floor < 1 || ceiling > 127 || floor > ceiling) {
      throw new IllegalArgumentException(
          "Velocities go from 1 to 127, not from " + floor + " to " + ceiling);
    }
    require("The velocity step", step, 1, MOST_STEP);
    require("The accent", accent, 0, MOST_ACCENT);
    require("The sway", sway, 0, MOST_SWAY);
    require("The beat accent", beatAccent, 0, MOST_BEAT_ACCENT);
  }

  private static void require(String what, int value, int least, int most) {
    if (value < least || value > most) {
      throw new IllegalArgumentException(
          what + " goes from " + least + " to " + most + ", not " + value);
    }
  }

  /** All velocities, steps of 5, accents of 20 (a big step: common practice), no sway. */
  public static Touch standard() {
    return new Touch(1, 127, 5, 20, 0, 0);
  }

  /** A velocity within the floor and the ceiling. */
  public int limit(int velocity) {
    return Math.clamp(velocity, floor, ceiling);
  }

  /**
   * How hard a key is struck.
   *
   * @param velocity as set
   * @param accented whether with an accent
   * @param beat 1 on the first beat of a bar, 0.5 on another, 0 off the beat
   * @param random from a normal distribution of mean 0 and deviation 1
   */
  int struck(int velocity, boolean accented, double beat, double random) {
    double swayed = sway * random + beatAccent * beat;
    return limit((int) Math.round(velocity + (accented ? accent : 0) + swayed));
  }

  public Touch withRange(int newFloor, int newCeiling) {
    return new Touch(newFloor, newCeiling, step, accent, sway, beatAccent);
  }

  public Touch withStep(int value) {
    return new Touch(floor, ceiling, value, accent, sway, beatAccent);
  }

  public Touch withAccent(int value) {
    return new Touch(floor, ceiling, step, value, sway, beatAccent);
  }

  public Touch withSway(int value) {
    return new Touch(floor, ceiling, step, accent, value, beatAccent);
  }

  public Touch withBeatAccent(int value) {
    return new Touch(floor, ceiling, step, accent, sway, value);
  }
}
