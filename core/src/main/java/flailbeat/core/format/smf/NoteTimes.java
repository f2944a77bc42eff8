package flailbeat.core.format.smf;

import flailbeat.core.model.Note;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.LongUnaryOperator;

/** Notes with where they begin and end in a file's ticks. */
final class NoteTimes {
  static final NoteTimes NONE = new NoteTimes(List.of(), t -> t);

  private final Note[] notes;
  private final long[] on;
  private final long[] off;

  /**
   * Notes as they will be written, each at least a tick long.
   *
   * @param scaled gives the file's tick for a song's
   */
  NoteTimes(List<Note> all, LongUnaryOperator scaled) {
    notes = all.toArray(Note[]::new);
    sortByOnset();
    on = new long[notes.length];
    off = new long[notes.length];
    for (int i = 0; i < notes.length; i++) {
      on[i] = scaled.applyAsLong(notes[i].onset());
      off[i] = Math.max(on[i] + 1, scaled.applyAsLong(notes[i].end()));
    }
  }

  private void sortByOnset() {
    for (int i = 1; i < notes.length; i++) {
      if (notes[i - 1].onset() > notes[i].onset()) {
        Arrays.sort(notes, Comparator.comparingLong(Note::onset));
        return;
      }
    }
  }

  int size() {
    return notes.length;
  }

  long on(int i) {
    return on[i];
  }

  long off(int i) {
    return off[i];
  }

  /** The note-on (even) or note-off (odd) of a note. */
  SmfEvent event(int index, int channel) {
    Note note = notes[index >> 1];
    return (index & 1) == 0
        ? SmfEvent.channel(on[index >> 1], 0x90 | channel, note.pitch(), note.velocity())
        : SmfEvent.channel(off[index >> 1], 0x80 | channel, note.pitch(), note.releaseVelocity());
  }

  /** Ends sooner what would be read back with another's end, pitch by pitch; says how many. */
  int trim() {
    boolean[] crossed = new boolean[128];
    long[] soonestEnd = new long[128];
    Arrays.fill(soonestEnd, Long.MAX_VALUE);
    for (int i = notes.length - 1; i >= 0; i--) {
      int pitch = notes[i].pitch();
      crossed[pitch] |= off[i] > soonestEnd[pitch];
      soonestEnd[pitch] = Math.min(soonestEnd[pitch], off[i]);
    }
    int trimmed = 0;
    for (int pitch = 0; pitch < 128; pitch++) {
      trimmed += crossed[pitch] ? trim(pitch) : 0;
    }
    return trimmed;
  }

  private int trim(int pitch) {
    List<Integer> places = new ArrayList<>();
    for (int i = 0; i < notes.length; i++) {
      if (notes[i].pitch() == pitch) {
        places.add(i);
      }
    }
    List<Integer> order = new ArrayList<>(places);
    order.sort(Comparator.<Integer>comparingLong(i -> on[i]).thenComparingLong(i -> off[i]));
    List<Overlaps.Span> spans = new ArrayList<>();
    order.forEach(i -> spans.add(new Overlaps.Span(on[i], off[i])));
    int trimmed = Overlaps.trim(spans);
    // Those that begin together change places, so that the first of them is the first to end.
    Note[] ordered = order.stream().map(i -> notes[i]).toArray(Note[]::new);
    for (int k = 0; k < ordered.length; k++) {
      int place = places.get(k);
      notes[place] = ordered[k];
      on[place] = spans.get(k).on();
      off[place] = spans.get(k).off();
    }
    return trimmed;
  }
}
