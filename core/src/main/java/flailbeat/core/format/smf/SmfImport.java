package flailbeat.core.format.smf;

import flailbeat.core.edit.Ids;
import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.CarriedEvent;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Control;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.FileTraits;
import flailbeat.core.model.Instrument;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.OptionalInt;

/**
 * Makes a song of a MIDI file. Each channel of each track becomes a track of its own; ticks are
 * brought to 960 to a quarter, to the nearest. Events that are not edited here are carried along.
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

    Builder(SmfFile file, String title) {
      this.file = file;
      this.title = title;
    }

    SmfImport build() {
      for (SmfTrack track : file.tracks()) {
        readMaps(track);
      }
      tempos.sort(Comparator.comparingLong(TempoMap.Change::tick));
      meters.sort(Comparator.comparingLong(MeterMap.Change::tick));
      MeterMap meterMap = MeterMap.of(meters);
      String name = title;
      for (int i = 0; i < file.tracks().size(); i++) {
        SmfTrack track = file.tracks().get(i);
        String trackName = nameOf(track);
        if (i == 0 && file.format() == 1 && !hasNotes(track) && !trackName.isBlank()) {
          name = trackName;
        }
        readTrack(track, i, trackName, meterMap);
      }
      remarkAll();
      Song empty = Song.empty();
      Song song =
          new Song(
              name,
              TempoMap.of(tempos),
              meterMap,
              tracks.isEmpty() ? empty.tracks() : tracks,
              carried.stream().sorted(Comparator.comparingLong(CarriedEvent::tick)).toList(),
              file.ppq(),
              Math.max(ids.next(), empty.nextId()));
      return new SmfImport(song, List.copyOf(remarks));
    }

    private void remarkAll() {
      if (file.format() == 2) {
        remarks.add("type 2: its patterns stand side by side, as tracks");
      }
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

    private void readMaps(SmfTrack track) {
      for (SmfEvent e : track.events()) {
        if (e.isChannelMessage()) {
          readProgram(e);
          continue;
        }
        byte[] b = e.payload().bytes();
        if (e.isMeta(SmfEvent.TEMPO)) {
          int micros = b.length == 3 ? (b[0] & 255) << 16 | (b[1] & 255) << 8 | b[2] & 255 : 0;
          if (micros == 0) {
            strangeTempos++;
          } else {
            tempos.add(new TempoMap.Change(scaled(e.tick()), new Tempo(micros)));
          }
        } else if (e.isMeta(SmfEvent.TIME_SIGNATURE)) {
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

    private static boolean hasNotes(SmfTrack track) {
      return track.events().stream().anyMatch(SmfEvent::isNoteOn);
    }

    private static String nameOf(SmfTrack track) {
      return track.events().stream()
          .filter(e -> e.isMeta(SmfEvent.TRACK_NAME))
          .findFirst()
          .map(e -> SmfText.of(e.payload()))
          .orElse("");
    }

    private void readTrack(SmfTrack source, int index, String name, MeterMap meterMap) {
      Part[] parts = new Part[16];
      readNotes(source, parts);
      List<CarriedEvent> others = new ArrayList<>();
      boolean nameSeen = false;
      for (SmfEvent e : source.events()) {
        if (!e.isChannelMessage()) {
          boolean isName = !nameSeen && e.isMeta(SmfEvent.TRACK_NAME);
          nameSeen |= isName;
          carry(e, isName, others);
        } else if (!e.isNoteOn() && !e.isNoteOff()) {
          part(parts, e.channel())
              .controls
              .add(
                  new ControlPoint(
                      ids.control(),
                      scaled(e.tick()),
                      Control.of(e.status(), e.data1(), e.data2())));
        }
      }
      if (Arrays.stream(parts).allMatch(Objects::isNull)) {
        if (index > 0 && !name.isEmpty()) {
          others.addFirst(nameOfNoPart(source));
        }
        carried.addAll(others);
        return;
      }
      addParts(source, name, parts, others, meterMap);
    }

    private CarriedEvent nameOfNoPart(SmfTrack source) {
      SmfEvent e =
          source.events().stream()
              .filter(x -> x.isMeta(SmfEvent.TRACK_NAME))
              .findFirst()
              .orElseThrow();
      return new CarriedEvent(scaled(e.tick()), e.status(), e.data1(), e.payload());
    }

    private void addParts(
        SmfTrack source, String name, Part[] parts, List<CarriedEvent> others, MeterMap meterMap) {
      boolean several = Arrays.stream(parts).filter(Objects::nonNull).count() > 1;
      List<CarriedEvent> ports =
          others.stream()
              .filter(e -> e.status() == SmfEvent.META && e.type() == SmfEvent.PORT)
              .toList();
      boolean firstPart = true;
      for (int channel = 0; channel < parts.length; channel++) {
        if (parts[channel] == null) {
          continue;
        }
        String base = name.isBlank() ? "Track " + (tracks.size() + 1) : name;
        String partName = several ? base + " (channel " + (channel + 1) + ")" : base;
        SmfEvent program = programs[channel];
        Track track =
            parts[channel].track(
                ids,
                partName,
                channel,
                parts[channel].ownProgram().orElse(program == null ? 0 : program.data1()),
                scaled(source.endTick()),
                meterMap);
        tracks.add(track.withCarried(firstPart ? others : ports));
        firstPart = false;
      }
    }

    private void readNotes(SmfTrack source, Part[] parts) {
      NotePairs pairs = NotePairs.of(source);
      withoutEnd += pairs.withoutEnd();
      withoutStart += pairs.withoutStart();
      for (NotePairs.Pair pair : pairs.pairs()) {
        SmfEvent on = source.events().get(pair.on());
        SmfEvent off = pair.off() < 0 ? null : source.events().get(pair.off());
        long end = off == null ? source.endTick() : off.tick();
        withoutLength += end == on.tick() ? 1 : 0;
        long onset = scaled(on.tick());
        long length = Math.max(1, scaled(end) - onset);
        boolean released = off != null && (off.status() & 0xF0) == 0x80;
        part(parts, on.channel())
            .notes
            .add(
                new Note(
                    ids.note(),
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

    /**
     * A first name becomes the part's; its bytes are carried where they would come out otherwise.
     */
    private void carry(SmfEvent e, boolean isName, List<CarriedEvent> others) {
      boolean known =
          e.isMeta(SmfEvent.TEMPO)
              || e.isMeta(SmfEvent.TIME_SIGNATURE)
              || isName && !SmfText.isForeign(e.payload());
      if (!known) {
        others.add(new CarriedEvent(scaled(e.tick()), e.status(), e.data1(), e.payload()));
      }
    }

    private long scaled(long tick) {
      if (file.ppq() == Ticks.PPQ && tick < Ticks.LAST) {
        return tick;
      }
      long scaled = (2 * tick * Ticks.PPQ + file.ppq()) / (2 * file.ppq());
      between += tick * Ticks.PPQ % file.ppq() == 0 ? 0 : 1;
      if (scaled >= Ticks.LAST) {
        beyond++;
      }
      return Math.min(Ticks.LAST - 1, scaled);
    }
  }

  /** One channel of a track on its way to a track of its own. */
  private static final class Part {
    private final List<Note> notes = new ArrayList<>();
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
