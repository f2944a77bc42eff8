package flailbeat.core.session.hands;

import flailbeat.core.model.sound.TrackSound;

/**
 * A part that live notes are heard in.
 *
 * @param part which
 * @param sound at which pitches it sounds
 */
public record LivePart(int part, TrackSound sound) {
  /** The pitch at which a note sounds in it. */
  public int heard(int pitch) {
    return sound.heard(pitch);
  }

  /** Whether a note sounds at the same pitches in another. */
  boolean isAs(LivePart other) {
    return part == other.part
        && sound.changesPitch() == other.sound.changesPitch()
        && (!sound.changesPitch() || sound.transpose() == other.sound.transpose());
  }
}
