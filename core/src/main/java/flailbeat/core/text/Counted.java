package flailbeat.core.text;

/** So many of a thing, in words. */
public final class Counted {
  private Counted() {}

  /** {@code 1 note}, {@code 12 notes}. */
  public static String of(int count, String one) {
    return count + " " + one + (count == 1 ? "" : "s");
  }
}
