package flailbeat.core.playback;

import flailbeat.core.model.Instrument;

/** Where notes go that are to be heard at once. Channels are counted from 0. */
public interface NoteSink {
  void noteOn(int channel, int pitch, int velocity);

  void noteOff(int channel, int pitch);

  /** Ends every note, live or planned, without delay. */
  void allNotesOff();

  /** Chooses what a channel sounds like. */
  void instrument(int channel, Instrument instrument);
}
