package flailbeat.core.chore;

/**
 * What a chore does to each note that meets its condition.
 *
 * <p>Their titles have {@value Cleanup#MARK} in the place of the number that they go by, if they
 * do.
 */
public enum Does {
  MARK("mark it"),
  REMOVE("remove it"),
  VELOCITY("make its velocity #", 1, 127, 80),
  LOUDER("change its velocity by #", -126, 126, -10),
  VELOCITY_SCALE("make its velocity # % of what it is", 1, 400, 90),
  LENGTH("make it # ticks long", 1, 960_000, 240),
  LENGTH_SCALE("make it # % as long", 1, 1000, 90),
  TRANSPOSE("transpose it by # semitones", -127, 127, 12),
  TO_SCALE("move it to the next degree of the scale"),
  OCTAVE_ABOVE("add the octave above"),
  OCTAVE_BELOW("add the octave below"),
  LATER("play it # ms later", -5000, 5000, 10),
  TO_LINE("bring it # % nearer to the grid", 1, 100, 100);

  private final String title;
  private final int least;
  private final int most;
  private final int standard;

  Does(String title) {
    this(title, 0, 0, 0);
  }

  Does(String title, int least, int most, int standard) {
    this.title = title;
    this.least = least;
    this.most = most;
    this.standard = standard;
  }

  /** The words that people see. */
  public String title() {
    return title;
  }

  /** Its title with a number in its place. */
  public String title(int amount) {
    return title.replace(Cleanup.MARK, String.valueOf(amount));
  }

  /** Whether it goes by a number. */
  public boolean hasAmount() {
    return most > 0;
  }

  public int least() {
    return least;
  }

  public int most() {
    return most;
  }

  /** The number that it goes by at first. */
  public int standard() {
    return standard;
  }
}
