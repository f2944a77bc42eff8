package flailbeat.core.step;

import flailbeat.core.edit.Chords;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Sequence;
import flailbeat.core.model.Track;
import flailbeat.core.time.TempoMap;
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
  private final Track track;
  private final TempoMap tempos;

  Rhythm(Track track, TempoMap tempos) {
    this.track = track;
    this.tempos = tempos;
  }

  /** The last tick at which a note still belongs to one that begins at a tick. */
  long reach(long tick) {
    return tempos.tickAt(tempos.nanosAt(tick) + REACH_NANOS);
  }

  private static final long REACH_NANOS = Math.round(Chords.TOGETHER_MS * 1e6);

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
        long songTick = clip.start() + last;
        long from = tempos.tickAt(tempos.nanosAt(songTick) - REACH_NANOS) - clip.start();
        int first = notes.indexAt(Math.max(0, from));
        return Optional.of(clip.start() + notes.get(first).onset());
      }
    }
    return Optional.empty();
  }

  private List<Note> together(Clip clip, int at) {
    Sequence<Note> notes = clip.content().notes();
    long last = reach(clip.start() + notes.get(at).onset()) - clip.start();
    List<Note> result = new ArrayList<>();
    for (int i = at; i < clip.noteCount() && notes.get(i).onset() <= last; i++) {
      result.add(clip.heard(notes.get(i)));
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
