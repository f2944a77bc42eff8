package flailbeat.core.edit.tracks;

import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;

/**
 * The last that a track has to say: back from its last note to the first rest of a beat or more,
 * {@value #MOST_BARS} bars at most.
 */
public final class LastPhrase {
  /** More is not listened to. */
  public static final int MOST_BARS = 4;

  private LastPhrase() {}

  /** Where it lies; empty for a track without notes. O(n log n). */
  public static Optional<TickRange> of(Song song, Track track) {
    List<Note> notes = track.audible().sounding();
    if (notes.isEmpty()) {
      return Optional.empty();
    }
    Note last = notes.getLast();
    long beat = song.meters().meterAt(last.onset()).ticksPerBeat();
    long least = last.onset() - MOST_BARS * song.meters().meterAt(last.onset()).ticksPerBar();
    long start = last.onset();
    long[] endUpTo = new long[notes.size()];
    long end = 0;
    for (int i = 0; i < notes.size(); i++) {
      end = Math.max(end, notes.get(i).end());
      endUpTo[i] = end;
    }
    for (int i = notes.size() - 2; i >= 0; i--) {
      boolean rest = start - endUpTo[i] >= beat;
      if (rest || notes.get(i).onset() < least) {
        break;
      }
      start = notes.get(i).onset();
    }
    return Optional.of(new TickRange(start, Math.max(start + 1, end)));
  }
}
