package flailbeat.core.session;

import flailbeat.core.playback.PlaybackPlan;

/** The song plays, in the version that is shown, to its end or round its loop. */
final class Playing extends Activity {
  private final Playback playback;
  private final NoteTiming timing;

  Playing(Playback playback, NoteTiming timing) {
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
