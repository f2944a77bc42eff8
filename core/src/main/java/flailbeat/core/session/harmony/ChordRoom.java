package flailbeat.core.session.harmony;

/**
 * All that there is of chords.
 *
 * @param harmony what they are called, and what is found
 * @param actions what is done to them
 * @param typed by name
 */
public record ChordRoom(Harmony harmony, ChordActions actions, TypedChords typed) {}
