package flailbeat.core.session;

import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Note;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.session.run.RunControl;
import java.util.List;
import java.util.stream.IntStream;

/** A session in a time of its own, with keys to strike in it. */
public abstract class SessionRig {
  public static final long MS = 1_000_000;

  public long nowMs = 10_000;

  /** What moments are counted from. */
  protected long startMs = 10_000;

  public final FakePlayer player = new FakePlayer(() -> nowMs * MS);
  public final Session session = new Session(() -> nowMs * MS, player);
  public final RunControl runControl = session.runControl();

  /** Lets frames be drawn up to a moment after the start. */
  protected void runTo(long ms) {
    while (nowMs < startMs + ms) {
      nowMs = Math.min(startMs + ms, nowMs + 16);
      session.tick();
    }
  }

  protected void strike(PhysicalKey key, long atMs) {
    runTo(atMs);
    session.performer().press(key, nowMs * MS);
    runTo(atMs + 100);
    session.performer().release(key, nowMs * MS);
  }

  protected List<Note> notes() {
    return session.document().track().notes();
  }

  protected static List<Integer> pitches(PlaybackPlan plan) {
    return IntStream.range(0, plan.size())
        .map(plan::messageAt)
        .filter(PlaybackPlan::isNoteOn)
        .map(PlaybackPlan::data1)
        .boxed()
        .toList();
  }
}
