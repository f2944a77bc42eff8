package flailbeat.core.model.track;

/**
 * How a track lies under the hands, as far as that was chosen for it.
 *
 * @param arrangement the name of the arrangement; empty for what is usual for its sound
 * @param base the note that the arrangement counts from, 0 to 127; {@link #USUAL} for what is usual
 * @param floor the softest that it is played, 1 to 127; {@link #USUAL} for as the person does
 *     elsewhere
 * @param ceiling the loudest, {@code floor} to 127; {@link #USUAL} likewise
 */
public record HandTraits(String arrangement, int base, int floor, int ceiling) {
  /** Not chosen. */
  public static final int USUAL = -1;

  /** Nothing was chosen. */
  public static final HandTraits NONE = new HandTraits("", USUAL, USUAL, USUAL);

  private static final int LONGEST = 40;

  public HandTraits {
    require("velocity", floor, 1);
    require("velocity", ceiling, Math.max(1, floor));
    require("note", base, 0);
    if (arrangement.length() > LONGEST) {
      throw new IllegalArgumentException("An arrangement's name has at most 40 letters");
    }
  }

  public HandTraits withArrangement(String value, int newBase) {
    return new HandTraits(value, newBase, floor, ceiling);
  }

  /** Played within these velocities, or as elsewhere. */
  public HandTraits withRange(int newFloor, int newCeiling) {
    return new HandTraits(arrangement, base, newFloor, newCeiling);
  }

  private static void require(String what, int value, int least) {
    if (value != USUAL && (value < least || value > 127)) {
      throw new IllegalArgumentException(
          "A " + what + " under the hands is " + least + " to 127, not " + value);
    }
  }
}
