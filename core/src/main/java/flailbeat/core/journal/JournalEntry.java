package flailbeat.core.journal;

import flailbeat.core.capture.RecordingStart;
import flailbeat.core.capture.Rolling;
import flailbeat.core.event.Performed;
import flailbeat.core.model.Song;
import java.util.Optional;

/** Something that happened to a song, or was played. */
public sealed interface JournalEntry {
  /**
   * The song that all else begins with.
   *
   * @param file the file that it stands in
   * @param saved whether it stands there as it is
   */
  record Opened(Song song, Optional<SavedFile> file, boolean saved) implements JournalEntry {}

  /**
   * An undo step was made.
   *
   * @param before the song as the step found it
   * @param passes how many passes of the recording that runs are over with it; {@link #NONE} for an
   *     edit that has nothing to do with one, {@link #ALL} where the recording is over
   */
  record Did(String label, Song before, Song after, int passes) implements JournalEntry {
    /** It is no pass. */
    public static final int NONE = -1;

    /** It is the last pass. */
    public static final int ALL = Integer.MAX_VALUE;
  }

  /** A step was taken back. */
  record Undone() implements JournalEntry {}

  /** A step was done again. */
  record Redone() implements JournalEntry {}

  /** The song was named, in all its states. */
  record Named(String title) implements JournalEntry {}

  /**
   * The song was written to a file.
   *
   * @param current whether it is still as it was written
   */
  record Saved(SavedFile file, boolean current) implements JournalEntry {}

  /** The song stands in no file as it is. */
  record Unsaved() implements JournalEntry {}

  /**
   * Something was played.
   *
   * @param place where the transport was
   */
  record Played(Performed event, Rolling.Place place) implements JournalEntry {
    /** The same by a clock that is ahead. */
    public Played later(long nanos) {
      return new Played(
          event.at(event.atNanos() + nanos),
          new Rolling.Place(place.run(), place.offsetNanos() - nanos, place.loop()));
    }

    /** When, in unrolled time; of no meaning where the transport stood still. */
    public long unrolledNanos() {
      return event.atNanos() + place.offsetNanos();
    }
  }

  /** A recording began. */
  record RecordingBegan(RecordingStart start) implements JournalEntry {}

  /** The recording came as far as an unrolled time: what is held has lasted until then. */
  record RecordingAt(long unrolledNanos) implements JournalEntry {}

  /** So many passes of the recording are over; {@link Did#ALL} once it is. */
  record PassesOver(int passes) implements JournalEntry {}

  /** What the pass that runs has gathered was thrown away. */
  record PassDropped() implements JournalEntry {}

  /**
   * It was taken up again, maybe on another day: the clock that stamps what is played counts from
   * elsewhere now.
   *
   * @param laterNanos by how much what was played before is later by the new clock
   */
  record Resumed(long laterNanos) implements JournalEntry {}

  /** It was offered and declined, or the person did not want to save it: kept for a while. */
  record PutAside() implements JournalEntry {}

  /** The person went on to another song, or closed the window. */
  record Ended() implements JournalEntry {}
}
