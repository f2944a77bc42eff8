package flailbeat.core.harmony;

/** What was typed is no chord: says what is wrong, and where. */
public final class ChordFault extends Exception {
  private static final long serialVersionUID = 1;

  private final int start;
  private final int end;

  ChordFault(String message, int start, int end) {
    super(message);
    this.start = start;
    this.end = end;
  }

  /** Where it begins in what was typed, from 0. */
  public int start() {
    return start;
  }

  /** Where it ends. */
  public int end() {
    return end;
  }
}
