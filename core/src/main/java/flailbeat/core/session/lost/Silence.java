package flailbeat.core.session.lost;

import flailbeat.core.model.control.Control;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.playback.ClickSound;
import flailbeat.core.playback.Plans;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.Player;
import flailbeat.core.playback.Repeats;
import flailbeat.core.time.Loop;
import java.util.Optional;

/** Plays nothing. */
final class Silence implements Player {
  @Override
  public long leadNanos() {
    return 0;
  }

  @Override
  public void cue(PlaybackPlan plan, long songNanos, long clockNanos, Optional<Loop> loop) {
    // Nothing is heard.
  }

  @Override
  public void replace(Plans plans) {
    // Nothing is heard.
  }

  @Override
  public void click(ClickSound sound, double level) {
    // Nothing is heard.
  }

  @Override
  public void repeat(Repeats repeats) {
    // Nothing is heard.
  }

  @Override
  public void halt() {
    // Nothing is heard.
  }

  @Override
  public long songOffsetNanos() {
    return 0;
  }

  @Override
  public void noteOn(int part, int pitch, int velocity) {
    // Nothing is heard.
  }

  @Override
  public void noteOff(int part, int pitch) {
    // Nothing is heard.
  }

  @Override
  public void control(int part, Control control) {
    // Nothing is heard.
  }

  @Override
  public void allNotesOff() {
    // Nothing is heard.
  }

  @Override
  public void instrument(int part, Instrument instrument) {
    // Nothing is heard.
  }

  @Override
  public void tryInstrument(int part, Instrument instrument) {
    // Nothing is heard.
  }

  @Override
  public void dial(int part, Control control) {
    // Nothing is heard.
  }

  @Override
  public void output(int part, String port, int channel) {
    // Nothing is heard.
  }
}
