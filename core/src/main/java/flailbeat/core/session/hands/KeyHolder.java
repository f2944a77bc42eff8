package flailbeat.core.session.hands;

/** Something that has the keys for a while in the place of notes and commands. */
public interface KeyHolder {
  /** Whether it has the keys now. */
  boolean isOn();

  /** Gives the keys back, and leaves undone what is not done. */
  void giveBack();
}
