package flailbeat.core.playback;

/** What the click sounds like. */
public enum ClickSound {
  TONE("Tone"),
  WOOD("Wood"),
  TICK("Tick");

  private final String title;

  ClickSound(String title) {
    this.title = title;
  }

  /** The name that people see. */
  public String title() {
    return title;
  }
}
