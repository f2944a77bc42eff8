package flailbeat.core.format.smf;

import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.CarriedEvent;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.Ticks;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Makes a MIDI file of type 1 of a song: a first track with title, tempos, meters and what belongs
 * to the whole, then one for each part. Muted parts are written too. The resolution is the song's;
 * where it is coarser than 960, times go to its nearest tick.
 */
public final class SmfExport {
  /** Of events at one tick, ends come before everything, starts after. */
  private static final Comparator<SmfEvent> ORDER =
      Comparator.comparingLong(SmfEvent::tick).thenComparingInt(SmfExport::rank);

  private final int ppq;

  private SmfExport(int ppq) {
    this.ppq = ppq;
  }

  public static SmfFile of(Song song) {
    return new SmfExport(song.resolution()).file(song);
  }

  private SmfFile file(Song song) {
    List<SmfTrack> tracks = new ArrayList<>();
    tracks.add(conductor(song));
    song.tracks().forEach(t -> tracks.add(part(t)));
    return new SmfFile(1, ppq, tracks);
  }

  private SmfTrack conductor(Song song) {
    List<SmfEvent> events = new ArrayList<>();
    events.add(text(SmfEvent.TRACK_NAME, song.title()));
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
      int beats = c.meter().beats();
      int power = Integer.numberOfTrailingZeros(c.meter().unit());
      byte clocksPerClick = (byte) Math.min(96, 96 >> power);
      events.add(
          SmfEvent.meta(
              scaled(c.tick()),
              SmfEvent.TIME_SIGNATURE,
              (byte) beats,
              (byte) power,
              (byte) Math.max(1, clocksPerClick),
              (byte) 8));
    }
    song.carried().forEach(e -> events.add(carried(e)));
    return track(events);
  }

  private SmfTrack part(Track track) {
    int channel = track.channel();
    List<SmfEvent> events = new ArrayList<>();
    events.add(text(SmfEvent.TRACK_NAME, track.name()));
    events.add(SmfEvent.channel(0, 0xC0 | channel, track.instrument().program(), 0));
    track.carried().forEach(e -> events.add(carried(e)));
    for (ControlPoint p : track.controls()) {
      events.add(
          SmfEvent.channel(scaled(p.tick()), p.kind().status() | channel, p.data1(), p.data2()));
    }
    for (Note note : track.notes()) {
      long on = scaled(note.onset());
      long off = Math.max(on + 1, scaled(note.end()));
      events.add(SmfEvent.channel(on, 0x90 | channel, note.pitch(), note.velocity()));
      events.add(SmfEvent.channel(off, 0x80 | channel, note.pitch(), 64));
    }
    return track(events);
  }

  private static SmfTrack track(List<SmfEvent> events) {
    events.sort(ORDER);
    return new SmfTrack(events, events.isEmpty() ? 0 : events.get(events.size() - 1).tick());
  }

  private SmfEvent carried(CarriedEvent e) {
    return new SmfEvent(scaled(e.tick()), e.status(), e.type(), 0, e.payload());
  }

  private static SmfEvent text(int type, String text) {
    return SmfEvent.meta(0, type, text.getBytes(StandardCharsets.UTF_8));
  }

  private static int rank(SmfEvent e) {
    if (!e.isChannelMessage()) {
      return 1;
    }
    return e.isNoteOff() ? 0 : e.isNoteOn() ? 3 : 2;
  }

  private long scaled(long tick) {
    return ppq == Ticks.PPQ ? tick : (2 * tick * ppq + Ticks.PPQ) / (2L * Ticks.PPQ);
  }
}
