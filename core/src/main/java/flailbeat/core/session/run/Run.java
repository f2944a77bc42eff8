package flailbeat.core.session.run;

import flailbeat.core.event.Performed;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.session.document.Notice;
import java.util.Optional;

/** What goes on: each kind knows what is heard, what happens frame by frame, and how it ends. */
abstract sealed class Run
    permits NoRun, PlayingRun, RecordingRun, CalibratingRun, ComparingRun, PhraseRun {
  /** What is heard from now on, or from where it will start. */
  abstract PlaybackPlan plan();

  /** What will be heard once the loop begins anew; empty where it is what is heard now. */
  Optional<NextRound> nextRound() {
    return Optional.empty();
  }

  /**
   * Called for each frame drawn, with the unrolled time that is heard.
   *
   * @return whether it is over
   */
  abstract boolean tick(long unrolledNanos);

  /** Ends, the sound having stopped at an unrolled time; says what came of it. */
  Optional<Notice> end(long unrolledNanos) {
    return Optional.empty();
  }

  /** Hears what is done by hand meanwhile. */
  void hear(Performed event) {
    // Most let it sound and no more.
  }

  /** Writes down what is played meanwhile, by hand or by note repeat. */
  void write(Performed event) {
    // Most keep nothing.
  }

  /** What quantizing would do is another. */
  void followPreview() {
    // Most sound the notes as they stand.
  }

  /** Whether it goes on, from the same tick, when song, loop or settings are others. */
  boolean followsSong() {
    return true;
  }

  /** What is said when the tempo is another, and it cannot go on. */
  String stopped() {
    return "Stopped";
  }
}
