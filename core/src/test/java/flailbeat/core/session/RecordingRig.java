package flailbeat.core.session;

import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Note;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.run.RunControl;
import java.util.List;

/** A session in a time of its own, with eight notes to record. */
public abstract class RecordingRig {
  protected static final long MS = 1_000_000;
  protected static final PhysicalKey[] SCALE = {
    PhysicalKey.A, PhysicalKey.S, PhysicalKey.D, PhysicalKey.F,
    PhysicalKey.G, PhysicalKey.H, PhysicalKey.J, PhysicalKey.K
  };

  protected long nowMs = 10_000;
  protected final FakePlayer player = new FakePlayer(() -> nowMs * MS);
  protected final Session session = new Session(() -> nowMs * MS, player);
  protected final Performer performer = session.performer();
  protected final RunControl runControl = session.runControl();

  protected void strike(PhysicalKey key, long atMs, long forMs) {
    nowMs = atMs;
    performer.press(key, atMs * MS);
    nowMs = atMs + forMs;
    performer.release(key, nowMs * MS);
  }

  protected List<Note> notes() {
    return session.document().track().notes();
  }

  /** Records eight eighths, each some ms off, after a bar of count-in; ends stopped. */
  protected void recordEight() {
    nowMs = 10_000;
    session.run().recordOrStop();
    int[] off = {-12, 20, 31, -25, 8, 15, -5, 40};
    for (int i = 0; i < 8; i++) {
      strike(SCALE[i], 12_000 + i * 250 + off[i], 180);
    }
    nowMs = 14_100;
    session.run().playOrStop();
  }
}
