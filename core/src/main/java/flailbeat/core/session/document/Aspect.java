package flailbeat.core.session.document;

/** What about the session has changed. */
public enum Aspect {
  /** The song: an edit, undo, redo, or another song. */
  SONG,
  /** Which notes, clip or track are chosen. */
  CHOICE,
  /** Playing, recording, stopped, or the play start. */
  TRANSPORT,
  /** Who has the keys, the reach, the velocity, or what is held. */
  KEYS,
  /** What is printed on the person's keys. */
  LAYOUT,
  /** The range of the loop, or whether it is gone round. */
  LOOP,
  /** How things are played and recorded. */
  SETTINGS,
  /** Where steps are entered, how, and what was entered last. */
  STEPS,
  /** What a recording has gathered. */
  PASS,
  /** The list of sounds that is gone through, or what is under its cursor. */
  SOUNDS,
  /** How to quantize, the grid, or what is previewed. */
  TIMING,
  /** Which chore is tried, what it works on, or what it would do. */
  CHORES,
  /** The songs that can be brought back, or which of them is under the cursor. */
  LOST,
  /** Which chords the song has. */
  CHORDS,
  /** Which lesson is had, and how far it is. */
  LESSON,
  /** The line that tells the person something. */
  NOTICE
}
