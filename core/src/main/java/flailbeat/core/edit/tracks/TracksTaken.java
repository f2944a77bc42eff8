package flailbeat.core.edit.tracks;

import flailbeat.core.edit.Ids;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.FromFile;
import flailbeat.core.model.carried.TrackFromFile;
import flailbeat.core.model.track.Switches;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.Timeline;
import java.util.ArrayList;
import java.util.List;

/** Tracks that one song takes from another. */
public final class TracksTaken {
  private TracksTaken() {}

  /**
   * A song with the tracks of another below its own: all of them that hold anything, from a tick
   * on, at the song's own tempo.
   *
   * @throws IllegalArgumentException where something would lie beyond the last tick
   */
  public static Song add(Song song, Song other, long tick) {
    Ids ids = new Ids(song.nextId());
    Song result = song;
    for (Track track : other.tracks()) {
      if (track.clips().isEmpty()) {
        continue;
      }
      List<Clip> clips =
          TrackEdits.copies(track, ids).stream().map(c -> c.at(c.start() + tick)).toList();
      boolean taken = SongEdits.hasName(result, track.name());
      Track added =
          new Track(
              ids.track(),
              taken ? TrackEdits.freeName(result, track.name()) : track.name(),
              track.sound().with(track.instrument(), result.freeChannel(track.instrument().kit())),
              Switches.OFF,
              clips,
              TrackFromFile.NONE,
              track.roll(),
              track.personal());
      List<Track> tracks = new ArrayList<>(result.tracks());
      tracks.add(added);
      result = result.withTracks(tracks);
    }
    return ids.recordedIn(result);
  }

  /**
   * A new song with the tracks of one, their sounds and how they lie under the hands, and its tempo
   * and meter as they are at its start; nothing is in it.
   */
  public static Song newFrom(Song song) {
    List<Track> tracks =
        song.tracks().stream()
            .map(
                t ->
                    new Track(
                        t.id(),
                        t.name(),
                        t.sound(),
                        Switches.OFF,
                        List.of(),
                        TrackFromFile.NONE,
                        t.roll(),
                        t.personal()))
            .toList();
    Timeline timeline =
        new Timeline(TempoMap.of(song.tempos().tempoAt(0)), MeterMap.of(song.meters().meterAt(0)));
    return new Song(Song.empty().title(), timeline, tracks, FromFile.NONE, song.nextId());
  }
}
