package flailbeat.core.playback;

/**
 * Plays a plan in time, and live notes as they come. Calls never wait for the sound.
 *
 * <p>Song time is nanoseconds from tick 0, clock time that of the {@link
 * flailbeat.core.time.Clock}.
 */
public interface Player extends NoteSink {
  /** How long from a call of {@link #cue} to the first moment that can be heard. */
  long leadNanos();

  /** Starts a plan so that {@code songNanos} is heard at {@code clockNanos}. */
  void cue(PlaybackPlan plan, long songNanos, long clockNanos);

  /** Goes on with another plan at the same place; notes that both hold go on sounding. */
  void replace(PlaybackPlan plan);

  /** Stops, and ends the plan's notes; live ones go on. */
  void halt();

  /** What is heard now: song time less clock time, as measured at the output while playing. */
  long songOffsetNanos();
}
