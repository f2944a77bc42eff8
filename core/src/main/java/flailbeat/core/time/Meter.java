package flailbeat.core.time;

/**
 * A time signature.
 *
 * @param beats 1 to 32
 * @param unit the note value of a beat: 1, 2, 4, 8, 16 or 32
 */
public record Meter(int beats, int unit) {
  /** What an empty song has (common practice). */
  public static final Meter COMMON = new Meter(4, 4);

  private static final int MOST = 32;

  public Meter {
    if (beats < 1 || beats > MOST) {
      throw new IllegalArgumentException("A bar has 1 to 32 beats");
    }
    if (unit < 1 || unit > MOST || Integer.bitCount(unit) != 1) {
      throw new IllegalArgumentException("A beat is 1, 2, 4, 8, 16 or 32");
    }
  }

  /**
   * Reads {@code 6/8}.
   *
   * @throws IllegalArgumentException with a message fit for the person who typed it
   */
  public static Meter parse(String text) {
    String[] parts = text.strip().split("\\s*/\\s*");
    try {
      if (parts.length == 2) {
        return new Meter(Integer.parseInt(parts[0]), Integer.parseInt(parts[1]));
      }
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException("A meter is written like 4/4 or 6/8", e);
    }
    throw new IllegalArgumentException("A meter is written like 4/4 or 6/8");
  }

  public long ticksPerBeat() {
    return Ticks.WHOLE / unit;
  }

  public long ticksPerBar() {
    return beats * ticksPerBeat();
  }

  @Override
  public String toString() {
    return beats + "/" + unit;
  }
}
