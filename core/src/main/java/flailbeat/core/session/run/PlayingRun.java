package flailbeat.core.session.run;

import flailbeat.core.playback.PlaybackPlan;

/** The song plays, in the version that is shown, to its end or round its loop. */
public final class PlayingRun extends Run {
  private final Runner playback;
  private final NoteTiming timing;

  PlayingRun(Runner playback, NoteTiming timing) {
    this.playback = playback;
    this.timing = timing;
  }

  @Override
  PlaybackPlan plan() {
    return playback.planOf(
        playback.plans().inVersion(timing.version()), playback.settings().clickInPlay());
  }

  @Override
  boolean tick(long unrolledNanos) {
    return playback.isPastEnd();
  }
}
