package flailbeat.core.format.smf;

import flailbeat.core.edit.Ids;
import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FileTraits;
import flailbeat.core.model.carried.FromFile;
import flailbeat.core.model.carried.MidiOrigin;
import flailbeat.core.model.carried.TickOrders;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.Ticks;
import flailbeat.core.time.Timeline;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * Makes a song of a MIDI file. Each channel of each track becomes a track of its own; ticks are
 * brought to 960 to a quarter, to the nearest. Events that are not edited here are carried along,
 * and how the file was made up is kept: see {@link MidiOrigin}. The patterns of a file of type 2
 * come one after another.
 *
 * @param song the song
 * @param remarks what had to be mended on the way, each one line
 */
public record SmfImport(Song song, List<String> remarks) {
  /**
   * Makes a song.
   *
   * @param title for a file that names none
   */
  public static SmfImport of(SmfFile file, String title) {
    return new Builder(file, title).build();
  }

  private static final class Builder {
    private final SmfFile file;
    private final String title;
    private final boolean isOfPatterns;
    private final List<Track> tracks = new ArrayList<>();
    private final List<CarriedEvent> carried = new ArrayList<>();
    private final List<TempoMap.Change> tempos = new ArrayList<>();
    private final List<MeterMap.Change> meters = new ArrayList<>();
    private final List<String> remarks = new ArrayList<>();
    private final SmfEvent[] programs = new SmfEvent[16];
    private final Ids ids = new Ids(1);
    private int withoutEnd;
    private int withoutStart;
    private int withoutLength;
    private int between;
    private int strangeTempos;
    private int strangeMeters;
    private int beyond;
    private int elsewhere;
    private int outdone;
    private final List<MidiOrigin.FileTrack> sources = new ArrayList<>();
    private final TickOrders.Builder orders = new TickOrders.Builder();

    Builder(SmfFile file, String title) {
      this.file = file.format() == 2 ? Patterns.inARow(file) : file;
      this.title = title;
      this.isOfPatterns = file.format() == 2;
    }

    SmfImport build() {
      List<NotePairs> pairs = file.tracks().stream().map(NotePairs::of).toList();
      for (int i = 0; i < file.tracks().size(); i++) {
        readMaps(file.tracks().get(i), pairs.get(i), i);
      }
      tempos.sort(Comparator.comparingLong(TempoMap.Change::tick));
      meters.sort(Comparator.comparingLong(MeterMap.Change::tick));
      outdone +=
          (int) (tempos.size() - tempos.stream().mapToLong(c -> c.tick()).distinct().count());
      outdone +=
          (int) (meters.size() - meters.stream().mapToLong(c -> c.tick()).distinct().count());
      MeterMap meterMap = MeterMap.of(meters);
      for (int i = 0; i < file.tracks().size(); i++) {
        readTrack(file.tracks().get(i), pairs.get(i), i, meterMap);
      }
      remarkAll();
      String songTitle = songTitle();
      if (tracks.isEmpty()) {
        addEmptyTrack();
      }
      MidiOrigin origin =
          new MidiOrigin(
              file.format() == 0 ? 0 : 1,
              tempos.stream().anyMatch(c -> c.tick() == 0),
              meters.stream().anyMatch(c -> c.tick() == 0),
              sources,
              orders.build());
      Song song =
          new Song(
              songTitle,
              new Timeline(TempoMap.of(tempos), meterMap),
              tracks,
              new FromFile(
                  carried.stream().sorted(Comparator.comparingLong(CarriedEvent::tick)).toList(),
                  file.ppq(),
                  origin),
              ids.next());
      return new SmfImport(song, List.copyOf(remarks));
    }

    private String songTitle() {
      MidiOrigin.FileTrack first = sources.get(0);
      return first.parts().isEmpty() ? first.shown() : title;
    }

    /** A song has a track; this one is nothing of the file's. */
    private void addEmptyTrack() {
      Track made = Song.empty().tracks().get(0);
      MidiOrigin.FileTrack last = sources.removeLast();
      tracks.add(
          Track.empty(ids.track(), made.name(), made.instrument(), made.channel())
              .withTraits(new FileTraits(true, last.endTick())));
      TrackId id = tracks.get(0).id();
      sources.add(new MidiOrigin.FileTrack(last.name(), made.name(), List.of(id), last.endTick()));
    }

