package flailbeat.app.view.bench;

import flailbeat.core.edit.NoteMove;
import flailbeat.core.edit.NotesEdit;
import flailbeat.core.edit.Room;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.VelocityShift;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import java.util.Optional;

/**
 * What the mouse is doing on the bench. What changes the song is drawn, and carried out, as one
 * edit.
 */
sealed interface Gesture {
  /** Nothing. */
  record None() implements Gesture {}

  /** Drawing a box round notes; those selected before are kept. */
  record Box(double fromX, double fromY, double toX, double toY, Selection before)
      implements Gesture {
    Box to(double x, double y) {
      return new Box(fromX, fromY, x, y, before);
    }
  }

  /** Moving the selected notes, held at one of them, as far as there was room as it began. */
  record Move(Note at, double fromX, double fromY, Room room, NoteMove move) implements Gesture {
    Move by(long ticks, int semitones) {
      NoteMove wanted = new NoteMove(move.ids(), ticks, semitones);
      return new Move(at, fromX, fromY, room, wanted.within(room));
    }
  }

  /** Dragging the velocity of the selected notes. */
  record Loudness(double fromY, VelocityShift shift) implements Gesture {
    Loudness by(int velocity) {
      return new Loudness(fromY, new VelocityShift(shift.ids(), velocity));
    }
  }

  /** What it would do to the song if the mouse let go now. */
  default Optional<NotesEdit> edit() {
    return switch (this) {
      case Move move -> Optional.of(move.move());
      case Loudness loudness -> Optional.of(loudness.shift());
      case Box box -> Optional.empty();
      case None none -> Optional.empty();
    };
  }

  /** The song as it would be if the mouse let go now. */
  default Song applyTo(Song song) {
    return edit().map(e -> e.apply(song)).orElse(song);
  }

  /** Whether notes hang on the mouse. */
  default boolean holdsNotes() {
    return edit().isPresent();
  }
}
