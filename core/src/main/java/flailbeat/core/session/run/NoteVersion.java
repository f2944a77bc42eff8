package flailbeat.core.session.run;

/** Which version of the notes in scope is shown and heard. */
public enum NoteVersion {
  /** As they stand. */
  STANDING,
  /** As they were played. */
  PLAYED,
  /** As quantizing would put them. */
  QUANTIZED,
  /** As quantizing would, were the whole understood in another way that is offered. */
  OTHERWISE
}
