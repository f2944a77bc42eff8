package flailbeat.app.view.bench.hand;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.notes.NoteMove;
import flailbeat.core.edit.notes.NotesEdit;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongPredicate;
import java.util.function.UnaryOperator;

/**
 * The notes that hang on the mouse, and where it has brought them: drawn by themselves, so that the
 * others need not be worked out anew for each move of it.
 *
 * @param move what was done to them, where that is but a move
 */
public record HeldNotes(
    Set<NoteId> ids, LongPredicate holds, UnaryOperator<Note> change, Optional<NoteMove> move) {
  private static final HeldNotes EMPTY =
      new HeldNotes(Set.of(), id -> false, n -> n, Optional.empty());

  public static HeldNotes of(Gesture gesture, Song song) {
    return gesture.edit().orElse(null) instanceof NotesEdit edit ? of(edit, song) : EMPTY;
  }

  private static HeldNotes of(NotesEdit edit, Song song) {
    LongPredicate holds = Selection.ofNotes(edit.ids()).noteTest();
    if (edit instanceof NoteMove move) {
      UnaryOperator<Note> change = n -> n.moved(move.ticks(), move.semitones());
      return new HeldNotes(edit.ids(), holds, change, Optional.of(move));
    }
    return new HeldNotes(edit.ids(), holds, edit.change(song), Optional.empty());
  }

  public boolean isEmpty() {
    return ids.isEmpty();
  }

  /** Those of a track, in song time, as they would be if the mouse let go now. */
  public List<Note> notesOn(Track track) {
    return isEmpty() ? List.of() : NoteEdits.find(track, ids).stream().map(change).toList();
  }
}
