package flailbeat.core.session.run;

import flailbeat.core.playback.PlaybackPlan;

/** The song plays, in the version that is shown, to its end or round its loop. */
public final class PlayingRun extends Run {
  private final Runner runner;
  private final NoteTiming timing;

  PlayingRun(Runner runner, NoteTiming timing) {
    this.runner = runner;
    this.timing = timing;
  }

  @Override
  PlaybackPlan plan() {
    return runner.planOf(
        runner.plans().inVersion(timing.version()), runner.settings().clickInPlay());
  }

  @Override
  boolean tick(long unrolledNanos) {
    return runner.isPastEnd();
  }
}
