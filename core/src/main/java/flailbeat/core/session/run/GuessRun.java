package flailbeat.core.session.run;

import flailbeat.core.model.Song;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.PlaybackPlan;

/** A phrase as it was played plays, with clicks on the beats that were guessed. */
final class GuessRun extends Run {
  private final PlaybackPlan plan;
  private final Runner playback;

  GuessRun(Song phrase, ClickTrack clicks, Runner playback) {
    this.plan = PlaybackPlan.of(phrase, clicks, 0);
    this.playback = playback;
  }

  @Override
  PlaybackPlan plan() {
    return plan;
  }

  @Override
  boolean tick(long unrolledNanos) {
    return playback.isPastEnd();
  }

  @Override
  boolean followsSong() {
    return false;
  }
}
