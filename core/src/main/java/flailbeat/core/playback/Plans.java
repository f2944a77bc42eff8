package flailbeat.core.playback;

/**
 * What is played, as one value that is replaced whole: a plan up to the end of a turn of the loop,
 * and the plan from there on. Whoever plays is ahead of what is heard; it takes the plan of the
 * turn that it has come to.
 *
 * @param now what is played up to the end of the turn, and where there is no loop
 * @param next what is played from there on
 * @param turn how often the loop has begun anew, 0 for the first time round
 */
public record Plans(PlaybackPlan now, PlaybackPlan next, long turn) {
  /** One plan, however often the loop begins anew. */
  public static Plans always(PlaybackPlan plan) {
    return new Plans(plan, plan, 0);
  }

  /** The plan of a turn of the loop. */
  public PlaybackPlan at(long wantedTurn) {
    return wantedTurn > turn ? next : now;
  }
}
