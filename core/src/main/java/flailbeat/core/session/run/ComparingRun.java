package flailbeat.core.session.run;

import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.session.document.Notice;
import flailbeat.core.time.Loop;
import flailbeat.core.transport.Transport;
import java.util.Optional;

/**
 * Before and after: round by round of the loop, the notes in scope are heard as they were played
 * and as quantizing puts them.
 */
final class ComparingRun extends Run {
  private final NoteTiming timing;
  private final Runner runner;
  private final Transport transport;
  private QuantizePlan preview = QuantizePlan.NONE;
  private final Runnable onEnd;
  private boolean ready;
  private long round;

  /**
   * Begins with a round as played.
   *
   * @param onEnd leaves the loop as it was before
   */
  ComparingRun(NoteTiming timing, Runner runner, Transport transport, Runnable onEnd) {
    this.onEnd = onEnd;
    this.timing = timing;
    this.runner = runner;
    this.transport = transport;
  }

  @Override
  PlaybackPlan plan() {
    preview = timing.plan();
    return runner.planOf(
        runner.plans().inVersion(timing.version()), runner.settings().clickInPlay());
  }

  @Override
  boolean tick(long unrolledNanos) {
    Optional<Loop> loop = transport.loop();
    if (loop.isEmpty()) {
      return false;
    }
    long left = loop.get().endOf(round) - unrolledNanos;
    if (left <= 0) {
      round++;
      ready = false;
      timing.setVersion(other());
      runner.replan();
    } else if (!ready && runner.isNear(left)) {
      ready = true;
      runner.publish();
    }
    return false;
  }

  /** The other version is heard next, once the end of the round is near. */
  @Override
  Optional<NextRound> nextRound() {
    return transport
        .loop()
        .filter(l -> runner.isNear(l.endOf(round) - runner.unrolledNow()))
        .map(l -> new NextRound(runner.plans().inVersion(other()), round));
  }

  @Override
  Optional<Notice> end(long unrolledNanos) {
    timing.setVersion(NoteVersion.STANDING);
    onEnd.run();
    return Optional.of(new Notice("No longer compared: the notes are heard as they stand", false));
  }

  /** The round that runs may have to sound otherwise. */
  @Override
  void followPreview() {
    if (timing.preview().filter(p -> p != preview).isPresent()) {
      ready = false;
      runner.replan();
    }
  }

  private NoteVersion other() {
    return timing.version() == NoteVersion.PLAYED ? NoteVersion.QUANTIZED : NoteVersion.PLAYED;
  }
}
