package flailbeat.core.edit;

import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;

/** Gives out ids, in order, each once in the life of a song. */
public final class Ids {
  private long next;

  /** From a number on that is larger than every id given out before. */
  public Ids(long next) {
    this.next = next;
  }

  public NoteId note() {
    return new NoteId(next++);
  }

  public ControlId control() {
    return new ControlId(next++);
  }

  public ClipId clip() {
    return new ClipId(next++);
  }

  public TrackId track() {
    return new TrackId(next++);
  }

  /** A number for clips that share what is in them. */
  public long link() {
    return next++;
  }

  /** Larger than every id given out so far. */
  public long next() {
    return next;
  }

  /** A song that knows of the ids given out. */
  public Song recordedIn(Song song) {
    return song.nextId() == next ? song : song.withNextId(next);
  }
}
