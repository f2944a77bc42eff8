package flailbeat.core.playback;

import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Placed;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.TickOrders;
import flailbeat.core.model.control.Control;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.InOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;

/**
 * What sounds when, ready for the audio thread. Immutable.
 *
 * <p>Messages are MIDI channel messages packed as {@code status | data1 << 8 | data2 << 16 | part
 * << 24}, in order of song time; at one time, note-offs come first and note-ons last. A part has a
 * sound of its own (see {@link Parts}). Where notes of one pitch overlap in a part, the earlier one
 * is ended as the later begins.
 *
 * <p>At checkpoints, {@value #INTERVAL} messages apart or as many as bring about what is there, the
 * plan knows what sounds and what controllers hold, so that joining it costs the same anywhere.
 * Building it takes O(n log n).
 */
public final class PlaybackPlan {
  /** Nothing at all. */
  public static final PlaybackPlan SILENCE =
      new PlaybackPlan(new long[0], new int[0], ClickTrack.NONE, 0);

  private static final int INTERVAL = 128;

  private static final int NOTE_OFF = 0x80;
  private static final int NOTE_ON = 0x90;
  private static final int INDEX_BITS = 29;
  private static final long INDEX_MASK = (1L << INDEX_BITS) - 1;

  private final long[] nanos;
  private final int[] messages;
  private final ClickTrack clicks;
  private final long startNanos;
  private final List<Checkpoint> checkpoints;

  /**
   * What is there at a place of a plan.
   *
   * @param index of the first message that is not in it
   * @param messages what brings it about, controllers first; not to be written to
   */
  public record Checkpoint(int index, int[] messages) {}

  private PlaybackPlan(long[] nanos, int[] messages, ClickTrack clicks, long startNanos) {
    this.nanos = nanos;
    this.messages = messages;
    this.clicks = clicks;
    this.startNanos = startNanos;
    this.checkpoints = checkpointsOf(messages);
  }

  private static List<Checkpoint> checkpointsOf(int[] messages) {
    List<Checkpoint> result = new ArrayList<>();
    result.add(new Checkpoint(0, new int[0]));
    if (messages.length <= INTERVAL) {
      return result;
    }
    StateAlong state = new StateAlong();
    int since = 0;
    for (int i = 0; i < messages.length; i++) {
      if (since >= Math.max(INTERVAL, result.getLast().messages().length)) {
        result.add(new Checkpoint(i, state.messages()));
        since = 0;
      }
      state.accept(messages[i]);
      since++;
    }
    return result;
  }

  /** The last checkpoint at or before a message. */
  public Checkpoint checkpointBefore(int index) {
    int begun = InOrder.countPassing(checkpoints.size(), i -> checkpoints.get(i).index() <= index);
    return checkpoints.get(Math.max(0, begun - 1));
  }

  /** The same for a song that sounds for itself. */
  public static PlaybackPlan of(Song song, ClickTrack clicks, long startNanos) {
    return of(song, Parts.of(song), clicks, startNanos);
  }

  /**
   * The audible tracks of a song, with clicks.
   *
   * @param parts which of them each track is
   * @param startNanos song time before which only clicks sound: a count-in
   */
  public static PlaybackPlan of(Song song, Parts parts, ClickTrack clicks, long startNanos) {
    Builder builder = new Builder(song.origin().orders());
    for (Track track : song.tracks()) {
      OptionalInt part = parts.of(track);
      if (part.isPresent() && song.isAudible(track)) {
        builder.add(track, part.getAsInt(), parts.movedBy(song, track));
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
    return InOrder.countPassing(nanos.length, i -> nanos[i] < songNanos);
  }

  /** Song time at which its notes begin to sound; those that began before are joined there. */
  public long startNanos() {
    return startNanos;
  }

  public ClickTrack clicks() {
    return clicks;
  }

  /** Packs a channel message for a part. */
  public static int message(int part, int status, int data1, int data2) {
    return status | data1 << 8 | data2 << 16 | part << 24;
  }

  /** Packs a note-on for a part. */
  public static int noteOn(int part, int pitch, int velocity) {
    return message(part, NOTE_ON, pitch, velocity);
  }

  /** Packs a note-off for a part. */
  public static int noteOff(int part, int pitch) {
    return message(part, NOTE_OFF, pitch, 64);
  }

  public static boolean isNoteOn(int message) {
    return status(message) == NOTE_ON;
  }

  public static boolean isNoteOff(int message) {
    return status(message) == NOTE_OFF;
  }

  /** A message's status byte, without a channel. */
  public static int status(int message) {
    return message & 0xF0;
  }

  public static int part(int message) {
    return message >>> 24;
  }

  public static int data1(int message) {
    return message >> 8 & 0x7F;
  }

  public static int data2(int message) {
    return message >> 16 & 0x7F;
  }

  /** Gathers messages with sort keys of tick (0 to 2^32 - 1), rank (2 bits) and index (29 bits). */
  private static final class Builder {
    private long[] keys = new long[1024];
    private int[] unsorted = new int[1024];
    private final TickOrders orders;
    private long[] refs = {};
    private int size;

    Builder(TickOrders orders) {
      this.orders = orders;
    }

    void add(Track track, int part, List<Integer> moved) {
      for (Control control : track.sound().mix().controls()) {
        int status = control.kind().status();
        put(0, 1, message(part, status, control.data1(), control.data2()), TickOrders.UNKNOWN);
      }
      long[] lastOnset = new long[128];
      Placed placed = track.audible();
      List<Note> notes = placed.sounding();
      long[] cutAt = cuts(notes, lastOnset);
      for (int i = 0; i < notes.size(); i++) {
        Note note = notes.get(i);
        int pitch = note.pitch();
        long id = note.id().value();
        put(note.onset(), 2, noteOn(part, pitch, note.velocity()), TickOrders.start(id));
        put(Math.min(note.end(), cutAt[i]), 0, noteOff(part, pitch), TickOrders.end(id));
      }
      for (ControlPoint point : placed.soundingControls()) {
        Control control = point.control();
        for (int to : moved) {
          int status = control.kind().status();
          int message = message(to, status, control.data1(), control.data2());
          put(point.tick(), 1, message, TickOrders.control(point.id().value()));
        }
      }
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

    private void put(long tick, int rank, int message, long ref) {
      if (size == keys.length) {
        keys = Arrays.copyOf(keys, size * 2);
        unsorted = Arrays.copyOf(unsorted, size * 2);
      }
      if (!orders.isEmpty()) {
        refs = refs.length < keys.length ? Arrays.copyOf(refs, keys.length) : refs;
        refs[size] = ref;
      }
      keys[size] = (tick << 2 | rank) << INDEX_BITS | size;
      unsorted[size++] = message;
    }

    /** What a file had in an order of its own at one tick is played in it. */
    private void arrange() {
      int from = 0;
      for (int i = 1; i <= size; i++) {
        if (i == size || tick(keys[i]) != tick(keys[from])) {
          if (i - from > 1) {
            orders.arrange(-1, tick(keys[from]), keys, from, i, k -> refs[(int) (k & INDEX_MASK)]);
          }
          from = i;
        }
      }
    }

    private static long tick(long key) {
      return key >>> INDEX_BITS + 2;
    }

    PlaybackPlan build(TempoMap tempos, ClickTrack clicks, long startNanos) {
      Arrays.sort(keys, 0, size);
      if (!orders.isEmpty()) {
        arrange();
      }
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
