package flailbeat.core.format.smf;

import flailbeat.core.model.Note;
import flailbeat.core.model.Placed;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.TickOrders;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.LongUnaryOperator;

/** The notes of one track of a file, in order, with where they begin and end in its ticks. */
final class NoteTimes {
  /** Channels times pitches. */
  private static final int KEYS = 16 << 7;

  private static final Comparator<Note> ORDER =
      Comparator.comparingLong(Note::onset).thenComparingLong(n -> n.id().value());

  private final Note[] notes;
  private final byte[] channels;
  private final long[] on;
  private final long[] off;

  private record OnChannel(Note note, int channel) {}

  /**
   * Notes as they will be written, each at least a tick long.
   *
   * @param placed what sounds of each part
   * @param scaled gives the file's tick for a song's
   */
  NoteTimes(List<Track> parts, List<Placed> placed, LongUnaryOperator scaled) {
    if (parts.size() == 1) {
      notes = placed.get(0).sounding().toArray(Note[]::new);
      sort(notes);
      channels = new byte[notes.length];
      Arrays.fill(channels, (byte) parts.get(0).channel());
    } else {
      List<OnChannel> all = new ArrayList<>();
      for (int i = 0; i < parts.size(); i++) {
        int channel = parts.get(i).channel();
        placed.get(i).sounding().forEach(n -> all.add(new OnChannel(n, channel)));
      }
      all.sort(Comparator.comparing(OnChannel::note, ORDER));
      notes = all.stream().map(OnChannel::note).toArray(Note[]::new);
      channels = new byte[notes.length];
      for (int i = 0; i < channels.length; i++) {
        channels[i] = (byte) all.get(i).channel();
      }
    }
    on = new long[notes.length];
    off = new long[notes.length];
    for (int i = 0; i < notes.length; i++) {
      on[i] = scaled.applyAsLong(notes[i].onset());
      off[i] = Math.max(on[i] + 1, scaled.applyAsLong(notes[i].end()));
    }
  }

  /** In the order in which they came, which is that of their ids, where they begin together. */
  private static void sort(Note[] notes) {
    for (int i = 1; i < notes.length; i++) {
      if (ORDER.compare(notes[i - 1], notes[i]) > 0) {
        Arrays.sort(notes, ORDER);
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
  SmfEvent event(int index) {
    int i = index >> 1;
    Note note = notes[i];
    return (index & 1) == 0
        ? SmfEvent.channel(on[i], 0x90 | channels[i], note.pitch(), note.velocity())
        : SmfEvent.channel(off[i], 0x80 | channels[i], note.pitch(), note.releaseVelocity());
  }

  /** What the same is in an order of events. */
  long ref(int index) {
    long id = notes[index >> 1].id().value();
    return (index & 1) == 0 ? TickOrders.start(id) : TickOrders.end(id);
  }

  private int key(int i) {
    return channels[i] << 7 | notes[i].pitch();
  }

  /** Ends sooner what would be read back with another's end, key by key; says how many. */
  int trim() {
    boolean[] crossed = new boolean[KEYS];
    long[] soonestEnd = new long[KEYS];
    Arrays.fill(soonestEnd, Long.MAX_VALUE);
    for (int i = notes.length - 1; i >= 0; i--) {
      int key = key(i);
      crossed[key] |= off[i] > soonestEnd[key];
      soonestEnd[key] = Math.min(soonestEnd[key], off[i]);
    }
    int trimmed = 0;
    for (int key = 0; key < KEYS; key++) {
      trimmed += crossed[key] ? trim(key) : 0;
    }
    return trimmed;
  }

  private int trim(int key) {
    List<Integer> places = new ArrayList<>();
    for (int i = 0; i < notes.length; i++) {
      if (key(i) == key) {
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
