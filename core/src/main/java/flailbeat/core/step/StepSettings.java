package flailbeat.core.step;

/**
 * How steps are entered.
 *
 * @param length of the next step
 * @param gate how much of its step a note lasts, {@value #LEAST_GATE} to 100 per cent
 * @param adds whether a step is added to what stands there; else it takes its place
 * @param findsFirst whether keys only sound until a length key or advance enters what is held
 * @param sounds whether what is entered is heard
 * @param wraps whether entering past the loop's end goes on at its start
 * @param ontoRhythm whether keys give their pitches to notes that are there
 */
public record StepSettings(
    StepLength length,
    int gate,
    boolean adds,
    boolean findsFirst,
    boolean sounds,
    boolean wraps,
    boolean ontoRhythm) {
  private static final int LEAST_GATE = 5;

  public StepSettings {
    if (gate < LEAST_GATE || gate > 100) {
      throw new IllegalArgumentException("A note lasts 5 to 100 % of its step, not " + gate);
    }
  }

  /** Quarters at full length, in place of what stands there. */
  public static StepSettings standard() {
    return new StepSettings(StepLength.QUARTER, 100, false, false, true, false, false);
  }

  public StepSettings withLength(StepLength value) {
    return new StepSettings(value, gate, adds, findsFirst, sounds, wraps, ontoRhythm);
  }

  public StepSettings withGate(int value) {
    return new StepSettings(length, value, adds, findsFirst, sounds, wraps, ontoRhythm);
  }

  public StepSettings withAdds(boolean value) {
    return new StepSettings(length, gate, value, findsFirst, sounds, wraps, ontoRhythm);
  }

  public StepSettings withFindsFirst(boolean value) {
    return new StepSettings(length, gate, adds, value, sounds, wraps, ontoRhythm);
  }

  public StepSettings withSounds(boolean value) {
    return new StepSettings(length, gate, adds, findsFirst, value, wraps, ontoRhythm);
  }

  public StepSettings withWraps(boolean value) {
    return new StepSettings(length, gate, adds, findsFirst, sounds, value, ontoRhythm);
  }

  public StepSettings withOntoRhythm(boolean value) {
    return new StepSettings(length, gate, adds, findsFirst, sounds, wraps, value);
  }
}
