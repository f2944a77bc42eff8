package flailbeat.core.format.smf;

import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.CarriedEvent;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

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
    tracks.add(builder.conductor(song));
    song.tracks().forEach(t -> tracks.add(builder.part(t)));
    return new SmfExport(new SmfFile(1, song.resolution(), tracks), builder.remarks(song));
  }

  private static final class Builder {
    /** Of events at one tick, ends come before everything, starts after. */
    private static final Comparator<SmfEvent> ORDER =
        Comparator.comparingLong(SmfEvent::tick).thenComparingInt(Builder::rank);

    private final int ppq;
    private int trimmed;

    Builder(int ppq) {
      this.ppq = ppq;
    }

    List<String> remarks(Song song) {
      List<String> result = new ArrayList<>();
      if (trimmed > 0) {
        result.add(
            notes(trimmed)
                + " end where another of their pitch begins, since a MIDI file cannot tell"
                + " them apart");
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
          song.tracks().stream()
              .flatMap(t -> t.clips().stream())
              .flatMap(c -> c.notes().stream())
              .anyMatch(n -> n.playedOff() != 0);
      if (played) {
        result.add("when notes were played stays in the project alone");
      }
      return result;
    }

    private static String notes(int n) {
      return n == 1 ? "1 note" : n + " notes";
    }

    SmfTrack conductor(Song song) {
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
      List<SmfEvent> events = new ArrayList<>();
      events.add(name(track.name(), track.carried()));
      if (!track.traits().statesProgram()) {
        events.add(SmfEvent.channel(0, 0xC0 | channel, track.instrument().program(), 0));
      }
      carried(track.carried(), track.name(), events);
      for (ControlPoint p : track.controls()) {
        events.add(
            SmfEvent.channel(scaled(p.tick()), p.kind().status() | channel, p.data1(), p.data2()));
      }
      addNotes(track, events);
      return track(events, scaled(track.traits().endTick()));
    }

    /** Notes of one pitch in the order in which they will be read back, with their own ends. */
    private void addNotes(Track track, List<SmfEvent> events) {
      Map<Integer, List<Note>> ofPitch = new HashMap<>();
      Map<Integer, List<Overlaps.Span>> spans = new HashMap<>();
      for (Clip clip : track.clips()) {
        for (Note note : clip.notes()) {
          ofPitch.computeIfAbsent(note.pitch(), p -> new ArrayList<>()).add(note);
        }
      }
      int channel = track.channel();
      ofPitch.forEach(
          (pitch, notes) -> {
            notes.sort(
                Comparator.comparingLong((Note n) -> scaled(n.onset()))
                    .thenComparingLong(this::off));
            List<Overlaps.Span> all = spans.computeIfAbsent(pitch, p -> new ArrayList<>());
            notes.forEach(n -> all.add(new Overlaps.Span(scaled(n.onset()), off(n))));
            trimmed += Overlaps.trim(all);
            for (int i = 0; i < notes.size(); i++) {
              Note n = notes.get(i);
              Overlaps.Span span = all.get(i);
              events.add(SmfEvent.channel(span.on(), 0x90 | channel, pitch, n.velocity()));
              events.add(SmfEvent.channel(span.off(), 0x80 | channel, pitch, n.releaseVelocity()));
            }
          });
    }

    private long off(Note note) {
      return Math.max(scaled(note.onset()) + 1, scaled(note.end()));
    }

    private static SmfTrack track(List<SmfEvent> events, long endTick) {
      events.sort(ORDER);
      return new SmfTrack(events, Math.max(endTick, events.getLast().tick()));
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

    private static int rank(SmfEvent e) {
      if (!e.isChannelMessage()) {
        return 1;
      }
      return e.isNoteOff() ? 0 : e.isNoteOn() ? 3 : 2;
    }

    private long scaled(long tick) {
      return SmfPatch.toFile(tick, ppq);
    }
  }
}
