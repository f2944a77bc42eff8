package flailbeat.core.session.run;

import flailbeat.core.model.Song;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.session.document.Document;
import flailbeat.core.time.TickRange;

/** Plays phrases by themselves, beside the song. */
public final class PhraseHearing {
  private final Document document;
  private final Runner runner;
  private final Runnable stopping;

  /**
   * Nothing plays yet.
   *
   * @param stopping stops whatever goes on
   */
  PhraseHearing(Document document, Runner runner, Runnable stopping) {
    this.document = document;
    this.runner = runner;
    this.stopping = stopping;
  }

  /** Plays a phrase with clicks of its own, from the first of them. */
  public void hearGuess(Song phrase, ClickTrack clicks) {
    stopping.run();
    Run run = new PhraseRun(phrase, document.parts(), clicks, runner, Long.MAX_VALUE, () -> {});
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
        new PhraseRun(phrase, document.parts(), ClickTrack.NONE, runner, end, onEnd),
        phrase.tempos().nanosAt(range.start()));
  }

  /** Whether a phrase plays by itself. */
  public boolean isHearing() {
    return runner.now() instanceof PhraseRun;
  }
}
