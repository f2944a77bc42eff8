package flailbeat.core.session.run;

import flailbeat.core.model.Song;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Parts;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.session.document.Notice;
import java.util.Optional;
import java.util.function.BooleanSupplier;

/**
 * A phrase plays by itself: as it was played, with clicks on the beats that were guessed, or with
 * another sound.
 */
final class PhraseRun extends Run {
  private final PlaybackPlan plan;
  private final BooleanSupplier pastEnd;
  private final long endNanos;
  private final Runnable onEnd;

  /**
   * A phrase.
   *
   * @param pastEnd whether it is over before that
   * @param endNanos the song time at which it is over
   * @param onEnd leaves all as it was before
   */
  PhraseRun(
      Song phrase,
      Parts parts,
      ClickTrack clicks,
      BooleanSupplier pastEnd,
      long endNanos,
      Runnable onEnd) {
    this.plan = PlaybackPlan.of(phrase, parts, clicks, 0);
    this.pastEnd = pastEnd;
    this.endNanos = endNanos;
    this.onEnd = onEnd;
  }

  @Override
  PlaybackPlan plan() {
    return plan;
  }

  @Override
  boolean tick(long unrolledNanos) {
    return unrolledNanos >= endNanos || pastEnd.getAsBoolean();
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
