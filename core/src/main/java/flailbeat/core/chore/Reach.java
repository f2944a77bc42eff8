package flailbeat.core.chore;

/** How much of a song a chore works on. */
public enum Reach {
  /** The notes that are selected, on whatever tracks. */
  SELECTION("Selection"),
  /** The chosen clip. */
  CLIP("Clip"),
  /** The chosen track. */
  TRACK("Track"),
  /** Every track. */
  SONG("Song");

  private final String title;

  Reach(String title) {
    this.title = title;
  }

  /** The name that people see. */
  public String title() {
    return title;
  }
}
