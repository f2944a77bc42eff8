package flailbeat.core.edit;

import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.FileTraits;
import flailbeat.core.model.Instrument;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.Meter;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** What can be done to a song and its tracks. */
public final class SongEdits {
  private SongEdits() {}

  /** Sets the tempo that the song starts with. Notes keep their place in the bar. */
  public static Song setTempo(Song song, Tempo tempo) {
    return song.withTempos(song.tempos().withFirst(tempo));
  }

  /** Sets the meter that the song starts with. Notes keep their ticks; the bar lines move. */
  public static Song setMeter(Song song, Meter meter) {
    return song.withMeters(song.meters().withFirst(meter));
  }

  /** Adds an empty track at the end; its name is the first "Track n" that is free. */
  public static Song addTrack(Song song, Instrument instrument) {
    int n = song.tracks().size() + 1;
    while (hasName(song, "Track " + n)) {
      n++;
    }
    TrackId id = new TrackId(song.nextId());
    List<Track> tracks = new ArrayList<>(song.tracks());
    tracks.add(Track.empty(id, "Track " + n, instrument, song.freeChannel(instrument.kit())));
    return song.withTracks(tracks).withNextId(song.nextId() + 1);
  }

  /** Takes a track away; the last one stays. */
  public static Song removeTrack(Song song, TrackId id) {
    if (song.tracks().size() < 2) {
      return song;
    }
    return song.withTracks(song.tracks().stream().filter(t -> !t.id().equals(id)).toList());
  }

  /** Gives a track another sound, moving it to or from the drum channel as the sound asks. */
  public static Song setInstrument(Song song, TrackId id, Instrument instrument) {
    return song.withTrack(
        id,
        t -> {
          boolean moves = t.instrument().kit() != instrument.kit();
          int channel = moves ? song.freeChannel(instrument.kit()) : t.channel();
          return withoutFirstProgram(t).withInstrument(instrument, channel);
        });
  }

  /** The program that a file began with, and its bank, give way to the sound that is chosen. */
  private static Track withoutFirstProgram(Track track) {
    if (!track.traits().statesProgram()) {
      return track;
    }
    List<ControlPoint> kept = new ArrayList<>();
    boolean before = track.controls().stream().anyMatch(SongEdits::isProgram);
    for (ControlPoint point : track.controls()) {
      boolean gives = before && (isProgram(point) || isBank(point));
      if (!gives) {
        kept.add(point);
      }
      before &= !isProgram(point);
    }
    return track
        .withEvents(kept, track.carried())
        .withTraits(new FileTraits(false, track.traits().endTick()));
  }

  private static boolean isProgram(ControlPoint point) {
    return point.kind() == ControlPoint.Kind.PROGRAM;
  }

  private static boolean isBank(ControlPoint point) {
    boolean select = point.number() == 0 || point.number() == 32;
    return point.kind() == ControlPoint.Kind.CONTROLLER && select;
  }

  /** Adds what controllers did to a track, in its place among what they did already. */
  public static Song addControls(Song song, TrackId id, List<ControlPoint> added) {
    return song.withTrack(id, t -> added(t, added));
  }

  static Track added(Track track, List<ControlPoint> added) {
    if (added.isEmpty()) {
      return track;
    }
    List<ControlPoint> all = new ArrayList<>(track.controls());
    all.addAll(added);
    all.sort(Comparator.comparingLong(ControlPoint::tick));
    return track.withEvents(all, track.carried());
  }

  /** Takes away what controllers did on a track in a range. */
  public static Song clearControls(Song song, TrackId id, TickRange range) {
    return song.withTrack(id, t -> cleared(t, range));
  }

  static Track cleared(Track track, TickRange range) {
    List<ControlPoint> kept =
        track.controls().stream().filter(c -> !range.contains(c.tick())).toList();
    return kept.size() == track.controls().size() ? track : track.withEvents(kept, track.carried());
  }

  private static boolean hasName(Song song, String name) {
    return song.tracks().stream().anyMatch(t -> t.name().equals(name));
  }
}
