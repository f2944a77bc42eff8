package flailbeat.core.playback;

import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Instrument;

/**
 * Where notes go that are to be heard at once, apart from those of a plan: neither ends the
 * other's. Channels are counted from 0.
 */
public interface NoteSink {
  void noteOn(int channel, int pitch, int velocity);

  void noteOff(int channel, int pitch);

  /**
   * Moves a controller, or bends.
   *
   * @param point its tick says nothing here
   */
  void control(int channel, ControlPoint point);

  /** Ends every note, live or planned, without delay. */
  void allNotesOff();

  /** Chooses what a channel sounds like. */
  void instrument(int channel, Instrument instrument);
}
