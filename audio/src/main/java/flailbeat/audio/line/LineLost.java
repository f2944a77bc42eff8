package flailbeat.audio.line;

/** The device took no more sound. */
public final class LineLost extends Exception {
  private static final long serialVersionUID = 1;

  public LineLost(String message) {
    super(message);
  }
}
