package flailbeat.core.playback;

import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.time.TempoMap;
import java.util.Arrays;
import java.util.List;

/**
 * What sounds when, ready for the audio thread. Immutable.
 *
 * <p>Messages are MIDI channel messages packed as {@code status | data1 << 8 | data2 << 16}, in
 * order of song time; at one time, note-offs come first and note-ons last. Where notes of one pitch
 * overlap on a channel, the earlier one is ended as the later begins. Building it takes O(n log n).
 */
public final class PlaybackPlan {
  /** Nothing at all. */
  public static final PlaybackPlan SILENCE =
      new PlaybackPlan(new long[0], new int[0], ClickTrack.NONE, 0);

  private static final int NOTE_OFF = 0x80;
  private static final int NOTE_ON = 0x90;
  private static final int INDEX_BITS = 29;
  private static final long INDEX_MASK = (1L << INDEX_BITS) - 1;

  private final long[] nanos;
  private final int[] messages;
  private final ClickTrack clicks;
  private final long startNanos;

  private PlaybackPlan(long[] nanos, int[] messages, ClickTrack clicks, long startNanos) {
    this.nanos = nanos;
    this.messages = messages;
    this.clicks = clicks;
    this.startNanos = startNanos;
  }

  /**
   * The audible tracks of a song, with clicks.
   *
   * @param startNanos song time before which only clicks sound: a count-in
   */
  public static PlaybackPlan of(Song song, ClickTrack clicks, long startNanos) {
    Builder builder = new Builder();
    for (Track track : song.tracks()) {
      if (song.isAudible(track)) {
        builder.add(track);
      }
    }
    return builder.build(song.tempos(), clicks, startNanos);
  }

  public int size() {
    return nanos.length;
  }

  /** Song time of a message. */
  public long nanosAt(int index) {
    return nanos[index];
  }

  /** A packed message. */
  public int messageAt(int index) {
    return messages[index];
  }

  /** The first message at or after a song time; {@link #size()} when there is none. */
  public int firstAtOrAfter(long songNanos) {
    int low = 0;
    int high = nanos.length;
    while (low < high) {
      int mid = (low + high) >>> 1;
      if (nanos[mid] < songNanos) {
        low = mid + 1;
      } else {
        high = mid;
      }
    }
    return low;
  }

  /** Song time at which its notes begin to sound; those that began before are joined there. */
  public long startNanos() {
    return startNanos;
  }

  public ClickTrack clicks() {
    return clicks;
  }

  /** Packs a note-on; its channel is counted from 0. */
  public static int noteOn(int channel, int pitch, int velocity) {
    return NOTE_ON | channel | pitch << 8 | velocity << 16;
  }

  public static boolean isNoteOn(int message) {
    return (message & 0xF0) == NOTE_ON;
  }

  public static boolean isNoteOff(int message) {
    return (message & 0xF0) == NOTE_OFF;
  }

  public static int channel(int message) {
    return message & 0x0F;
  }

  public static int data1(int message) {
    return message >> 8 & 0x7F;
  }

  public static int data2(int message) {
    return message >> 16 & 0x7F;
  }

  /** Gathers messages with sort keys of tick (31 bits), rank (2 bits) and index (29 bits). */
  private static final class Builder {
    private long[] keys = new long[1024];
    private int[] unsorted = new int[1024];
    private int size;

    void add(Track track) {
      long[] lastOnset = new long[128];
      List<Note> notes = track.clips().size() == 1 ? track.notes() : sorted(track.notes());
      long[] cutAt = cuts(notes, lastOnset);
      for (int i = 0; i < notes.size(); i++) {
        Note note = notes.get(i);
        int pitch = note.pitch();
        put(note.onset(), 2, noteOn(track.channel(), pitch, note.velocity()));
        int off = NOTE_OFF | track.channel() | pitch << 8 | 64 << 16;
        put(Math.min(note.end(), cutAt[i]), 0, off);
      }
      for (ControlPoint point : track.controls()) {
        int status = point.kind().status() | track.channel();
        put(point.tick(), 1, status | point.data1() << 8 | point.data2() << 16);
      }
    }

    private static List<Note> sorted(List<Note> notes) {
      return notes.stream().sorted(Note.ORDER).toList();
    }

    /** Where each note must end because the next of its pitch begins. */
    private static long[] cuts(List<Note> notes, long[] nextOnset) {
      long[] result = new long[notes.size()];
      Arrays.fill(nextOnset, Long.MAX_VALUE);
      for (int i = notes.size() - 1; i >= 0; i--) {
        Note note = notes.get(i);
        long next = nextOnset[note.pitch()];
        result[i] = next > note.onset() ? next : Long.MAX_VALUE;
        nextOnset[note.pitch()] = note.onset();
      }
      return result;
    }

    private void put(long tick, int rank, int message) {
      if (size == keys.length) {
        keys = Arrays.copyOf(keys, size * 2);
        unsorted = Arrays.copyOf(unsorted, size * 2);
      }
      keys[size] = (tick << 2 | rank) << INDEX_BITS | size;
      unsorted[size++] = message;
    }

    PlaybackPlan build(TempoMap tempos, ClickTrack clicks, long startNanos) {
      Arrays.sort(keys, 0, size);
      long[] nanos = new long[size];
      int[] messages = new int[size];
      for (int i = 0; i < size; i++) {
        messages[i] = unsorted[(int) (keys[i] & INDEX_MASK)];
        nanos[i] = tempos.nanosAt(keys[i] >>> INDEX_BITS + 2);
      }
      return new PlaybackPlan(nanos, messages, clicks, startNanos);
    }
  }
}
