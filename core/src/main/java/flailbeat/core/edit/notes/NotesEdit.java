package flailbeat.core.edit.notes;

import flailbeat.core.edit.Edit;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import java.util.Set;
import java.util.function.UnaryOperator;

/** An edit that changes some notes, each by itself: what comes of them can be shown alone. */
public interface NotesEdit extends Edit {
  /** The notes that it changes. */
  Set<NoteId> ids();

  /** What it does to each of them, which are in song time. */
  UnaryOperator<Note> change(Song song);

  /** What it would do to each of them, were none in the way of another. */
  default UnaryOperator<Note> asked(Song song) {
    return change(song);
  }

  @Override
  default Song apply(Song song) {
    return isNothing() ? song : NoteEdits.change(song, ids(), change(song));
  }
}
