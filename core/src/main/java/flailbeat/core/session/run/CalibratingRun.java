package flailbeat.core.session.run;

import flailbeat.core.capture.Calibration;
import flailbeat.core.event.Performed;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Notices;
import flailbeat.core.transport.Transport;

/** Eight bars of click, to tap along to; nothing else sounds but the taps. */
final class CalibratingRun extends Run {
  private final Calibration calibration;
  private final Runner runner;
  private final Transport transport;
  private final Changes changes;
  private final Notices notices;

  CalibratingRun(
      Calibration calibration,
      Runner runner,
      Transport transport,
      Changes changes,
      Notices notices) {
    this.calibration = calibration;
    this.runner = runner;
    this.transport = transport;
    this.changes = changes;
    this.notices = notices;
  }

  @Override
  PlaybackPlan plan() {
    return runner.plans().clicksAlone(calibration.range());
  }

  @Override
  boolean tick(long unrolledNanos) {
    boolean over = runner.positionTicks() >= calibration.range().end();
    if (over) {
      changes.fire(Aspect.SETTINGS);
      if (calibration.result().isUsable()) {
        notices.tell("That was eight bars. The page Recording says how you tap");
      } else {
        notices.warn("Too few taps, or too far from the click: try again");
      }
    }
    return over;
  }

  @Override
  void hear(Performed event) {
    if (event instanceof Performed.NoteOn) {
      calibration.tap(transport.songNanosAt(event.atNanos()));
      changes.fire(Aspect.SETTINGS);
    }
  }

  @Override
  boolean followsSong() {
    return false;
  }

  @Override
  String stopped() {
    return "Calibration stopped";
  }
}
