package flailbeat.core.session;

import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Instrument;
import flailbeat.core.playback.ClickSound;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.Player;
import flailbeat.core.playback.Repeats;
import flailbeat.core.time.Loop;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** The double for what sounds: writes down what it is told. */
final class FakePlayer implements Player {
  final List<String> log = new ArrayList<>();
  final Set<String> sounding = new TreeSet<>();
  PlaybackPlan plan = PlaybackPlan.SILENCE;
  PlaybackPlan nextRound = PlaybackPlan.SILENCE;
  Repeats repeats = Repeats.NONE;
  boolean playing;
  private long offsetNanos;

  @Override
  public long leadNanos() {
    return 0;
  }

  @Override
  public void cue(PlaybackPlan cued, long songNanos, long clockNanos, Optional<Loop> loop) {
    plan = cued;
    playing = true;
    offsetNanos = songNanos - clockNanos;
    log.add("cue " + songNanos / 1_000_000);
  }

  @Override
  public void replace(PlaybackPlan another) {
    plan = another;
    log.add("replace");
  }

  @Override
  public void replaceAtLoop(PlaybackPlan another) {
    nextRound = another;
    log.add("ready");
  }

  @Override
  public void repeat(Repeats wanted) {
    repeats = wanted;
  }

  @Override
  public void click(ClickSound sound, double level) {
    log.add("click " + sound);
  }

  @Override
  public void halt() {
    playing = false;
  }

  @Override
  public long songOffsetNanos() {
    return offsetNanos;
  }

  @Override
  public void noteOn(int channel, int pitch, int velocity) {
    sounding.add(channel + ":" + pitch);
    log.add("on " + pitch + " " + velocity);
  }

  @Override
  public void noteOff(int channel, int pitch) {
    sounding.remove(channel + ":" + pitch);
  }

  @Override
  public void control(int channel, ControlPoint point) {
    log.add("control " + point.kind() + " " + point.number() + " " + point.value());
  }

  @Override
  public void allNotesOff() {
    sounding.clear();
    log.add("panic");
  }

  @Override
  public void instrument(int channel, Instrument instrument) {
    log.add("instrument " + channel + " " + instrument.program());
  }
}
