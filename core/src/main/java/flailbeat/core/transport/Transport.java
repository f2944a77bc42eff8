package flailbeat.core.transport;

import flailbeat.core.time.Clock;
import flailbeat.core.time.Loop;
import java.util.Optional;

/**
 * Where the song is, as a state machine over a clock.
 *
 * <p>Song time is nanoseconds from tick 0. While it runs, <em>unrolled</em> time is clock time plus
 * an offset; whatever makes the sound may correct the offset, so that it is what is being heard.
 * Song time is unrolled time folded back into the {@link Loop}, where one is gone round. Stopped,
 * song time is the <em>play start</em>: where stopping returns to, and where the next start begins.
 */
public final class Transport {
  /** What it is doing. */
  public enum State {
    STOPPED,
    COUNTING_IN,
    PLAYING,
    RECORDING
  }

  private final Clock clock;
  private State state = State.STOPPED;
  private long playStartNanos;
  private long offsetNanos;
  private long fromNanos;
  private boolean toRecord;
  private Optional<Loop> loop = Optional.empty();

  public Transport(Clock clock) {
    this.clock = clock;
  }

  /** The state now; a count-in that is over has become playing or recording. */
  public State state() {
    if (state == State.COUNTING_IN && unrolledAt(clock.nanoTime()) >= fromNanos) {
      state = toRecord ? State.RECORDING : State.PLAYING;
    }
    return state;
  }

  public boolean isRunning() {
    return state != State.STOPPED;
  }

  /** Whether it records, or will once the count-in is over. */
  public boolean isRecording() {
    return isRunning() && toRecord;
  }

  /** Where stopping returns to, in song time. */
  public long playStartNanos() {
    return playStartNanos;
  }

  /** Moves the play start; a running transport stops first. */
  public void setPlayStartNanos(long songNanos) {
    stop();
    playStartNanos = Math.max(0, songNanos);
  }

  /** Moves the play start while it runs, without stopping: where stopping will return to. */
  public void setReturnNanos(long songNanos) {
    playStartNanos = songNanos;
  }

  /** Song time now. Earlier than where it starts from while counting in. */
  public long positionNanos() {
    return songNanosAt(clock.nanoTime());
  }

  /** Song time at a moment of the clock's, while running; the play start when stopped. */
  public long songNanosAt(long clockNanos) {
    long unrolled = unrolledAt(clockNanos);
    return isRunning() ? loop.map(l -> l.fold(unrolled)).orElse(unrolled) : playStartNanos;
  }

  /** Unrolled time at a moment of the clock's, while running; the play start when stopped. */
  public long unrolledAt(long clockNanos) {
    return isRunning() ? clockNanos + offsetNanos : playStartNanos;
  }

  /** The loop that is being gone round. */
  public Optional<Loop> loop() {
    return loop;
  }

  /**
   * Starts.
   *
   * @param start where, and whether it records
   * @param atClockNanos the moment at which its first instant is heard
   */
  public void start(Start start, long atClockNanos) {
    toRecord = start.record();
    fromNanos = start.fromNanos();
    loop = start.loop();
    offsetNanos = start.firstNanos() - atClockNanos;
    state =
        start.countInNanos() > 0 ? State.COUNTING_IN : toRecord ? State.RECORDING : State.PLAYING;
  }

  /**
   * How a start is meant.
   *
   * @param record whether it records
   * @param fromNanos song time that it plays from
   * @param countInNanos how long before that it starts, 0 for at once
   * @param loop what it goes round, once it has come to its end
   */
  public record Start(boolean record, long fromNanos, long countInNanos, Optional<Loop> loop) {
    /** Song time of its first instant. */
    public long firstNanos() {
      return fromNanos - countInNanos;
    }
  }

  /** Corrects what is heard when: unrolled time is clock time plus this. */
  public void follow(long newOffsetNanos) {
    offsetNanos = newOffsetNanos;
  }

  public void stop() {
    state = State.STOPPED;
    toRecord = false;
    loop = Optional.empty();
  }
}
