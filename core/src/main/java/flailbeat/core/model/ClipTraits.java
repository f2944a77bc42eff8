package flailbeat.core.model;

import flailbeat.core.pitch.Pitch;

/**
 * How a clip is called and how it is heard, beside what is in it: its notes stay as they are.
 *
 * @param name may be empty; at most {@value #LONGEST_NAME} letters
 * @param color one of the colours of tracks, from 0; {@link #AS_TRACK} for that of its track
 * @param muted whether its notes are silent
 * @param transpose by how many semitones its notes sound higher, -{@value #MOST_SEMITONES} to
 *     {@value #MOST_SEMITONES}; one that would leave the piano's 128 notes sounds in the nearest
 *     octave that does not
 * @param louder how much louder they sound, -{@value #MOST_LOUDER} to {@value #MOST_LOUDER}, within
 *     1 to 127
 * @param link clips of a track with one number share what is in them; {@link #UNLINKED} for none
 */
public record ClipTraits(
    String name, int color, boolean muted, int transpose, int louder, long link) {
  /** The colour of the track. */
  public static final int AS_TRACK = -1;

  /** How many colours there are to choose from. */
  public static final int COLORS = 8;

  /** Of a clip that shares its content with none. */
  public static final long UNLINKED = 0;

  public static final int MOST_SEMITONES = 48;
  public static final int MOST_LOUDER = 126;
  public static final int LONGEST_NAME = 300;

  /** Nothing special. */
  public static final ClipTraits NONE = new ClipTraits("", AS_TRACK, false, 0, 0, UNLINKED);

  public ClipTraits {
    if (name.length() > LONGEST_NAME) {
      throw new IllegalArgumentException(
          "The name of a clip has " + LONGEST_NAME + " letters at most");
    }
    require(color, AS_TRACK, COLORS - 1, "colour");
    require(transpose, -MOST_SEMITONES, MOST_SEMITONES, "transposition");
    require(louder, -MOST_LOUDER, MOST_LOUDER, "loudness");
    if (link < UNLINKED) {
      throw new IllegalArgumentException("A clip cannot be linked by " + link);
    }
  }

  private static void require(int value, int least, int most, String what) {
    if (value < least || value > most) {
      throw new IllegalArgumentException(
          "The " + what + " of a clip is " + least + " to " + most + ", not " + value);
    }
  }

  public boolean isLinked() {
    return link != UNLINKED;
  }

  /** Whether its notes sound otherwise than they stand there. */
  public boolean changesNotes() {
    return transpose != 0 || louder != 0;
  }

  public ClipTraits withName(String value) {
    return new ClipTraits(value, color, muted, transpose, louder, link);
  }

  public ClipTraits withColor(int value) {
    return new ClipTraits(name, value, muted, transpose, louder, link);
  }

  public ClipTraits withMuted(boolean value) {
    return new ClipTraits(name, color, value, transpose, louder, link);
  }

  public ClipTraits withTranspose(int value) {
    return new ClipTraits(name, color, muted, value, louder, link);
  }

  public ClipTraits withLouder(int value) {
    return new ClipTraits(name, color, muted, transpose, value, link);
  }

  public ClipTraits withLink(long value) {
    return new ClipTraits(name, color, muted, transpose, louder, value);
  }

  /** A note of the clip as it sounds; the very note where nothing changes it. */
  Note heard(Note own) {
    if (!changesNotes()) {
      return own;
    }
    Note higher = transpose == 0 ? own : own.withPitch(Pitch.folded(own.pitch() + transpose));
    return louder == 0 ? higher : higher.withVelocity(Velocity.within(higher.velocity() + louder));
  }

  /**
   * A note as it stands in the clip, of one as it shall sound.
   *
   * @param before the one in whose place it comes; what sounds as that did stays as it stands there
   */
  Note own(Note heard, Note before) {
    Note was = heard(before);
    int pitch =
        heard.pitch() == was.pitch() ? before.pitch() : Pitch.folded(heard.pitch() - transpose);
    int velocity =
        heard.velocity() == was.velocity()
            ? before.velocity()
            : Velocity.within(heard.velocity() - louder);
    return heard.withPitch(pitch).withVelocity(velocity);
  }

  /** A new note as it stands in the clip, of one as it shall sound. */
  Note own(Note heard) {
    return changesNotes()
        ? heard
            .withPitch(Pitch.folded(heard.pitch() - transpose))
            .withVelocity(Velocity.within(heard.velocity() - louder))
        : heard;
  }
}
