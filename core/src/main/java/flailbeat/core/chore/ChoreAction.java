package flailbeat.core.chore;

/** What a chore does to each note that meets its condition. */
public enum ChoreAction implements ByNumber {
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

  private final Title title;

  ChoreAction(String title) {
    this.title = Title.of(title);
  }

  ChoreAction(String title, int least, int most, int standard) {
    this.title = new Title(title, least, most, standard);
  }

  @Override
  public Title titled() {
    return title;
  }
}
