package flailbeat.core.format.smf;

import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.CarriedEvent;
import flailbeat.core.model.Control;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Placed;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A MIDI file of type 1 made of a song: a first track with title, tempos, meters and what belongs
 * to the whole, then one for each part. Muted parts are written too. The resolution is the song's;
 * where it is coarser than 960, times go to its nearest tick.
 *
 * @param remarks what a MIDI file can't hold of the song, a line each
 */
public record SmfExport(SmfFile file, List<String> remarks) {
  /** Makes the file. */
  public static SmfFile of(Song song) {
    return from(song).file();
  }

  /** Makes the file, and says what it can't hold. */
  public static SmfExport from(Song song) {
    Builder builder = new Builder(song.resolution());
    List<SmfTrack> tracks = new ArrayList<>();
    tracks.add(builder.transportControl(song));
    song.tracks().forEach(t -> tracks.add(builder.part(t)));
    return new SmfExport(new SmfFile(1, song.resolution(), tracks), builder.remarks(song));
  }

  private static final class Builder {
    private static final int INDEX_BITS = 29;
    private static final long INDEX = (1L << INDEX_BITS) - 1;

    private final int ppq;
    private int trimmed;

    Builder(int ppq) {
      this.ppq = ppq;
    }

    List<String> remarks(Song song) {
      List<String> result = new ArrayList<>();
      if (trimmed > 0) {
        result.add(Overlaps.told(trimmed));
      }
      long takes =
          song.tracks().stream()
              .flatMap(t -> t.clips().stream())
              .mapToLong(c -> c.takes().others().size())
              .sum();
      if (takes > 0) {
        result.add(
            takes
                + (takes == 1 ? " take that is" : " takes that are")
                + " not heard stay in the project alone");
      }
      boolean played =
          song.tracks().stream().flatMap(t -> t.notes().stream()).anyMatch(n -> n.playedOff() != 0);
      if (played) {
        result.add("when notes were played stays in the project alone");
      }
      result.addAll(SharedChannels.remarks(song));
      return result;
    }

    SmfTrack transportControl(Song song) {
      List<SmfEvent> events = new ArrayList<>();
      events.add(name(song.title(), song.carried()));
      for (TempoMap.Change c : song.tempos().changes()) {
        int micros = c.tempo().microsPerQuarter();
        events.add(
            SmfEvent.meta(
                scaled(c.tick()),
                SmfEvent.TEMPO,
                (byte) (micros >> 16),
                (byte) (micros >> 8),
                (byte) micros));
      }
      for (MeterMap.Change c : song.meters().changes()) {
        events.add(
            SmfEvent.meta(
                scaled(c.tick()),
                SmfEvent.TIME_SIGNATURE,
                (byte) c.meter().beats(),
                (byte) Integer.numberOfTrailingZeros(c.meter().unit()),
                (byte) c.clocks(),
                (byte) c.thirtySeconds()));
      }
      carried(song.carried(), song.title(), events);
      return track(events, 0);
    }

    SmfTrack part(Track track) {
      int channel = track.channel();
      Placed placed = track.placed();
      List<SmfEvent> events = new ArrayList<>();
      events.add(name(track.name(), track.carried()));
      if (!track.traits().statesProgram()) {
        events.add(SmfEvent.channel(0, 0xC0 | channel, track.instrument().program(), 0));
      }
      carried(track.carried(), track.name(), events);
      for (ControlPoint p : placed.soundingControls()) {
        Control c = p.control();
        events.add(
            SmfEvent.channel(scaled(p.tick()), c.kind().status() | channel, c.data1(), c.data2()));
      }
      return track(events, times(placed), channel, scaled(track.traits().endTick()));
    }

    /**
     * A part's notes with their ends in the file's ticks; those to be read back wrongly are
     * trimmed.
     */
    private NoteTimes times(Placed placed) {
      NoteTimes times = new NoteTimes(placed.sounding(), this::scaled);
      trimmed += times.trim();
      return times;
    }

    private static SmfTrack track(List<SmfEvent> events, long endTick) {
      return track(events, NoteTimes.NONE, 0, endTick);
    }

    /**
     * Events and notes by tick; at one tick ends come before everything, starts after. O(n log n).
     */
    private static SmfTrack track(
        List<SmfEvent> events, NoteTimes notes, int channel, long endTick) {
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
      List<SmfEvent> sorted = new ArrayList<>(size);
      for (long key : keys) {
        int index = (int) (key & INDEX);
        sorted.add(index < others ? events.get(index) : notes.event(index - others, channel));
      }
      return new SmfTrack(sorted, Math.max(endTick, sorted.getLast().tick()));
    }

    private static long key(long tick, int rank, int index) {
      return (tick << 2 | rank) << INDEX_BITS | index;
    }

    /** What is carried, without the name, which stands at the beginning already. */
    private void carried(List<CarriedEvent> carried, String name, List<SmfEvent> events) {
      boolean nameSeen = false;
      for (CarriedEvent e : carried) {
        boolean isName = !nameSeen && isNameInItsBytes(e, name);
        nameSeen |= isName;
        if (!isName) {
          events.add(new SmfEvent(scaled(e.tick()), e.status(), e.type(), 0, e.payload()));
        }
      }
    }

    /** A name in the bytes in which it came, where those are not ours. */
    private static SmfEvent name(String name, List<CarriedEvent> carried) {
      return carried.stream()
          .filter(e -> isNameInItsBytes(e, name))
          .findFirst()
          .map(e -> new SmfEvent(0, SmfEvent.META, SmfEvent.TRACK_NAME, 0, e.payload()))
          .orElseGet(
              () -> SmfEvent.meta(0, SmfEvent.TRACK_NAME, name.getBytes(StandardCharsets.UTF_8)));
    }

    private static boolean isNameInItsBytes(CarriedEvent e, String name) {
      return e.status() == SmfEvent.META
          && e.type() == SmfEvent.TRACK_NAME
          && SmfText.isForeign(e.payload())
          && SmfText.of(e.payload()).equals(name);
    }

    private long scaled(long tick) {
      return SmfPatch.toFile(tick, ppq);
    }
  }
}
