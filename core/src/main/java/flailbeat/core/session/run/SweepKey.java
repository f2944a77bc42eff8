package flailbeat.core.session.run;

import flailbeat.core.capture.Sweep;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.time.Clock;
import java.util.Optional;

/** The sweep's key: while it is held, what passes the playhead is wiped, and heard no more. */
final class SweepKey {
  private final Runner runner;
  private final Sweeper sweeper;
  private final Performer performer;
  private final Clock clock;

  SweepKey(Runner runner, Sweeper sweeper, Performer performer, Clock clock) {
    this.runner = runner;
    this.sweeper = sweeper;
    this.performer = performer;
    this.clock = clock;
  }

  /** It goes down or comes up; says what it did. */
  Optional<Notice> hold(boolean held) {
    Optional<Notice> said = Optional.empty();
    if (held != sweeper.isHeld()) {
      if (held) {
        sweeper.press(place(), clock.nanoTime());
      } else {
        follow();
        said = sweeper.release();
      }
      runner.replan();
    }
    return said;
  }

  /** Follows the playhead while it is held. */
  void follow() {
    if (sweeper.isHeld()) {
      boolean another = sweeper.hold(performer.hands().soundingPitches(), clock.nanoTime());
      sweeper.follow(place(), runner.transport().loop());
      if (another) {
        runner.replan();
      }
    }
  }

  /** Where the playhead is, in unrolled time. */
  Sweep.Place place() {
    return new Sweep.Place(runner.runs(), runner.unrolledNow());
  }
}
