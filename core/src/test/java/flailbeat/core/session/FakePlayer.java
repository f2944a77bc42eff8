package flailbeat.core.session;

import flailbeat.core.model.control.Control;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.playback.ClickSound;
import flailbeat.core.playback.Plans;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.Player;
import flailbeat.core.playback.Repeats;
import flailbeat.core.time.Clock;
import flailbeat.core.time.Loop;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * The double for what sounds: writes down what it is told. As the real one it lets a note ring for
 * as long as its part's pedal is down, and goes round the loop by itself, taking up the next
 * round's plan at the seam, and its position can drift and step back.
 */
public final class FakePlayer implements Player {
  public final List<String> log = new ArrayList<>();
  public final Set<String> sounding = new TreeSet<>();
  private final Set<String> ringing = new TreeSet<>();
  private final Set<String> held = new TreeSet<>();

  /** What each part sounds like in a plan, and live. */
  public final Map<Integer, Instrument> planned = new HashMap<>();

  public final Map<Integer, Instrument> live = new HashMap<>();

  /** What dials stand at: {@code "0 7"} is part 0's level. */
  public final Map<String, Integer> dials = new HashMap<>();

  /** Where parts go: a port, empty for the synthesizer, and a channel. */
  public final Map<Integer, String> outputs = new HashMap<>();

  public Repeats repeats = Repeats.NONE;
  public boolean playing;
  private final Clock clock;
  private Plans plans = Plans.always(PlaybackPlan.SILENCE);
  private Optional<Loop> loop = Optional.empty();
  private long offsetNanos;

  public FakePlayer(Clock clock) {
    this.clock = clock;
  }

  /** What it plays at this moment. */
  public PlaybackPlan plan() {
    return plans.at(turn());
  }

  /** What it will play once the loop begins anew. */
  public PlaybackPlan nextRound() {
    return plans.at(turn() + 1);
  }

  private long turn() {
    return loop.map(l -> l.turn(clock.nanoTime() + offsetNanos)).orElse(0L);
  }

  /** What is heard comes later than it was thought, as after a stall; negative: sooner. */
  public void stepBack(long nanos) {
    offsetNanos -= nanos;
  }

  @Override
  public long leadNanos() {
    return 0;
  }

  @Override
  public void cue(PlaybackPlan cued, long songNanos, long clockNanos, Optional<Loop> round) {
    plans = Plans.always(cued);
    loop = round;
    playing = true;
    offsetNanos = songNanos - clockNanos;
    log.add("cue " + songNanos / 1_000_000);
  }

  @Override
  public void replace(Plans others) {
    plans = others;
    log.add(others.now() == others.next() ? "replace" : "ready");
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
    loop = Optional.empty();
  }

  @Override
  public long songOffsetNanos() {
    return offsetNanos;
  }

  @Override
  public void noteOn(int channel, int pitch, int velocity) {
    ringing.remove(channel + ":" + pitch);
    sounding.add(channel + ":" + pitch);
    log.add("on " + pitch + " " + velocity);
  }

  @Override
  public void noteOff(int channel, int pitch) {
    String note = channel + ":" + pitch;
    if (held.contains(channel + " 64")) {
      ringing.add(note);
    } else {
      sounding.remove(note);
    }
  }

  /** What controllers of a part are away from rest: {@code "0 64"} is part 0's pedal. */
  public Set<String> held() {
    return held;
  }

  @Override
  public void control(int channel, Control control) {
    String of = channel + " " + control.number();
    if (Controller.of(control).filter(c -> !c.isAtRest(control.value())).isPresent()) {
      held.add(of);
    } else if (held.remove(of) && control.number() == 64) {
      ringing.stream().filter(n -> n.startsWith(channel + ":")).forEach(sounding::remove);
      ringing.removeIf(n -> n.startsWith(channel + ":"));
    }
    log.add("control " + control.kind() + " " + control.number() + " " + control.value());
  }

  @Override
  public void allNotesOff() {
    sounding.clear();
    ringing.clear();
    log.add("panic");
  }

  @Override
  public void instrument(int channel, Instrument instrument) {
    log.add("instrument " + channel + " " + instrument.program());
    planned.put(channel, instrument);
    live.put(channel, instrument);
  }

  @Override
  public void tryInstrument(int part, Instrument instrument) {
    live.put(part, instrument);
  }

  @Override
  public void dial(int part, Control control) {
    dials.put(part + " " + control.number(), control.value());
  }

  @Override
  public void output(int part, String port, int channel) {
    outputs.put(part, port + " " + channel);
  }
}
