package flailbeat.app.view;

import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import java.util.Set;

/** What the mouse is doing on the bench. */
sealed interface Gesture {
  /** Nothing. */
  record None() implements Gesture {}

  /** Drawing a box round notes; those selected before are kept when {@code adding}. */
  record Box(double fromX, double fromY, double toX, double toY, Set<NoteId> before)
      implements Gesture {
    Box to(double x, double y) {
      return new Box(fromX, fromY, x, y, before);
    }
  }

  /** Moving the selected notes, held at one of them. */
  record Move(Note at, double fromX, double fromY, long ticks, int semitones) implements Gesture {
    Move by(long newTicks, int newSemitones) {
      return new Move(at, fromX, fromY, newTicks, newSemitones);
    }
  }
}
