package flailbeat.core.model;

import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.Ticks;
import java.util.Comparator;

/**
 * A note where it now stands, and when it was played.
 *
 * @param pitch 0 to 127
 * @param velocity 1 to 127
 * @param onset tick at which it stands, 0 to {@link Ticks#LAST}
 * @param length in ticks, at least 1
 * @param played when it was played; for a note that was never performed, where it was first put
 * @param releaseVelocity how fast its key came up, 0 to 127; {@value #RELEASE} where nobody knows
 */
public record Note(
    NoteId id, int pitch, int velocity, long onset, long length, Played played, int releaseVelocity)
    implements Timed<Note> {
  /** The release velocity of a key that senses none (MIDI 1.0). */
  public static final int RELEASE = 64;

  /** In order of onset, then pitch, then age. */
  public static final Comparator<Note> ORDER =
      (a, b) -> {
        int order = Long.compare(a.onset, b.onset);
        order = order != 0 ? order : Integer.compare(a.pitch, b.pitch);
        return order != 0 ? order : Long.compare(a.id.value(), b.id.value());
      };

  /** In the order in which they were struck. */
  public static final Comparator<Note> BY_PLAYING =
      (a, b) -> {
        int order = Long.compare(a.played.onset(), b.played.onset());
        return order != 0 ? order : ORDER.compare(a, b);
      };

  public Note {
    Pitch.require(pitch);
    if (velocity < 1 || velocity > 127) {
      throw new IllegalArgumentException("A velocity goes from 1 to 127, not " + velocity);
    }
    if (releaseVelocity < 0 || releaseVelocity > 127) {
      throw new IllegalArgumentException(
          "A release velocity goes from 0 to 127, not " + releaseVelocity);
    }
    if (onset < 0 || onset > Ticks.LAST || length < 1 || length > Ticks.LAST - onset) {
      throw new IllegalArgumentException(
          "A note cannot lie at tick " + onset + " for " + length + " ticks");
    }
  }

  /** A note whose key sensed no release. */
  public Note(NoteId id, int pitch, int velocity, long onset, long length, Played played) {
    this(id, pitch, velocity, onset, length, played, RELEASE);
  }

  /** A note that was put there rather than played. */
  public static Note placed(NoteId id, int pitch, int velocity, long onset, long length) {
    return new Note(id, pitch, velocity, onset, length, Played.put(onset, onset + length));
  }

  /**
   * A note that stands just as it was played; one struck before the song's start stands at the
   * start and ends when it was let go.
   */
  public static Note asPlayed(NoteId id, int pitch, int velocity, Played played) {
    long onset = Math.clamp(played.onset(), 0, Ticks.LAST - 1);
    long length = Math.clamp(played.release() - onset, 1, Ticks.LAST - onset);
    return new Note(id, pitch, velocity, onset, length, played);
  }

  @Override
  public long idNumber() {
    return id.value();
  }

  @Override
  public long tick() {
    return onset;
  }

  @Override
  public long end() {
    return onset + length;
  }

  /** The same so many ticks later, the time as played along with it. */
  @Override
  public Note shifted(long ticks) {
    return ticks == 0 ? this : moved(ticks, 0);
  }

  /** The same with another length. */
  public Note lasting(long newLength) {
    return newLength == length
        ? this
        : new Note(id, pitch, velocity, onset, newLength, played, releaseVelocity);
  }

  /** With another length; the release as it was played moves along. */
  public Note resized(long newLength) {
    if (newLength == length) {
      return this;
    }
    long release = Math.max(played.onset() + 1, played.release() + newLength - length);
    return new Note(
        id, pitch, velocity, onset, newLength, played.at(played.onset(), release), releaseVelocity);
  }

  /** How far it was played from where it now stands, in ticks; negative when early. */
  public long playedOff() {
    return played.onset() - onset;
  }

  /** The same note, standing where it was played. */
  public Note standingAsPlayed() {
    return asPlayed(id, pitch, velocity, played).withReleaseVelocity(releaseVelocity);
  }

  /** Stands elsewhere, as far as the song reaches, played when it was: what quantizing does. */
  public Note standingAt(long newOnset, long newLength) {
    long stands = Math.clamp(newOnset, 0, Ticks.LAST - 1);
    long lasts = Math.clamp(newLength, 1, Ticks.LAST - stands);
    return new Note(id, pitch, velocity, stands, lasts, played, releaseVelocity);
  }

  /** The same under another id. */
  public Note withId(NoteId value) {
    return new Note(value, pitch, velocity, onset, length, played, releaseVelocity);
  }

  public Note withPitch(int value) {
    return value == pitch
        ? this
        : new Note(id, value, velocity, onset, length, played, releaseVelocity);
  }

  public Note withVelocity(int value) {
    return value == velocity
        ? this
        : new Note(id, pitch, value, onset, length, played, releaseVelocity);
  }

  /** As loud as can be said, rounded, within what there is. */
  public Note asLoudAs(double value) {
    return withVelocity(Velocity.within(value));
  }

  public Note withReleaseVelocity(int value) {
    return value == releaseVelocity
        ? this
        : new Note(id, pitch, velocity, onset, length, played, value);
  }

  /** Moved: the time as played goes along, so that its deviation stays what it was. */
  public Note moved(long ticks, int semitones) {
    return new Note(
        id,
        pitch + semitones,
        velocity,
        onset + ticks,
        length,
        played.shifted(ticks),
        releaseVelocity);
  }
}
