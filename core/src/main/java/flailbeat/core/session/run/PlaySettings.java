package flailbeat.core.session.run;

import flailbeat.core.playback.ClickSound;

/**
 * What is heard beside the song.
 *
 * @param clickInPlay whether the click is heard while playing
 * @param clickInRecord whether the click is heard while recording; a count-in always is
 * @param clickLevel 0 (silent) to 100 per cent
 */
public record PlaySettings(
    boolean clickInPlay,
    boolean clickInRecord,
    CountIn countIn,
    ClickSound clickSound,
    int clickLevel) {
  public PlaySettings {
    if (clickLevel < 0 || clickLevel > 100) {
      throw new IllegalArgumentException(
          "The click's level goes from 0 to 100 %, not " + clickLevel);
    }
  }

  /** Click while recording only, one bar of count-in. */
  public static PlaySettings standard() {
    return new PlaySettings(false, true, new CountIn(1, CountIn.Unit.BARS), ClickSound.TONE, 70);
  }

  public PlaySettings withClickInPlay(boolean value) {
    return new PlaySettings(value, clickInRecord, countIn, clickSound, clickLevel);
  }

  public PlaySettings withClickInRecord(boolean value) {
    return new PlaySettings(clickInPlay, value, countIn, clickSound, clickLevel);
  }

  public PlaySettings withCountIn(CountIn value) {
    return new PlaySettings(clickInPlay, clickInRecord, value, clickSound, clickLevel);
  }

  public PlaySettings withClick(ClickSound sound, int level) {
    return new PlaySettings(clickInPlay, clickInRecord, countIn, sound, level);
  }
}
