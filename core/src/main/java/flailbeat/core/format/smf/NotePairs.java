package flailbeat.core.format.smf;

import flailbeat.core.format.smf.SmfFile.SmfTrack;
import java.util.Arrays;
import java.util.List;

/**
 * Which note-on belongs to which note-off in a track: the first to begin is the first to end, for
 * each channel and pitch. A note that no event ends is ended at the track's end. What is no note,
 * and where several events stand at one tick, is found on the way. O(n).
 */
final class NotePairs {
  private static final int KEYS = 16 << 7;

  private int[] on = new int[64];
  private int[] off = new int[64];
  private final int[] inChannel = new int[16];
  private final Indices others = new Indices();
  private final Indices together = new Indices();
  private int size;
  private int withoutEnd;
  private int withoutStart;

  private NotePairs() {}

  static NotePairs of(SmfTrack track) {
    NotePairs result = new NotePairs();
    result.read(track.events());
    return result;
  }

  int size() {
    return size;
  }

  /** Where in the track a note begins; notes are in the order in which they do. */
  int on(int note) {
    return on[note];
  }

  /** Where in the track it ends; -1 where no event ends it. */
  int off(int note) {
    return off[note];
  }

  /** How many notes a channel has. */
  int inChannel(int channel) {
    return inChannel[channel];
  }

  /** Where in the track the events are that neither begin nor end a note. */
  int[] others() {
    return others.toArray();
  }

  /** Where in the track events stand that have another one behind them at their tick. */
  int[] together() {
    return together.toArray();
  }

  /** Notes that no event ends. */
  int withoutEnd() {
    return withoutEnd;
  }

  /** Note-offs that end nothing. */
  int withoutStart() {
    return withoutStart;
  }

  private void read(List<SmfEvent> events) {
    // For each channel and pitch, the sounding notes as a queue linked through "next".
    int[] first = new int[KEYS];
    int[] last = new int[KEYS];
    Arrays.fill(first, -1);
    int[] next = new int[on.length];
    int index = 0;
    long tick = -1;
    for (SmfEvent e : events) {
      if (e.tick() == tick) {
        together.add(index - 1);
      }
      tick = e.tick();
      int kind = e.status() & 0xF0;
      if (kind == 0x90 && e.data2() > 0) {
        if (size == on.length) {
          on = Arrays.copyOf(on, 2 * size);
          off = Arrays.copyOf(off, 2 * size);
          next = Arrays.copyOf(next, 2 * size);
        }
        int key = e.channel() << 7 | e.data1();
        on[size] = index;
        off[size] = -1;
        next[size] = -1;
        if (first[key] < 0) {
          first[key] = size;
        } else {
          next[last[key]] = size;
        }
        last[key] = size++;
        inChannel[e.channel()]++;
        withoutEnd++;
      } else if (kind == 0x80 || kind == 0x90) {
        int key = e.channel() << 7 | e.data1();
        if (first[key] < 0) {
          withoutStart++;
        } else {
          off[first[key]] = index;
          first[key] = next[first[key]];
          withoutEnd--;
        }
      } else {
        others.add(index);
      }
      index++;
    }
  }

  /** Numbers in a row. */
  private static final class Indices {
    private int[] values = new int[64];
    private int size;

    void add(int value) {
      if (size == values.length) {
        values = Arrays.copyOf(values, 2 * size);
      }
      values[size++] = value;
    }

    int[] toArray() {
      return Arrays.copyOf(values, size);
    }
  }
}
