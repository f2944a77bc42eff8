package flailbeat.core.capture;

import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.Loop;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;

/**
 * All that a recording goes by, from its start to its end: with it and what was played it can be
 * made anew.
 *
 * @param tempos the tempos that it is played to
 * @param startTick where it starts
 * @param catchNanos how early a note may come before the start and still count
 * @param loop what is gone round, in song time
 * @param loopCatchNanos how near the loop's end a note belongs to the next pass
 * @param onto the tracks that are recorded onto
 * @param round the loop in ticks, where one is gone round
 * @param manner what is done with what is there already
 */
public record RecordingStart(
    TempoMap tempos,
    long startTick,
    long catchNanos,
    Optional<Loop> loop,
    long loopCatchNanos,
    List<TrackId> onto,
    Optional<TickRange> round,
    Manner manner) {
  /**
   * What a recording does with what is there, and with what is played.
   *
   * @param alwaysReplace whether replacing clears what the pass runs over though nothing was played
   * @param quantize whether what is recorded is quantized
   * @param offsetMs how late the person plays, which is taken off
   */
  public record Manner(
      RecordingMode mode, boolean alwaysReplace, int catchMs, boolean quantize, double offsetMs) {}

  public RecordingStart {
    onto = List.copyOf(onto);
  }

  /** A recording that starts so. */
  public Recording recording() {
    return new Recording(tempos, startTick, catchNanos, loop, loopCatchNanos);
  }
}
