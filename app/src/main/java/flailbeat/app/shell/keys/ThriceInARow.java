package flailbeat.app.shell.keys;

/** Counts what is pressed in vain: whoever does so three times in a row is told something. */
final class ThriceInARow {
  private static final int OFTEN = 3;

  private int inARow;

  /** Another press; whether it is the third in a row in vain, after which it begins anew. */
  boolean pressed(boolean inVain) {
    inARow = inVain ? inARow + 1 : 0;
    if (inARow < OFTEN) {
      return false;
    }
    inARow = 0;
    return true;
  }
}
