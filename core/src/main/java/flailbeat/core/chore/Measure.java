package flailbeat.core.chore;

import flailbeat.core.time.Ticks;

/** What of a note a condition looks at. */
public enum Measure {
  PITCH("pitch", "", 0, 127, 60),
  VELOCITY("velocity", "", 1, 127, 40),
  LENGTH("length", "ticks", 1, Ticks.LAST, 120),
  LENGTH_MS("length in time", "ms", 0, 1e7, 60),
  /** In beats from 1, those that the meter is written in; within an eighth of a beat. */
  PLACE("beat of the bar", "", 1, 64, 1),
  /** From the nearest line of the grid, on whatever side. */
  OFF_LINE("distance from the grid", "ms", 0, 1e7, 30),
  /** Behind the nearest line of the grid; negative before it. */
  LATE("lateness on the grid", "ms", -1e7, 1e7, 20),
  /** How many notes begin together with it, itself among them. */
  CHORD("notes in its chord", "", 1, 128, 1),
  /** From the nearest degree of the scale, in semitones. */
  OFF_SCALE("distance from the scale", "semitones", 0, 12, 0),
  /** Out of 100, drawn anew for each note. */
  CHANCE("chance", "of 100", 0, 100, 20);

  /** A note this near to a beat, in beats, is on it. */
  static final double NEAR_BEAT = 0.125;

  private final String title;
  private final String unit;
  private final double least;
  private final double most;
  private final double standard;

  Measure(String title, String unit, double least, double most, double standard) {
    this.title = title;
    this.unit = unit;
    this.least = least;
    this.most = most;
    this.standard = standard;
  }

  /** The name that people see. */
  public String title() {
    return title;
  }

  /** What it is counted in; empty where that is plain. */
  public String unit() {
    return unit;
  }

  public double least() {
    return least;
  }

  public double most() {
    return most;
  }

  /** A value to begin with. */
  public double standard() {
    return standard;
  }

  /** By how much a value may be missed and still be meant. */
  double nearly() {
    return this == PLACE ? NEAR_BEAT : 0;
  }
}
