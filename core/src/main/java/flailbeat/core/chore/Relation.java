package flailbeat.core.chore;

/** How a measure stands to a value. */
public enum Relation {
  BELOW("below"),
  ABOVE("above"),
  IS("exactly"),
  /** Both bounds among them. */
  BETWEEN("from");

  private final String title;

  Relation(String title) {
    this.title = title;
  }

  /** The word that people see. */
  public String title() {
    return title;
  }
}
