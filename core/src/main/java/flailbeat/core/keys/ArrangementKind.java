package flailbeat.core.keys;

/** The kinds of arrangement that there are to choose from. */
public enum ArrangementKind {
  HOME("Home", "The home row has the naturals, the row above it the black notes", 60),
  SPAN("Span", "Two pianos, one above the other: two and a half octaves", 48),
  PADS("Pads", "Four by four, for drum kits", 36),
  SCALE("Scale", "Each key the next degree of a scale, each row an octave", 60),
  CHORDS("Chords", "One key a chord: triads, and sevenths in the row above", 60);

  private final String title;
  private final String hint;
  private final int base;

  ArrangementKind(String title, String hint, int base) {
    this.title = title;
    this.hint = hint;
    this.base = base;
  }

  /** The name that people see. */
  public String title() {
    return title;
  }

  /** What it is, in a line. */
  public String hint() {
    return hint;
  }

  /** The lowest note of the reach that it starts with. */
  public int base() {
    return base;
  }

  /** Whether it depends on a key and a scale. */
  public boolean hasKey() {
    return this == SCALE || this == CHORDS;
  }
}
