package flailbeat.core.session.run;

import flailbeat.core.model.Song;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.PlaybackPlan;

/** A phrase as it was played plays, with clicks on the beats that were guessed. */
final class GuessRun extends Run {
  private final PlaybackPlan plan;
  private final Runner runner;

  GuessRun(Song phrase, ClickTrack clicks, Runner runner) {
    this.plan = PlaybackPlan.of(phrase, clicks, 0);
    this.runner = runner;
  }

  @Override
  PlaybackPlan plan() {
    return plan;
  }

  @Override
  boolean tick(long unrolledNanos) {
    return runner.isPastEnd();
  }

  @Override
  boolean followsSong() {
    return false;
  }
}
