package flailbeat.core.model;

/**
 * What a track sounds with.
 *
 * @param channel MIDI channel, 0 to 15; 9 is the drum channel
 */
public record TrackSound(Instrument instrument, int channel) {
  public TrackSound {
    if (channel < 0 || channel > 15) {
      throw new IllegalArgumentException("A channel goes from 0 to 15, not " + channel);
    }
  }
}
