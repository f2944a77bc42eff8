package flailbeat.core.model.track;

/**
 * What is switched on for a track.
 *
 * @param armed whether it is played and recorded along with the chosen track
 */
public record Switches(boolean armed, boolean muted, boolean solo) {
  /** Nothing is. */
  public static final Switches OFF = new Switches(false, false, false);
}
