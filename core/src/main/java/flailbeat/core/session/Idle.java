package flailbeat.core.session;

import flailbeat.core.playback.PlaybackPlan;

/** Nothing plays. */
final class Idle extends Activity {
  @Override
  PlaybackPlan plan() {
    return PlaybackPlan.SILENCE;
  }

  @Override
  boolean tick(long unrolledNanos) {
    return false;
  }
}
