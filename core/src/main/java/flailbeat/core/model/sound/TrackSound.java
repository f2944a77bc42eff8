package flailbeat.core.model.sound;

import flailbeat.core.pitch.Pitch;

/**
 * What a track sounds with.
 *
 * @param channel MIDI channel, 0 to 15; 9 is the drum channel
 * @param transpose by how many semitones it sounds higher than its notes stand, -{@value
 *     #MOST_SEMITONES} to {@value #MOST_SEMITONES}
 * @param port the MIDI output of the system that it goes to in place of the synthesizer; empty for
 *     none
 */
public record TrackSound(Instrument instrument, int channel, Mix mix, int transpose, String port) {
  public static final int MOST_SEMITONES = 48;
  private static final int LONGEST_PORT = 300;

  public TrackSound {
    if (channel < 0 || channel > 15) {
      throw new IllegalArgumentException("A channel goes from 0 to 15, not " + channel);
    }
    if (transpose < -MOST_SEMITONES || transpose > MOST_SEMITONES) {
      throw new IllegalArgumentException(
          "A track sounds up to "
              + MOST_SEMITONES
              + " semitones higher or lower than it stands, not "
              + transpose);
    }
    if (port.length() > LONGEST_PORT) {
      throw new IllegalArgumentException(
          "The name of a MIDI output has " + LONGEST_PORT + " letters at most");
    }
  }

  /** Played by the synthesizer as it stands, with nothing set. */
  public TrackSound(Instrument instrument, int channel) {
    this(instrument, channel, Mix.REST, 0, "");
  }

  /** With another instrument, on another channel. */
  public TrackSound with(Instrument value, int newChannel) {
    return new TrackSound(value, newChannel, mix, transpose, port);
  }

  public TrackSound withMix(Mix value) {
    return new TrackSound(instrument, channel, value, transpose, port);
  }

  public TrackSound withTranspose(int value) {
    return new TrackSound(instrument, channel, mix, value, port);
  }

  public TrackSound withPort(String value) {
    return new TrackSound(instrument, channel, mix, transpose, value);
  }

  /** Whether notes sound at other pitches than they stand. */
  public boolean changesPitch() {
    return transpose != 0 && !instrument.kit();
  }

  /**
   * The pitch at which a note sounds, 0 to 127: what would leave the piano's 128 notes sounds in
   * the nearest octave that does not. The drums of a kit stay what they are.
   */
  public int heard(int pitch) {
    return changesPitch() ? Pitch.folded(pitch + transpose) : pitch;
  }
}
