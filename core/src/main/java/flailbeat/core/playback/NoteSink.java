package flailbeat.core.playback;

import flailbeat.core.model.Instrument;
import flailbeat.core.model.control.Control;

/**
 * Where notes go that are to be heard at once, apart from those of a plan: neither ends the
 * other's. A part is a track's place in the song, and has a sound of its own: 0 to {@link
 * Parts#MOST} less one.
 */
public interface NoteSink {
  void noteOn(int part, int pitch, int velocity);

  void noteOff(int part, int pitch);

  /** Moves a controller, or bends. */
  void control(int part, Control control);

  /** Ends every note, live or planned, without delay. */
  void allNotesOff();

  /** Chooses what a part sounds like. */
  void instrument(int part, Instrument instrument);
}