    private void remarkAll() {
      if (isOfPatterns) {
        remarks.add("type 2: its patterns come one after another, each with its tempo");
      }
      remark(
          outdone,
          "tempo or time signature is outdone by a later one at the same time, and left out",
          "tempos and time signatures are outdone by later ones at the same times, and left out");
      remark(
          elsewhere,
          "tempo or time signature stood in another track than the first, and stands there now",
          "tempos and time signatures stood in other tracks than the first, and stand there now");
      remark(
          file.others().size(),
          "chunk of an unknown kind is left out",
          "chunks of unknown kinds are left out");
      remark(
          withoutEnd,
          "note had no end and ends with its track",
          "notes had no end and end with their track");
      remark(
          withoutStart,
          "note end that ends no note was left out",
          "note ends that end no note were left out");
      remark(
          withoutLength,
          "note of no length is one tick long here",
          "notes of no length are one tick long here");
      remark(
          between,
          "time lies between two 960ths of a quarter note and went to the nearer",
          "times lie between two 960ths of a quarter note and went to the nearer");
      remark(
          beyond,
          "time beyond two million quarter notes, which no song reaches, was cut off",
          "times beyond two million quarter notes, which no song reaches, were cut off");
      remark(
          strangeTempos, "tempo that is none was left out", "tempos that are none were left out");
      remark(
          strangeMeters,
          "time signature outside 1/1 to 32/32 was left out",
          "time signatures outside 1/1 to 32/32 were left out");
    }

    private void remark(int n, String one, String many) {
      if (n > 0) {
        remarks.add(n + " " + (n == 1 ? one : many));
      }
    }

    private void readMaps(SmfTrack track, NotePairs pairs, int index) {
      for (int i : pairs.others()) {
        SmfEvent e = track.events().get(i);
        if (e.isChannelMessage()) {
          readProgram(e);
          continue;
        }
        byte[] b = e.payload().bytes();
        if (e.isMeta(SmfEvent.TEMPO)) {
          elsewhere += index > 0 ? 1 : 0;
          int micros = b.length == 3 ? (b[0] & 255) << 16 | (b[1] & 255) << 8 | b[2] & 255 : 0;
          if (micros == 0) {
            strangeTempos++;
          } else {
            tempos.add(new TempoMap.Change(scaled(e.tick()), new Tempo(micros)));
          }
        } else if (e.isMeta(SmfEvent.TIME_SIGNATURE)) {
          elsewhere += index > 0 ? 1 : 0;
          readMeter(e.tick(), b);
        }
      }
    }

    private void readMeter(long tick, byte[] b) {
      boolean known = b.length >= 2 && b[0] >= 1 && b[0] <= 32 && b[1] >= 0 && b[1] <= 5;
      if (known && b.length >= 4) {
        Meter meter = new Meter(b[0], 1 << b[1]);
        meters.add(new MeterMap.Change(scaled(tick), meter, b[2] & 0xFF, b[3] & 0xFF));
      } else if (known) {
        meters.add(new MeterMap.Change(scaled(tick), new Meter(b[0], 1 << b[1])));
      } else {
        strangeMeters++;
      }
    }

    /** What a channel plays may be said in another track than that with its notes. */
    private void readProgram(SmfEvent e) {
      if ((e.status() & 0xF0) == 0xC0) {
        SmfEvent first = programs[e.channel()];
        if (first == null || e.tick() < first.tick()) {
          programs[e.channel()] = e;
        }
      }
    }

    private void readTrack(SmfTrack source, NotePairs pairs, int index, MeterMap meterMap) {
      Part[] parts = new Part[16];
      FileOrder order = new FileOrder(index, orders, source.events().size());
      readNotes(source, pairs, parts, order);
      List<CarriedEvent> others = new ArrayList<>();
      Optional<CarriedEvent> name = Optional.empty();
      for (int i : pairs.others()) {
        SmfEvent e = source.events().get(i);
        if (e.isChannelMessage()) {
          Control control = Control.of(e.status(), e.data1(), e.data2());
          ControlPoint point = new ControlPoint(ids.control(), scaled(e.tick()), control);
          part(parts, e.channel()).controls.add(point);
          order.put(i, TickOrders.control(point.id().value()));
        } else if (e.isMeta(SmfEvent.TEMPO)) {
          order.put(i, TickOrders.tempo());
        } else if (e.isMeta(SmfEvent.TIME_SIGNATURE)) {
          order.put(i, TickOrders.meter());
        } else {
          long tick = scaled(e.tick());
          CarriedEvent event = new CarriedEvent(tick, e.status(), e.data1(), e.payload());
          if (name.isEmpty() && e.isMeta(SmfEvent.TRACK_NAME)) {
            name = Optional.of(event);
            order.put(i, TickOrders.NAME);
          } else {
            others.add(event);
            order.putCarried(i, tick);
          }
        }
      }
      order.take(source.events(), pairs.together(), this::inSong);
      addParts(source, index, name, parts, others, meterMap);
    }

