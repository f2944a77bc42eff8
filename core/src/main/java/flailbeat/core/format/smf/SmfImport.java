package flailbeat.core.format.smf;

import flailbeat.core.format.FileFault;
import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.CarriedEvent;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Instrument;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.Ticks;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;

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
   * @throws FileFault when a tempo or a meter in it is none
   */
  public static SmfImport of(SmfFile file, String title) throws FileFault {
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
    private long nextId = 1;
    private int withoutEnd;
    private int withoutStart;
    private int strangeMeters;
    private int beyond;

    Builder(SmfFile file, String title) {
      this.file = file;
      this.title = title;
    }

    SmfImport build() throws FileFault {
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
        readTrack(track, trackName, meterMap);
      }
      remark(
          withoutEnd, "had no end and ends with its track", "had no end and end with their track");
      if (withoutStart > 0) {
        remarks.add(withoutStart + " note ends that end no note were left out");
      }
      if (beyond > 0) {
        remarks.add(
            beyond
                + " times beyond two million quarter notes, which no song reaches, were cut off");
      }
      if (strangeMeters > 0) {
        remarks.add(strangeMeters + " time signatures outside 1/1 to 32/32 were left out");
      }
      Song empty = Song.empty();
      Song song =
          new Song(
              name,
              TempoMap.of(tempos),
              meterMap,
              tracks.isEmpty() ? empty.tracks() : tracks,
              carried.stream().sorted(Comparator.comparingLong(CarriedEvent::tick)).toList(),
              file.ppq(),
              Math.max(nextId, empty.nextId()));
      return new SmfImport(song, List.copyOf(remarks));
    }

    private void remark(int n, String one, String many) {
      if (n > 0) {
        remarks.add(n == 1 ? "1 note " + one : n + " notes " + many);
      }
    }

    private void readMaps(SmfTrack track) throws FileFault {
      for (SmfEvent e : track.events()) {
        byte[] b = e.status() == SmfEvent.META ? e.payload().bytes() : new byte[0];
        if (e.isMeta(SmfEvent.TEMPO)) {
          int micros = b.length == 3 ? (b[0] & 255) << 16 | (b[1] & 255) << 8 | b[2] & 255 : 0;
          if (micros == 0) {
            throw new FileFault("it holds a tempo of no speed at all");
          }
          tempos.add(new TempoMap.Change(scaled(e.tick()), new Tempo(micros)));
        } else if (e.isMeta(SmfEvent.TIME_SIGNATURE)) {
          readMeter(e.tick(), b);
        }
      }
    }

    private void readMeter(long tick, byte[] b) {
      boolean known = b.length >= 2 && b[0] >= 1 && b[0] <= 32 && b[1] >= 0 && b[1] <= 5;
      if (known) {
        meters.add(new MeterMap.Change(scaled(tick), new Meter(b[0], 1 << b[1])));
      } else {
        strangeMeters++;
      }
    }

    private static boolean hasNotes(SmfTrack track) {
      return track.events().stream().anyMatch(SmfEvent::isNoteOn);
    }

    private static String nameOf(SmfTrack track) {
      return track.events().stream()
          .filter(e -> e.isMeta(SmfEvent.TRACK_NAME))
          .findFirst()
          .map(e -> text(e.payload().bytes()))
          .orElse("");
    }

    /** UTF-8 where it is that, otherwise Latin-1, which any bytes are. */
    private static String text(byte[] bytes) {
      try {
        return StandardCharsets.UTF_8
            .newDecoder()
            .decode(java.nio.ByteBuffer.wrap(bytes))
            .toString();
      } catch (CharacterCodingException e) {
        return new String(bytes, StandardCharsets.ISO_8859_1);
      }
    }

    private void readTrack(SmfTrack source, String name, MeterMap meterMap) {
      TreeMap<Integer, Part> parts = new TreeMap<>();
      NotePairs pairs = NotePairs.of(source);
      withoutEnd += pairs.withoutEnd();
      withoutStart += pairs.withoutStart();
      for (NotePairs.Pair pair : pairs.pairs()) {
        SmfEvent on = source.events().get(pair.on());
        long end = pair.off() < 0 ? source.endTick() : source.events().get(pair.off()).tick();
        long onset = scaled(on.tick());
        long length = Math.max(1, scaled(end) - onset);
        part(parts, on.channel())
            .notes
            .add(Note.placed(new NoteId(nextId++), on.data1(), on.data2(), onset, length));
      }
      List<CarriedEvent> others = new ArrayList<>();
      for (SmfEvent e : source.events()) {
        if (!e.isChannelMessage()) {
          carry(e, others);
        } else if (!e.isNoteOn() && !e.isNoteOff()) {
          part(parts, e.channel())
              .add(ControlPoint.of(scaled(e.tick()), e.status(), e.data1(), e.data2()));
        }
      }
      if (parts.isEmpty()) {
        carried.addAll(others);
        return;
      }
      boolean several = parts.size() > 1;
      boolean firstPart = true;
      for (var entry : parts.entrySet()) {
        int channel = entry.getKey();
        String base = name.isBlank() ? "Track " + (tracks.size() + 1) : name;
        String partName = several ? base + " (channel " + (channel + 1) + ")" : base;
        Track track = entry.getValue().track(new TrackId(nextId++), partName, channel, meterMap);
        tracks.add(firstPart ? track.withEvents(track.controls(), others) : track);
        firstPart = false;
      }
    }

    private static Part part(TreeMap<Integer, Part> parts, int channel) {
      return parts.computeIfAbsent(channel, c -> new Part());
    }

    private void carry(SmfEvent e, List<CarriedEvent> others) {
      boolean known =
          e.isMeta(SmfEvent.TEMPO)
              || e.isMeta(SmfEvent.TIME_SIGNATURE)
              || e.isMeta(SmfEvent.TRACK_NAME);
      if (!known) {
        others.add(new CarriedEvent(scaled(e.tick()), e.status(), e.data1(), e.payload()));
      }
    }

    private long scaled(long tick) {
      long scaled = (2 * tick * Ticks.PPQ + file.ppq()) / (2 * file.ppq());
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
    private int program = -1;

    /** The first program change chooses the instrument; later ones stay where they are. */
    void add(ControlPoint point) {
      if (point.kind() == ControlPoint.Kind.PROGRAM && program < 0) {
        program = point.value();
      } else {
        controls.add(point);
      }
    }

    Track track(TrackId id, String name, int channel, MeterMap meters) {
      Instrument instrument = new Instrument(Math.max(0, program), channel == Track.DRUM_CHANNEL);
      Track empty = Track.empty(id, name, instrument, channel).withEvents(controls, List.of());
      return notes.isEmpty() ? empty : empty.withClips(List.of(Clip.around(notes, meters)));
    }
  }
}
