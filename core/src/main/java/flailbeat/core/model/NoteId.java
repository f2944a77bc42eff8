package flailbeat.core.model;

/** Names a note through every edit, so that a selection outlives undo and quantizing. */
public record NoteId(long value) {}
