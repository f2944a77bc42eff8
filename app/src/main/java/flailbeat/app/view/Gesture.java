package flailbeat.app.view;

import flailbeat.core.edit.NoteMove;
import flailbeat.core.edit.Selection;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;

/** What the mouse is doing on the bench. */
sealed interface Gesture {
  /** Nothing. */
  record None() implements Gesture {}

  /** Drawing a box round notes; those selected before are kept when {@code adding}. */
  record Box(double fromX, double fromY, double toX, double toY, Selection before)
      implements Gesture {
    Box to(double x, double y) {
      return new Box(fromX, fromY, x, y, before);
    }
  }

  /** Moving the selected notes, held at one of them. */
  record Move(Note at, double fromX, double fromY, NoteMove move) implements Gesture {
    Move by(long ticks, int semitones) {
      return new Move(at, fromX, fromY, new NoteMove(move.ids(), ticks, semitones));
    }
  }

  /** The song as it would be if the mouse let go now. */
  default Song applyTo(Song song) {
    return switch (this) {
      case Move move -> move.move().apply(song);
      case Box box -> song;
      case None none -> song;
    };
  }
}
