package flailbeat.app.view.bench.surface;

import java.util.Set;

/** A picture of the song in which height stands for pitch: the roll, or a staff. */
public interface PitchSurface extends Surface {
  /** How far it is from one place for a note to the next above or below, in pixels. */
  double rowHeight();

  /** The upper edge of the place for a pitch; far out of sight for one that has none. */
  double yOf(int pitch);

  /** The pitch at a height, or the nearest to it. */
  int pitchAt(double y);

  /** Whether notes can stand at a height. */
  boolean hasPitchAt(double y);

  /** The pitch that lies so many places above another, or below it where less than 0. */
  int pitchAbove(int pitch, int places);

  /** The pitches whose places lie at two heights or between them. */
  Set<Integer> pitchesBetween(double y, double otherY);
}
