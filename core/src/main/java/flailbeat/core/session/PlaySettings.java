package flailbeat.core.session;

/**
 * What is heard beside the song.
 *
 * @param clickInPlay whether the click is heard while playing
 * @param clickInRecord whether the click is heard while recording; a count-in always is
 * @param countInBars 0, 1 or 2
 */
public record PlaySettings(boolean clickInPlay, boolean clickInRecord, int countInBars) {
  public PlaySettings {
    if (countInBars < 0 || countInBars > 2) {
      throw new IllegalArgumentException("A count-in has 0, 1 or 2 bars, not " + countInBars);
    }
  }

  /** Click while recording only, one bar of count-in. */
  public static PlaySettings standard() {
    return new PlaySettings(false, true, 1);
  }
}