    private void addParts(
        SmfTrack source,
        int index,
        Optional<CarriedEvent> name,
        Part[] parts,
        List<CarriedEvent> others,
        MeterMap meterMap) {
      long several = Arrays.stream(parts).filter(Objects::nonNull).count();
      String named = name.map(n -> SmfText.of(n.payload())).orElse("");
      String shown = named;
      if (named.isBlank()) {
        shown = several == 0 ? title : "Track " + (tracks.size() + 1);
      }
      List<TrackId> made = new ArrayList<>();
      boolean ofSong = index == 0 || several == 0;
      long endTick = scaled(source.endTick());
      for (int channel = 0; channel < parts.length; channel++) {
        if (parts[channel] == null) {
          continue;
        }
        SmfEvent program = programs[channel];
        Track track =
            parts[channel].track(
                ids,
                several > 1 ? shown + " (channel " + (channel + 1) + ")" : shown,
                channel,
                parts[channel].ownProgram().orElse(program == null ? 0 : program.data1()),
                endTick,
                meterMap);
        tracks.add(made.isEmpty() && !ofSong ? track.withCarried(others) : track);
        made.add(track.id());
      }
      if (ofSong) {
        others.forEach(e -> carried.add(e.inFileTrack(index)));
      }
      sources.add(new MidiOrigin.FileTrack(name, shown, made, several == 0 ? endTick : 0));
    }

    private void readNotes(SmfTrack source, NotePairs pairs, Part[] parts, FileOrder order) {
      withoutEnd += pairs.withoutEnd();
      withoutStart += pairs.withoutStart();
      for (int channel = 0; channel < parts.length; channel++) {
        if (pairs.inChannel(channel) > 0) {
          part(parts, channel).notes.ensureCapacity(pairs.inChannel(channel));
        }
      }
      for (int i = 0; i < pairs.size(); i++) {
        SmfEvent on = source.events().get(pairs.on(i));
        SmfEvent off = pairs.off(i) < 0 ? null : source.events().get(pairs.off(i));
        long end = off == null ? source.endTick() : off.tick();
        withoutLength += end == on.tick() ? 1 : 0;
        long onset = scaled(on.tick());
        long length = Math.max(1, scaled(end) - onset);
        boolean released = off != null && (off.status() & 0xF0) == 0x80;
        NoteId id = ids.note();
        order.put(pairs.on(i), TickOrders.start(id.value()));
        if (off != null) {
          order.put(pairs.off(i), TickOrders.end(id.value()));
        }
        part(parts, on.channel())
            .notes
            .add(
                new Note(
                    id,
                    on.data1(),
                    on.data2(),
                    onset,
                    length,
                    new Played(onset, onset + length),
                    released ? off.data2() : Note.RELEASE));
      }
    }

    private static Part part(Part[] parts, int channel) {
      if (parts[channel] == null) {
        parts[channel] = new Part();
      }
      return parts[channel];
    }

    /** A tick in the song's, counted where that cannot hold it: asked once for each event. */
    private long scaled(long tick) {
      if (file.ppq() == Ticks.PPQ && tick < Ticks.LAST) {
        return tick;
      }
      between += tick * Ticks.PPQ % file.ppq() == 0 ? 0 : 1;
      beyond += SmfPatch.toSong(tick, file.ppq()) >= Ticks.LAST ? 1 : 0;
      return inSong(tick);
    }

    private long inSong(long tick) {
      return Math.min(Ticks.LAST - 1, SmfPatch.toSong(tick, file.ppq()));
    }
  }

  /** One channel of a track on its way to a track of its own. */
  private static final class Part {
    private final ArrayList<Note> notes = new ArrayList<>();
    private final List<ControlPoint> controls = new ArrayList<>();

    /**
     * The program that it sets itself before its first note; of tracks on one channel each has one.
     */
    OptionalInt ownProgram() {
      long first = notes.stream().mapToLong(Note::onset).min().orElse(Long.MAX_VALUE);
      return controls.stream()
          .filter(p -> p.control().kind() == Control.Kind.PROGRAM && p.tick() <= first)
          .mapToInt(p -> p.control().value())
          .findFirst();
    }

    Track track(Ids ids, String name, int channel, int program, long endTick, MeterMap meters) {
      Instrument instrument = new Instrument(program, channel == Track.DRUM_CHANNEL);
      Track empty =
          Track.empty(ids.track(), name, instrument, channel)
              .withTraits(new FileTraits(true, endTick));
      return notes.isEmpty() && controls.isEmpty()
          ? empty
          : empty.withClips(List.of(Clip.around(ids.clip(), notes, controls, meters)));
    }
  }
}
