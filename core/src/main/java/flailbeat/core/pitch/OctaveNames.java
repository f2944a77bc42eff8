package flailbeat.core.pitch;

/** Which number the octave of middle C (MIDI note 60) bears; all three are in common use. */
public enum OctaveNames {
  MIDDLE_C3(3),
  MIDDLE_C4(4),
  MIDDLE_C5(5);

  private final int middle;

  OctaveNames(int middle) {
    this.middle = middle;
  }

  /** The octave's number for a note number of 0 to 127. */
  public int octaveOf(int pitch) {
    return Math.floorDiv(pitch, 12) - 5 + middle;
  }
}
