package flailbeat.core.session.run;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Parts;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.hands.LiveSound;
import flailbeat.core.time.Clock;
import flailbeat.core.time.TickRange;

/** Plays phrases by themselves, beside the song. */
public final class PhraseHearing {
  /** So long what sounds last may take to die away. */
  private static final long FADING_NANOS = 500_000_000;

  private final Document document;
  private final Runner runner;
  private final Runnable stopping;
  private final LiveSound live;
  private final Clock clock;

  /**
   * Nothing plays yet.
   *
   * @param stopping stops whatever goes on
   */
  PhraseHearing(Document document, Runner runner, Runnable stopping, LiveSound live, Clock clock) {
    this.live = live;
    this.clock = clock;
    this.document = document;
    this.runner = runner;
    this.stopping = stopping;
  }

  /** Plays a phrase with clicks of its own, from the first of them. */
  public void hearGuess(Song phrase, ClickTrack clicks) {
    stopping.run();
    Run run =
        new PhraseRun(
            phrase, document.parts(), clicks, runner::isPastEnd, Long.MAX_VALUE, () -> {});
    runner.startAt(run, Math.max(0, clicks.nanosAt(0)));
  }

  /**
   * Plays a stretch of a song by itself.
   *
   * @param onEnd leaves all as it was before, however it ends
   */
  public void hear(Song phrase, TickRange range, Runnable onEnd) {
    stopping.run();
    long end = phrase.tempos().nanosAt(range.end());
    runner.startAt(
        new PhraseRun(phrase, document.parts(), ClickTrack.NONE, runner::isPastEnd, end, onEnd),
        phrase.tempos().nanosAt(range.start()));
  }

  /**
   * Plays another song as it is, from its first note, with its own sounds.
   *
   * @param onEnd is told that it is over, however it ends
   */
  public void hearOther(Song other, Runnable onEnd) {
    stopping.run();
    Parts parts = document.parts().beside(other);
    live.lend(other, parts);
    long first =
        other.tracks().stream()
            .flatMap(t -> t.clips().stream())
            .filter(c -> c.noteCount() > 0)
            .mapToLong(Clip::start)
            .min()
            .orElse(0);
    PhraseRun run =
        new PhraseRun(
            other,
            parts,
            ClickTrack.NONE,
            () -> false,
            other.tempos().nanosAt(other.end()) + FADING_NANOS,
            () -> {
              live.follow(clock.nanoTime());
              onEnd.run();
            });
    runner.startAt(run, other.tempos().nanosAt(first));
  }

  /** Whether a phrase plays by itself. */
  public boolean isHearing() {
    return runner.now() instanceof PhraseRun;
  }
}
