package flailbeat.core.format.smf;

import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Placed;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FromFile;
import flailbeat.core.model.carried.Marker;
import flailbeat.core.model.carried.MidiOrigin.FileTrack;
import flailbeat.core.model.carried.Payload;
import flailbeat.core.model.carried.TickOrders;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Section;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.Ticks;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * A MIDI file made of a song. A song that came from a file goes out as that was made up: the same
 * tracks with the same names, and what is new in tracks of its own behind them. Else it is of type
 * 1: a first track with title, tempos, meters and what belongs to the whole, then one for each
 * part. Muted parts are written too. The resolution is the song's; where it is coarser than 960,
 * times go to its nearest tick.
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
    Builder builder = new Builder(song);
    List<SmfTrack> tracks = builder.tracks();
    int type = song.origin().type() == 0 && tracks.size() == 1 ? 0 : 1;
    return new SmfExport(new SmfFile(type, builder.ppq, tracks), builder.remarks());
  }

  private static final class Builder {
    private static final TempoMap.Change FIRST_TEMPO = new TempoMap.Change(0, TempoMap.DEFAULT);
    private static final MeterMap.Change FIRST_METER = new MeterMap.Change(0, Meter.COMMON);

    private final Song song;
    private final int ppq;
    private int trimmed;

    Builder(Song song) {
      this.song = song;
      boolean fits = SmfPatch.toFile(lastTick(song), song.resolution()) <= Ticks.LAST;
      this.ppq = fits ? song.resolution() : Ticks.PPQ;
    }

    /** Nothing of a song comes later, as far as it can be seen without looking at each event. */
    private static long lastTick(Song song) {
      long last = song.tempos().changes().getLast().tick();
      last = Math.max(last, song.meters().changes().getLast().tick());
      for (CarriedEvent e : song.carried()) {
        last = Math.max(last, e.tick());
      }
      for (Section s : song.sections()) {
        last = Math.max(last, s.tick());
      }
      for (FileTrack t : song.origin().tracks()) {
        last = Math.max(last, t.endTick());
      }
      for (Track t : song.tracks()) {
        last = Math.max(last, Math.max(t.end(), t.traits().endTick()));
        for (CarriedEvent e : t.carried()) {
          last = Math.max(last, e.tick());
        }
        for (Clip clip : t.clips()) {
          last = Math.max(last, Math.min(Ticks.LAST, clip.end()));
        }
      }
      return last;
    }

    List<String> remarks() {
      List<String> result = new ArrayList<>();
      if (ppq != song.resolution()) {
        result.add(
            "times so late do not go with "
                + song.resolution()
                + " ticks to a quarter note: it is written with "
                + ppq);
      }
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
      long muted =
          song.tracks().stream()
              .flatMap(t -> t.clips().stream())
              .filter(c -> !c.isAudible() && c.noteCount() > 0)
              .count();
      if (muted > 0) {
        result.add(
            muted
                + (muted == 1 ? " clip that is" : " clips that are")
                + " muted stay in the project alone");
      }
      boolean played =
          song.tracks().stream().flatMap(t -> t.notes().stream()).anyMatch(n -> n.playedOff() != 0);
      if (played) {
        result.add("when notes were played stays in the project alone");
      }
      result.addAll(SharedChannels.remarks(song));
      return result;
    }

    List<SmfTrack> tracks() {
      Map<TrackId, Track> left = new HashMap<>();
      song.tracks().forEach(t -> left.put(t.id(), t));
      List<SmfTrack> result = new ArrayList<>();
      List<FileTrack> sources = song.origin().tracks();
      for (int i = 0; i < sources.size(); i++) {
        FileTrack source = sources.get(i);
        List<Track> parts =
            source.parts().stream().map(left::remove).filter(Objects::nonNull).toList();
        if (i == 0 || !parts.isEmpty() || source.parts().isEmpty()) {
          result.add(track(i, name(i, source, parts), parts, source.endTick()));
        }
      }
      if (sources.isEmpty()) {
        Optional<CarriedEvent> title = Optional.of(name(song.title(), song.carried()));
        result.add(track(0, title, List.of(), 0));
      }
      for (Track part : song.tracks()) {
        if (left.containsKey(part.id())) {
          result.add(track(-1, Optional.of(name(part.name(), part.carried())), List.of(part), 0));
        }
      }
      return result;
    }

    /** The name that a track of the file had, unless what it names is called otherwise by now. */
    private Optional<CarriedEvent> name(int index, FileTrack source, List<Track> parts) {
      if (parts.isEmpty() && index > 0 || parts.size() > 1) {
        return source.name();
      }
      String now = parts.isEmpty() ? song.title() : parts.get(0).name();
      boolean same = now.equals(source.shown()) || source.parts().size() > 1;
      return same || parts.isEmpty() && source.name().isEmpty()
          ? source.name()
          : Optional.of(named(source.name().map(CarriedEvent::tick).orElse(0L), now));
    }

    /** A name in the bytes in which it came, where those are not ours. */
    private static CarriedEvent name(String name, List<CarriedEvent> carried) {
      return carried.stream()
          .filter(e -> isNameInItsBytes(e, name))
          .findFirst()
          .map(e -> e.at(0))
          .orElseGet(() -> named(0, name));
    }

    private static CarriedEvent named(long tick, String name) {
      byte[] bytes = name.getBytes(StandardCharsets.UTF_8);
      return new CarriedEvent(tick, SmfEvent.META, SmfEvent.TRACK_NAME, Payload.of(bytes));
    }

    private static boolean isNameInItsBytes(CarriedEvent e, String name) {
      return e.status() == SmfEvent.META
          && e.type() == SmfEvent.TRACK_NAME
          && SmfText.isForeign(e.payload())
          && SmfText.of(e.payload()).equals(name);
    }

    /**
     * One track of the file.
     *
     * @param index which of the tracks that it came from; -1 for none
     */
    private SmfTrack track(
        int index, Optional<CarriedEvent> name, List<Track> parts, long endTick) {
      FileTrackEvents events = new FileTrackEvents(index, song.origin().orders(), ppq);
      name.ifPresent(n -> events.add(event(n), TickOrders.NAME));
      if (index == 0) {
        maps(events);
        song.sections().forEach(s -> events.add(event(markerOf(s)), TickOrders.UNKNOWN));
      }
      List<CarriedEvent> carried = new ArrayList<>();
      if (index >= 0) {
        song.carried().stream().filter(e -> fileTrackOf(e) == index).forEach(carried::add);
      }
      parts.forEach(p -> carried.addAll(p.carried()));
      carry(carried, name, events);
      long end = parts.isEmpty() ? endTick : 0;
      for (Track part : parts) {
        end = Math.max(end, part.traits().endTick());
        if (!part.traits().statesProgram()) {
          int status = 0xC0 | part.channel();
          events.add(
              SmfEvent.channel(0, status, part.instrument().program(), 0), TickOrders.UNKNOWN);
        }
        for (Control c : part.sound().mix().controls()) {
          int status = c.kind().status() | part.channel();
          events.add(SmfEvent.channel(0, status, c.data1(), c.data2()), TickOrders.UNKNOWN);
        }
      }
      List<Placed> placed = parts.stream().map(Track::audible).toList();
      events.addControls(parts, placed, this::scaled);
      NoteTimes notes = new NoteTimes(parts, placed, this::scaled);
      trimmed += notes.trim();
      return events.inOrder(notes, scaled(end));
    }

    /** A section is a marker where it begins, which is all that a file can say of it. */
    private static CarriedEvent markerOf(Section section) {
      return FromFile.event(new Marker(section.tick(), section.name()));
    }

    /** What would stand in a track that is not written stands in the first. */
    private int fileTrackOf(CarriedEvent event) {
      List<FileTrack> tracks = song.origin().tracks();
      return event.fileTrack() < tracks.size() && tracks.get(event.fileTrack()).parts().isEmpty()
          ? event.fileTrack()
          : 0;
    }

    private void maps(FileTrackEvents events) {
      for (TempoMap.Change c : song.tempos().changes()) {
        if (!song.origin().saysTempo() && c.equals(FIRST_TEMPO)) {
          continue;
        }
        int micros = c.tempo().microsPerQuarter();
        events.add(
            SmfEvent.meta(
                scaled(c.tick()),
                SmfEvent.TEMPO,
                (byte) (micros >> 16),
                (byte) (micros >> 8),
                (byte) micros),
            TickOrders.tempo());
      }
      for (MeterMap.Change c : song.meters().changes()) {
        if (!song.origin().saysMeter() && c.equals(FIRST_METER)) {
          continue;
        }
        events.add(
            SmfEvent.meta(
                scaled(c.tick()),
                SmfEvent.TIME_SIGNATURE,
                (byte) c.meter().beats(),
                (byte) Integer.numberOfTrailingZeros(c.meter().unit()),
                (byte) c.clocks(),
                (byte) c.thirtySeconds()),
            TickOrders.meter());
      }
    }

    /** What is carried, each numbered at its tick; a name that is written already is left out. */
    private void carry(
        List<CarriedEvent> carried, Optional<CarriedEvent> name, FileTrackEvents events) {
      Map<Long, Integer> at = new HashMap<>();
      boolean nameSeen = false;
      for (CarriedEvent e : carried) {
        boolean isName =
            !nameSeen
                && song.origin().isNone()
                && name.filter(n -> n.payload().equals(e.payload()) && n.type() == e.type())
                    .isPresent();
        nameSeen |= isName;
        if (!isName) {
          int index = at.merge(e.tick(), 1, Integer::sum) - 1;
          events.add(event(e), TickOrders.carried(index));
        }
      }
    }

    private SmfEvent event(CarriedEvent e) {
      return new SmfEvent(scaled(e.tick()), e.status(), e.type(), 0, e.payload());
    }

    private long scaled(long tick) {
      return SmfPatch.toFile(tick, ppq);
    }
  }
}
