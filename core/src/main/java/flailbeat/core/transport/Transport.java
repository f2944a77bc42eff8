package flailbeat.core.transport;

import flailbeat.core.time.Clock;

/**
 * Where the song is, as a state machine over a clock.
 *
 * <p>Song time is nanoseconds from tick 0. While it runs, song time is clock time plus an offset;
 * whatever makes the sound may correct the offset, so that song time is what is being heard.
 * Stopped, song time is the <em>place</em>: where the next start begins, and where stopping returns
 * to.
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
  private long placeNanos;
  private long offsetNanos;
  private boolean toRecord;

  public Transport(Clock clock) {
    this.clock = clock;
  }

  /** The state now; a count-in that is over has become playing or recording. */
  public State state() {
    if (state == State.COUNTING_IN && positionNanos() >= placeNanos) {
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

  /** Where it starts from, in song time. */
  public long placeNanos() {
    return placeNanos;
  }

  /** Moves the place; a running transport stops first. */
  public void setPlaceNanos(long songNanos) {
    stop();
    placeNanos = Math.max(0, songNanos);
  }

  /** Moves the place while it runs, without stopping: where stopping will return to. */
  public void setReturnNanos(long songNanos) {
    placeNanos = songNanos;
  }

  /** Song time now. Before the place while counting in. */
  public long positionNanos() {
    return isRunning() ? songNanosAt(clock.nanoTime()) : placeNanos;
  }

  /** Song time at a moment of the clock's, while running; the place when stopped. */
  public long songNanosAt(long clockNanos) {
    return isRunning() ? clockNanos + offsetNanos : placeNanos;
  }

  /**
   * Starts at the place.
   *
   * @param record whether it records
   * @param countInNanos how long before the place it starts, 0 for at once
   * @param atClockNanos the moment at which its first instant is heard
   */
  public void start(boolean record, long countInNanos, long atClockNanos) {
    toRecord = record;
    offsetNanos = placeNanos - countInNanos - atClockNanos;
    state = countInNanos > 0 ? State.COUNTING_IN : record ? State.RECORDING : State.PLAYING;
  }

  /** Song time less clock time, while it runs. */
  public long offsetNanos() {
    return offsetNanos;
  }

  /** Corrects what is heard when: song time is clock time plus this. */
  public void follow(long newOffsetNanos) {
    offsetNanos = newOffsetNanos;
  }

  public void stop() {
    state = State.STOPPED;
    toRecord = false;
  }
}
