package flailbeat.core.format.smf;

import flailbeat.core.format.smf.SmfFile.SmfTrack;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Which note-on belongs to which note-off in a track: the first to begin is the first to end, for
 * each channel and pitch. A note that no event ends is ended at the track's end.
 */
final class NotePairs {
  /**
   * A note's two events, by their index in the track.
   *
   * @param off -1 where no event ends it
   */
  record Pair(int on, int off) {}

  private final List<Pair> pairs = new ArrayList<>();
  private int withoutEnd;
  private int withoutStart;

  private NotePairs() {}

  static NotePairs of(SmfTrack track) {
    NotePairs result = new NotePairs();
    result.read(track.events());
    return result;
  }

  /** In order of their note-ons. */
  List<Pair> pairs() {
    return pairs;
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
    int[] first = new int[16 * 128];
    int[] last = new int[16 * 128];
    Arrays.fill(first, -1);
    int[] next = new int[events.size()];
    int[] offs = new int[events.size()];
    Arrays.fill(offs, -1);
    for (int i = 0; i < events.size(); i++) {
      SmfEvent e = events.get(i);
      if (!e.isChannelMessage()) {
        continue;
      }
      int key = e.channel() << 7 | e.data1();
      if (e.isNoteOn()) {
        next[i] = -1;
        if (first[key] < 0) {
          first[key] = i;
        } else {
          next[last[key]] = i;
        }
        last[key] = i;
      } else if (e.isNoteOff()) {
        if (first[key] < 0) {
          withoutStart++;
        } else {
          offs[first[key]] = i;
          first[key] = next[first[key]];
        }
      }
    }
    for (int i = 0; i < events.size(); i++) {
      if (events.get(i).isNoteOn()) {
        pairs.add(new Pair(i, offs[i]));
        withoutEnd += offs[i] < 0 ? 1 : 0;
      }
    }
  }
}
