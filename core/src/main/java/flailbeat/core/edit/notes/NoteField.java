package flailbeat.core.edit.notes;

import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.Ticks;

/** Something about a note that is a number; times are in ticks. */
public enum NoteField {
  /** Where it begins; moved, the time as played goes along. */
  START("start"),
  LENGTH("length"),
  /** Where it ends: another end is another length. */
  END("end"),
  PITCH("pitch"),
  VELOCITY("velocity"),
  /** How long after its place it was played; negative is before. It stays where it stands. */
  AS_PLAYED("time as played");

  private final String title;

  NoteField(String title) {
    this.title = title;
  }

  /** What it is called, in lower case. */
  public String title() {
    return title;
  }

  /** Whether it is a time. */
  public boolean isTime() {
    return this != PITCH && this != VELOCITY;
  }

  /** What a note has. */
  public long of(Note note) {
    return switch (this) {
      case START -> note.onset();
      case LENGTH -> note.length();
      case END -> note.end();
      case PITCH -> note.pitch();
      case VELOCITY -> note.velocity();
      case AS_PLAYED -> note.playedOff();
    };
  }

  /** The least that a note could have. */
  public long least(Note note) {
    return switch (this) {
      case START, PITCH -> 0;
      case LENGTH, VELOCITY -> 1;
      case END -> note.onset() + 1;
      case AS_PLAYED -> Played.FIRST - note.onset();
    };
  }

  /** The most that a note could have. */
  public long most(Note note) {
    return switch (this) {
      case START -> Ticks.LAST - note.length();
      case LENGTH -> Ticks.LAST - note.onset();
      case END -> Ticks.LAST;
      case PITCH -> Pitch.HIGHEST;
      case VELOCITY -> 127;
      case AS_PLAYED -> Played.LAST - note.played().length() - note.onset();
    };
  }

  /** A note with another value, which it can have. */
  Note with(Note note, long value) {
    return switch (this) {
      case START -> note.moved(value - note.onset(), 0);
      case LENGTH -> note.resized(value);
      case END -> note.resized(value - note.onset());
      case PITCH -> note.moved(0, (int) value - note.pitch());
      case VELOCITY -> note.withVelocity((int) value);
      case AS_PLAYED ->
          new Note(
              note.id(),
              note.pitch(),
              note.velocity(),
              note.onset(),
              note.length(),
              note.played().shifted(value - note.playedOff()),
              note.releaseVelocity());
    };
  }
}
