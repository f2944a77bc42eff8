package flailbeat.core.step;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Sequence;
import flailbeat.core.model.Track;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The onsets of a track, one after another: notes that were struck together count as one. Finding
 * the next or the one before costs O(log n) for each clip, however many notes there are. Of a clip
 * that loops, the first round counts.
 */
final class Rhythm {
  /** Notes nearer than this were meant together; a triplet of sixty-fourths, 40, is more. */
  static final long TOGETHER = 30;

  private final Track track;

  Rhythm(Track track) {
    this.track = track;
  }

  /** The notes of the first onset at or after a tick, in song time, the first struck first. */
  List<Note> next(long tick) {
    for (Clip clip : track.clips()) {
      Sequence<Note> notes = clip.content().notes();
      int at = notes.indexAt(Math.max(0, tick - clip.start()));
      if (at < clip.noteCount()) {
        return together(clip, at);
      }
    }
    return List.of();
  }

  /** The tick of the last onset before a tick. */
  Optional<Long> before(long tick) {
    for (Clip clip : track.clips().reversed()) {
      Sequence<Note> notes = clip.content().notes();
      int at = Math.min(notes.indexAt(tick - clip.start()), clip.noteCount()) - 1;
      if (at >= 0) {
        long last = notes.get(at).onset();
        int first = notes.indexAt(last - TOGETHER + 1);
        return Optional.of(clip.start() + notes.get(first).onset());
      }
    }
    return Optional.empty();
  }

  private static List<Note> together(Clip clip, int at) {
    Sequence<Note> notes = clip.content().notes();
    long first = notes.get(at).onset();
    List<Note> result = new ArrayList<>();
    for (int i = at; i < clip.noteCount() && notes.get(i).onset() < first + TOGETHER; i++) {
      result.add(notes.get(i).shifted(clip.start()));
    }
    result.sort(Comparator.comparingLong(Note::idNumber));
    return result;
  }

  /** How many notes begin before a tick. */
  int countBefore(long tick) {
    int count = 0;
    for (Clip clip : track.clips()) {
      count += Math.min(clip.content().notes().indexAt(tick - clip.start()), clip.noteCount());
    }
    return count;
  }
}
