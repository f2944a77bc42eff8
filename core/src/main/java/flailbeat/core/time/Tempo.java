package flailbeat.core.time;

/**
 * A tempo as a MIDI file holds it: whole microseconds to a quarter note.
 *
 * @param microsPerQuarter 1 to 16,777,215 (the 24 bits of a tempo event)
 */
public record Tempo(int microsPerQuarter) {
  /** The slowest tempo that a person can set, in quarter notes a minute. */
  public static final double SLOWEST_BPM = 20;

  /** The fastest tempo that a person can set, in quarter notes a minute. */
  public static final double FASTEST_BPM = 400;

  private static final int LARGEST = 0xFFFFFF;
  private static final double MICROS_PER_MINUTE = 60_000_000;

  public Tempo {
    if (microsPerQuarter < 1 || microsPerQuarter > LARGEST) {
      throw new IllegalArgumentException(
          "A quarter note lasts 1 to " + LARGEST + " microseconds, not " + microsPerQuarter);
    }
  }

  /**
   * The tempo nearest to so many quarter notes a minute.
   *
   * @throws IllegalArgumentException outside {@value #SLOWEST_BPM} to {@value #FASTEST_BPM}, with a
   *     message fit for the person who typed it
   */
  public static Tempo ofBpm(double bpm) {
    if (!(bpm >= SLOWEST_BPM && bpm <= FASTEST_BPM)) {
      throw new IllegalArgumentException("Tempo goes from 20 to 400 bpm");
    }
    return new Tempo((int) Math.round(MICROS_PER_MINUTE / bpm));
  }

  /** Quarter notes a minute. */
  public double bpm() {
    return MICROS_PER_MINUTE / microsPerQuarter;
  }

  /** Quarter notes a minute with up to two decimals: {@code 96}, {@code 92.5}. */
  @Override
  public String toString() {
    long hundredths = Math.round(bpm() * 100);
    long whole = hundredths / 100;
    long rest = hundredths % 100;
    if (rest == 0) {
      return String.valueOf(whole);
    }
    return rest % 10 == 0 ? whole + "." + rest / 10 : whole + (rest < 10 ? ".0" : ".") + rest;
  }
}
