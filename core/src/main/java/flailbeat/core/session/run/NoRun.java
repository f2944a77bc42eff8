package flailbeat.core.session.run;

import flailbeat.core.playback.PlaybackPlan;

/** Nothing plays. */
final class NoRun extends Run {
  @Override
  PlaybackPlan plan() {
    return PlaybackPlan.SILENCE;
  }

  @Override
  boolean tick(long unrolledNanos) {
    return false;
  }
}
