package flailbeat.core.edit.notes;

import flailbeat.core.edit.Edit;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteIds;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import java.util.Set;

/** Notes taken away by hand. */
public record NotesErased(Set<NoteId> ids) implements Edit {
  public NotesErased {
    ids = NoteIds.of(ids);
  }

  /** With one more. */
  public NotesErased with(Set<NoteId> more) {
    return new NotesErased(NoteIds.union(ids, more));
  }

  @Override
  public Song apply(Song song) {
    return NoteEdits.delete(song, ids);
  }

  @Override
  public boolean isNothing() {
    return ids.isEmpty();
  }

  @Override
  public String label() {
    return ids.size() == 1 ? "Delete note" : "Delete " + ids.size() + " notes";
  }
}
