package flailbeat.core.format.smf;

import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Placed;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.TickOrders;
import flailbeat.core.model.control.Control;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.LongUnaryOperator;

/**
 * The events of one track of a file, on their way into order: by tick; at one tick in the order in
 * which a file had them, or else ends of notes, then what is no channel message, then controllers,
 * then starts of notes.
 */
final class FileTrackEvents {
  private static final int INDEX_BITS = 29;
  private static final long INDEX = (1L << INDEX_BITS) - 1;
  private static final int TICK_SHIFT = INDEX_BITS + 2;

  private final int fileTrack;
  private final TickOrders orders;
  private final int ppq;
  private final List<SmfEvent> events = new ArrayList<>();
  private long[] refs = new long[64];

  /**
   * None yet.
   *
   * @param fileTrack which of the tracks that it came from; -1 for none
   */
  FileTrackEvents(int fileTrack, TickOrders orders, int ppq) {
    this.ppq = ppq;
    this.fileTrack = fileTrack;
    this.orders = orders;
  }

  /** Adds an event that is no note, behind those of its kind. */
  void add(SmfEvent event, long ref) {
    if (events.size() == refs.length) {
      refs = Arrays.copyOf(refs, 2 * refs.length);
    }
    refs[events.size()] = ref;
    events.add(event);
  }

  private record OnChannel(ControlPoint point, int channel) {}

  /** Adds what the controllers of some parts do; at one tick those that came first. */
  void addControls(List<Track> parts, List<Placed> placed, LongUnaryOperator scaled) {
    List<OnChannel> all = new ArrayList<>();
    for (int i = 0; i < parts.size(); i++) {
      int channel = parts.get(i).channel();
      placed.get(i).soundingControls().forEach(p -> all.add(new OnChannel(p, channel)));
    }
    if (parts.size() > 1) {
      all.sort(Comparator.comparing(OnChannel::point, ControlPoint.ORDER));
    }
    for (OnChannel p : all) {
      Control c = p.point().control();
      int status = c.kind().status() | p.channel();
      add(
          SmfEvent.channel(scaled.applyAsLong(p.point().tick()), status, c.data1(), c.data2()),
          TickOrders.control(p.point().id().value()));
    }
  }

  /** Brings all in order, with notes among them. O(n log n). */
  SmfTrack inOrder(NoteTimes notes, long endTick) {
    int others = events.size();
    long[] keys = new long[others + 2 * notes.size()];
    for (int i = 0; i < others; i++) {
      keys[i] = key(events.get(i).tick(), events.get(i).isChannelMessage() ? 2 : 1, i);
    }
    int size = others;
    for (int i = 0; i < notes.size(); i++) {
      keys[size++] = key(notes.on(i), 3, others + 2 * i);
      keys[size++] = key(notes.off(i), 0, others + 2 * i + 1);
    }
    Arrays.sort(keys);
    if (!orders.isEmpty()) {
      arrange(keys, notes);
    }
    List<SmfEvent> sorted = new ArrayList<>(size);
    for (long key : keys) {
      int index = (int) (key & INDEX);
      sorted.add(index < others ? events.get(index) : notes.event(index - others));
    }
    return new SmfTrack(sorted, size == 0 ? endTick : Math.max(endTick, sorted.getLast().tick()));
  }

  private static long key(long tick, int rank, int index) {
    return (tick << 2 | rank) << INDEX_BITS | index;
  }

  private void arrange(long[] keys, NoteTimes notes) {
    int from = 0;
    for (int i = 1; i <= keys.length; i++) {
      if (i == keys.length || keys[i] >>> TICK_SHIFT != keys[from] >>> TICK_SHIFT) {
        if (i - from > 1) {
          long tick = SmfPatch.toSong(keys[from] >>> TICK_SHIFT, ppq);
          orders.arrange(fileTrack, tick, keys, from, i, key -> ref(key, notes));
        }
        from = i;
      }
    }
  }

  private long ref(long key, NoteTimes notes) {
    int index = (int) (key & INDEX);
    return index < events.size() ? refs[index] : notes.ref(index - events.size());
  }
}
