package flailbeat.core.model.track;

/**
 * How a track is shown, and how it lies under the hands.
 *
 * @param color one of the colours of tracks, from 0; {@link #BY_PLACE} for the one of its place
 * @param group the name of the group that it is of; empty for none. Those of one group stand side
 *     by side
 * @param folded whether its group is shown as one
 * @param hands how it lies under the hands
 */
public record TrackTraits(int color, String group, boolean folded, HandTraits hands) {
  /** The colour goes by where the track stands. */
  public static final int BY_PLACE = -1;

  /** How many colours there are to choose from. */
  public static final int COLORS = 8;

  public static final int LONGEST_GROUP = 300;

  /** Nothing was chosen. */
  public static final TrackTraits NONE = new TrackTraits(BY_PLACE, "", false, HandTraits.NONE);

  public TrackTraits {
    if (color < BY_PLACE || color >= COLORS) {
      throw new IllegalArgumentException(
          "The colour of a track is " + BY_PLACE + " to " + (COLORS - 1) + ", not " + color);
    }
    if (group.length() > LONGEST_GROUP) {
      throw new IllegalArgumentException(
          "The name of a group has " + LONGEST_GROUP + " letters at most");
    }
    folded = folded && !group.isEmpty();
  }

  public boolean isGrouped() {
    return !group.isEmpty();
  }

  public TrackTraits withColor(int value) {
    return new TrackTraits(value, group, folded, hands);
  }

  /** Of another group, which is folded or not; of none where it has no name. */
  public TrackTraits withGroup(String name, boolean isFolded) {
    return new TrackTraits(color, name, isFolded, hands);
  }

  public TrackTraits withHands(HandTraits value) {
    return new TrackTraits(color, group, folded, value);
  }
}
