package flailbeat.core.session.run;

import flailbeat.core.model.Song;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Parts;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.session.document.Notice;
import java.util.Optional;

/**
 * A phrase plays by itself: as it was played, with clicks on the beats that were guessed, or with
 * another sound.
 */
final class PhraseRun extends Run {
  private final PlaybackPlan plan;
  private final Runner runner;
  private final long endNanos;
  private final Runnable onEnd;

  /**
   * A phrase.
   *
   * @param endNanos the song time at which it is over; the song's own end may come before
   * @param onEnd leaves all as it was before
   */
  PhraseRun(
      Song phrase, Parts parts, ClickTrack clicks, Runner runner, long endNanos, Runnable onEnd) {
    this.plan = PlaybackPlan.of(phrase, parts, clicks, 0);
    this.runner = runner;
    this.endNanos = endNanos;
    this.onEnd = onEnd;
  }

  @Override
  PlaybackPlan plan() {
    return plan;
  }

  @Override
  boolean tick(long unrolledNanos) {
    return unrolledNanos >= endNanos || runner.isPastEnd();
  }

  @Override
  Optional<Notice> end(long unrolledNanos) {
    onEnd.run();
    return Optional.empty();
  }

  @Override
  boolean followsSong() {
    return false;
  }
}
