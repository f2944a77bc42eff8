package flailbeat.core.pitch;

/**
 * A key: the degrees of a scale above a tonic.
 *
 * @param tonic 0 for C to 11 for B
 */
public record Key(int tonic, Scale scale) {
  /** How many keys there are: each scale on each tonic. */
  public static final int COUNT = Pitch.OCTAVE * Scale.values().length;

  public Key {
    if (tonic < 0 || tonic >= Pitch.OCTAVE) {
      throw new IllegalArgumentException("A tonic goes from 0 to 11, not " + tonic);
    }
  }

  /** The key of a number, 0 to {@link #COUNT} - 1: C in every scale, then C#, and so on. */
  public static Key ofNumber(int number) {
    int scales = Scale.values().length;
    return new Key(number / scales, Scale.values()[number % scales]);
  }

  /** Its number. */
  public int number() {
    return tonic * Scale.values().length + scale.ordinal();
  }

  /** Whether a pitch is one of its degrees, in any octave. */
  public boolean has(int pitch) {
    return above(pitch, scale) == 0;
  }

  /** The degree nearest to a pitch within 0 to 127; of two the lower. */
  public int nearest(int pitch) {
    for (int away = 0; away < Pitch.OCTAVE; away++) {
      if (has(pitch - away) && Pitch.isValid(pitch - away)) {
        return pitch - away;
      }
      if (has(pitch + away) && Pitch.isValid(pitch + away)) {
        return pitch + away;
      }
    }
    return pitch;
  }

  /**
   * A pitch moved by degrees; one between two degrees keeps its distance from the lower. It may
   * leave 0 to 127.
   */
  public int moved(int pitch, int degrees) {
    int above = above(pitch, scale);
    return tonic + scale.semitones(degree(pitch, scale) + degrees) + above;
  }

  /**
   * A pitch taken into another key: the same degree there, raised as it was. The other tonic is
   * taken where it is nearest, six semitones down rather than up. Where the scales have not equally
   * many degrees, those are meant that they come from. It may leave 0 to 127.
   */
  public int into(Key other, int pitch) {
    boolean alike = scale.degrees() == other.scale.degrees();
    Scale from = alike ? scale : scale.forChords();
    Scale to = alike ? other.scale : other.scale.forChords();
    int higher = Math.floorMod(other.tonic - tonic + 6, Pitch.OCTAVE) - 6;
    return tonic + higher + to.semitones(degree(pitch, from)) + above(pitch, from);
  }

  private int degree(int pitch, Scale of) {
    int degree = Math.floorDiv(pitch - tonic, Pitch.OCTAVE) * of.degrees();
    while (tonic + of.semitones(degree + 1) <= pitch) {
      degree++;
    }
    return degree;
  }

  private int above(int pitch, Scale of) {
    return pitch - tonic - of.semitones(degree(pitch, of));
  }

  /** {@code D Dorian}. */
  @Override
  public String toString() {
    return Pitch.className(tonic) + " " + scale.title();
  }
}
