package flailbeat.core.model;

/**
 * Whoever is shown what of a track sounds, in song time, clip by clip, round by round. A clip that
 * does not loop has one round, number 0.
 */
@FunctionalInterface
public interface Layout {
  /**
   * A note that sounds.
   *
   * @param clip where it comes from
   * @param round which round of that clip it is of; in later ones it has the id that it has in the
   *     first
   */
  void note(Note note, Clip clip, int round);

  /** Whoever is shown what the controllers do as well. */
  interface WithControls extends Layout {
    /** What a controller does; clip and round as for a note. */
    void control(ControlPoint point, Clip clip, int round);

    /**
     * What is set as a round ends before its content does, so that a pedal whose way up lies beyond
     * the end does not stay down. It stands for the last of the points that are not reached, has
     * its id, and cannot be edited.
     */
    void closing(ControlPoint point, Clip clip, int round);
  }
}
