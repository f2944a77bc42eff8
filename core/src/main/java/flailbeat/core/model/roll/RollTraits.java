package flailbeat.core.model.roll;

import java.util.Optional;

/**
 * How a track is drawn on by hand.
 *
 * @param start what new notes start from, where that was chosen for this track
 */
public record RollTraits(Optional<NoteStart> start, PitchRows rows) {
  /** Nothing was chosen. */
  public static final RollTraits NONE = new RollTraits(Optional.empty(), PitchRows.ALL);
}
