package flailbeat.core.model;

/** Whoever is shown the notes of a track that sound, in song time, clip by clip, round by round. */
@FunctionalInterface
public interface Layout {
  /**
   * A note that sounds.
   *
   * @param repeated whether it is of a later round of a clip that loops
   */
  void note(Note note, boolean repeated);

  /** Whoever is shown what the controllers do as well. */
  interface WithControls extends Layout {
    /**
     * What a controller does.
     *
     * @param repeated whether it is of a later round of a clip that loops
     */
    void control(ControlPoint point, boolean repeated);
  }
}
