package flailbeat.core.session;

import flailbeat.core.playback.Player;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.session.TimingDesk.Version;
import flailbeat.core.time.Clock;
import flailbeat.core.time.Loop;
import flailbeat.core.transport.Transport;
import java.util.Optional;

/**
 * Before and after: round by round of the loop, the notes in hand are heard as they were played and
 * as quantizing puts them.
 */
final class Comparison {
  private final TimingDesk timing;
  private final Heard heard;
  private final Playback playback;
  private final Transport transport;
  private final Clock clock;
  private final Player player;
  private boolean on;
  private boolean ready;
  private long round;
  private QuantizePlan plan = QuantizePlan.NONE;

  Comparison(
      TimingDesk timing,
      Heard heard,
      Playback playback,
      Transport transport,
      Clock clock,
      Player player) {
    this.timing = timing;
    this.heard = heard;
    this.playback = playback;
    this.transport = transport;
    this.clock = clock;
    this.player = player;
  }

  boolean isOn() {
    return on;
  }

  /** The loop runs from its start: the first round is as played. */
  void begin() {
    on = true;
    ready = false;
    round = 0;
    plan = timing.plan();
    timing.setVersion(Version.PLAYED);
    playback.replan();
  }

  void end() {
    if (on) {
      on = false;
      timing.setVersion(Version.STANDING);
      playback.replan();
    }
  }

  /** Called for each frame drawn while the loop runs. */
  void advance() {
    Optional<Loop> loop = transport.loop();
    if (!on || loop.isEmpty()) {
      return;
    }
    long unrolled = transport.unrolledAt(clock.nanoTime());
    long end = loop.get().endOf(round);
    if (unrolled >= end) {
      round++;
      ready = false;
      timing.setVersion(other());
      playback.replan();
    } else if (!ready && isNear(end - unrolled)) {
      ready = true;
      playback.publish();
    }
  }

  private boolean isNear(long left) {
    return left <= Conductor.READY_NANOS + player.leadNanos();
  }

  /** The other version is heard next, once the end of the round is near. */
  Optional<NextRound> nextRound() {
    return transport
        .loop()
        .filter(l -> isNear(l.endOf(round) - transport.unrolledAt(clock.nanoTime())))
        .map(l -> new NextRound(heard.inVersion(other()), round));
  }

  /** What quantizing would do has changed: the round that runs may have to sound otherwise. */
  void followPlan() {
    if (on && plan != timing.plan()) {
      plan = timing.plan();
      ready = false;
      playback.replan();
    }
  }

  private Version other() {
    return timing.version() == Version.PLAYED ? Version.QUANTIZED : Version.PLAYED;
  }
}
