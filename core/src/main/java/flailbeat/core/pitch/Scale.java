package flailbeat.core.pitch;

import java.util.List;

/** Scales by the semitones of their degrees above the tonic. */
public enum Scale {
  MAJOR("Major", 0, 2, 4, 5, 7, 9, 11),
  NATURAL_MINOR("Natural minor", 0, 2, 3, 5, 7, 8, 10),
  HARMONIC_MINOR("Harmonic minor", 0, 2, 3, 5, 7, 8, 11),
  DORIAN("Dorian", 0, 2, 3, 5, 7, 9, 10),
  MIXOLYDIAN("Mixolydian", 0, 2, 4, 5, 7, 9, 10),
  MAJOR_PENTATONIC("Major pentatonic", 0, 2, 4, 7, 9),
  MINOR_PENTATONIC("Minor pentatonic", 0, 3, 5, 7, 10),
  BLUES("Blues", 0, 3, 5, 6, 7, 10);

  private final String title;
  private final List<Integer> steps;

  Scale(String title, Integer... steps) {
    this.title = title;
    this.steps = List.of(steps);
  }

  /** The name that people see. */
  public String title() {
    return title;
  }

  /** How many degrees there are to an octave. */
  public int degrees() {
    return steps.size();
  }

  /**
   * Semitones of a degree above the tonic.
   *
   * @param degree from 0, going on into the octaves above; negative below the tonic
   */
  public int semitones(int degree) {
    int octave = Math.floorDiv(degree, steps.size());
    return octave * Pitch.OCTAVE + steps.get(Math.floorMod(degree, steps.size()));
  }

  /**
   * The scale that chords are built in: for one of fewer than seven notes, the one it comes from.
   */
  public Scale forChords() {
    return switch (this) {
      case MAJOR_PENTATONIC -> MAJOR;
      case MINOR_PENTATONIC, BLUES -> NATURAL_MINOR;
      default -> this;
    };
  }
}
