package flailbeat.core.model;

/** Whoever is shown what of a track sounds, in song time and clip by clip, round by round. */
public interface Layout {
  /**
   * A note that sounds.
   *
   * @param repeated whether it is of a later round of a clip that loops
   */
  void note(Note note, boolean repeated);

  /**
   * What a controller does.
   *
   * @param repeated whether it is of a later round of a clip that loops
   */
  default void control(ControlPoint point, boolean repeated) {
    // Many want the notes alone.
  }
}
