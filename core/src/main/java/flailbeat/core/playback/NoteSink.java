package flailbeat.core.playback;

import flailbeat.core.model.control.Control;
import flailbeat.core.model.sound.Instrument;

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

  /** Chooses what a part sounds like, in a plan and live. */
  void instrument(int part, Instrument instrument);

  /**
   * Chooses what live notes of a part sound like for now, until {@link #instrument} or this says
   * otherwise; what a plan plays goes on as it is.
   */
  void tryInstrument(int part, Instrument instrument);

  /** Sets a dial of a part, in a plan and live: its level, where it is heard from, its tone. */
  void dial(int part, Control control);

  /**
   * Sends a part to a MIDI output of the system in place of the synthesizer.
   *
   * @param port the output's name; empty for the synthesizer
   * @param channel 0 to 15
   */
  void output(int part, String port, int channel);
}
