package flailbeat.core.model;

/** How loud notes can be. */
public final class Velocity {
  public static final int LEAST = 1;
  public static final int MOST = 127;

  private Velocity() {}

  /**
   * A velocity as a note can have it: rounded, and held within {@value #LEAST} to {@value #MOST}.
   */
  public static int within(double wanted) {
    return Math.clamp(Math.round(wanted), LEAST, MOST);
  }
}
