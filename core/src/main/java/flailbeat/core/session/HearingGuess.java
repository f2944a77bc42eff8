package flailbeat.core.session;

import flailbeat.core.model.Song;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.PlaybackPlan;

/** A phrase as it was played plays, with clicks on the beats that were guessed. */
final class HearingGuess extends Activity {
  private final PlaybackPlan plan;
  private final Playback playback;

  HearingGuess(Song phrase, ClickTrack clicks, Playback playback) {
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
