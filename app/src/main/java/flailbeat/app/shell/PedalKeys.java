package flailbeat.app.shell;

import flailbeat.core.session.Performer;
import flailbeat.core.session.Session;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * The keys that shape notes while letters are notes: Enter sustains while held, and latches with
 * Shift; Left and Right bend while held; Shift+Up and Shift+Down modulate; Backspace sweeps while
 * held.
 */
final class PedalKeys {
  private final Session session;
  private final Performer performer;

  PedalKeys(Session session) {
    this.session = session;
    this.performer = session.performer();
  }

  /**
   * Takes a press, of which repeats count for the modulation alone; false when it is none of ours.
   */
  boolean press(KeyEvent e, boolean repeat, long now) {
    return switch (e.getCode()) {
      case ENTER -> {
        if (!repeat && e.isShiftDown()) {
          performer.latchSustain(now);
        } else if (!repeat) {
          performer.sustain(true, now);
        }
        yield true;
      }
      case LEFT, RIGHT -> {
        if (!repeat) {
          performer.bend(e.getCode() == KeyCode.LEFT ? -1 : 1, now);
        }
        yield true;
      }
      case BACK_SPACE -> {
        if (!repeat) {
          session.run().sweep(true);
        }
        yield true;
      }
      case UP, DOWN -> {
        if (e.isShiftDown()) {
          performer.modulate(e.getCode() == KeyCode.UP ? 1 : -1, now);
        }
        yield e.isShiftDown();
      }
      default -> false;
    };
  }

  /** A key comes up, whoever has the keys by now. */
  void release(KeyEvent e, long now) {
    switch (e.getCode()) {
      case ENTER -> performer.sustain(false, now);
      case LEFT, RIGHT -> performer.bend(0, now);
      case BACK_SPACE -> session.run().sweep(false);
      default -> {
        // Nothing here is held by another key.
      }
    }
  }
}
