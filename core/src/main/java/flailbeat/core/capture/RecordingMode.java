package flailbeat.core.capture;

/** What a recording does with what is there already. */
public enum RecordingMode {
  OVERDUB("Overdub", "Adds to what is there"),
  REPLACE("Replace", "Clears what the pass runs over, from the first note played"),
  TAKES("Takes", "Keeps each pass as a take, of which one is heard");

  private final String title;
  private final String hint;

  RecordingMode(String title, String hint) {
    this.title = title;
    this.hint = hint;
  }

  /** The name that people see. */
  public String title() {
    return title;
  }

  /** What it does, in a line. */
  public String hint() {
    return hint;
  }
}
