package flailbeat.core.model.id;

/** Names a note through every edit, so that a selection outlives undo and quantizing. */
public record NoteId(long value) {
  @Override
  public boolean equals(Object other) {
    return other instanceof NoteId id && id.value == value;
  }

  @Override
  public int hashCode() {
    return Long.hashCode(value);
  }
}
