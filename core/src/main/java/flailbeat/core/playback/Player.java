package flailbeat.core.playback;

import flailbeat.core.time.Loop;
import java.util.Optional;

/**
 * Plays a plan in time, and live notes as they come. Calls never wait for the sound.
 *
 * <p>Song time is nanoseconds from tick 0, clock time that of the {@link
 * flailbeat.core.time.Clock}.
 */
public interface Player extends NoteSink {
  /** How long from a call of {@link #cue} to the first moment that can be heard. */
  long leadNanos();

  /**
   * Starts a plan so that {@code songNanos} is heard at {@code clockNanos}.
   *
   * @param loop what is gone round, once its end is reached
   */
  void cue(PlaybackPlan plan, long songNanos, long clockNanos, Optional<Loop> loop);

  /**
   * Goes on with other plans, both now and from where the loop begins anew; notes that the plan
   * before and the new one hold go on sounding.
   */
  void replace(Plans plans);

  /**
   * Chooses what the click sounds like.
   *
   * @param level 0 (silent) to 1
   */
  void click(ClickSound sound, double level);

  /** Strikes live notes again and again, until others are given. */
  void repeat(Repeats repeats);

  /** Stops, and ends the plan's notes; live ones go on. */
  void halt();

  /** What is heard now: unrolled time less clock time, as measured at the output while playing. */
  long songOffsetNanos();
}
