package flailbeat.core.model;

import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.MidiOrigin;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/**
 * A whole song.
 *
 * @param resolution the PPQ that a MIDI file written from it gets: that of the file it came from,
 *     or {@link Ticks#PPQ}; 1 to 32767
 * @param carried events of the whole song that are handed on, such as markers
 * @param origin of which file it was made, so that it goes out as it came in
 * @param nextId larger than every id in it and every id that was ever given out in it
 */
public record Song(
    String title,
    TempoMap tempos,
    MeterMap meters,
    List<Track> tracks,
    List<CarriedEvent> carried,
    int resolution,
    MidiOrigin origin,
    long nextId) {
  public Song {
    tracks = List.copyOf(tracks);
    carried = List.copyOf(carried);
    if (resolution < 1 || resolution > 0x7FFF) {
      throw new IllegalArgumentException("A resolution of " + resolution + " PPQ does not exist");
    }
    long inLoops = 0;
    for (Track track : tracks) {
      for (Clip clip : track.clips()) {
        inLoops += clip.soundingInLoop();
      }
    }
    if (inLoops > Clip.MOST_SOUNDING) {
      throw new IllegalArgumentException(
          "The loops of this song would sound "
              + inLoops
              + " notes and values in all, where "
              + Clip.MOST_SOUNDING
              + " are the most");
    }
  }

  /** Made here, and of no file. */
  public Song(
      String title,
      TempoMap tempos,
      MeterMap meters,
      List<Track> tracks,
      List<CarriedEvent> carried,
      int resolution,
      long nextId) {
    this(title, tempos, meters, tracks, carried, resolution, MidiOrigin.NONE, nextId);
  }

  /** No notes: one track with a piano, 120 bpm, 4/4 (common practice). */
  public static Song empty() {
    Track first = Track.empty(new TrackId(1), "Track 1", Instrument.melodic(0), 0);
    return new Song(
        "Untitled",
        TempoMap.of(TempoMap.DEFAULT),
        MeterMap.of(Meter.COMMON),
        List.of(first),
        List.of(),
        Ticks.PPQ,
        2);
  }

  public Optional<Track> track(TrackId id) {
    return tracks.stream().filter(t -> t.id().equals(id)).findFirst();
  }

  public int noteCount() {
    return tracks.stream().mapToInt(Track::noteCount).sum();
  }

  /** The tick at which the last note ends; 0 without notes. */
  public long end() {
    return tracks.stream().mapToLong(Track::end).max().orElse(0);
  }

  /** Whether a track sounds: not muted, and soloed where any track is. */
  public boolean isAudible(Track track) {
    boolean anySolo = tracks.stream().anyMatch(Track::solo);
    return !track.muted() && (track.solo() || !anySolo);
  }

  /**
   * A channel that no track has yet or, where all are taken, that fewest have; kits share channel
   * 9.
   */
  public int freeChannel(boolean kit) {
    if (kit) {
      return Track.DRUM_CHANNEL;
    }
    return IntStream.range(0, 16)
        .filter(c -> c != Track.DRUM_CHANNEL)
        .boxed()
        .min(Comparator.comparingLong(c -> tracks.stream().filter(t -> t.channel() == c).count()))
        .orElseThrow();
  }

  public Song withTitle(String value) {
    return new Song(value, tempos, meters, tracks, carried, resolution, origin, nextId);
  }

  public Song withTempos(TempoMap value) {
    return new Song(title, value, meters, tracks, carried, resolution, origin, nextId);
  }

  public Song withMeters(MeterMap value) {
    return new Song(title, tempos, value, tracks, carried, resolution, origin, nextId);
  }

  public Song withTracks(List<Track> value) {
    return new Song(title, tempos, meters, value, carried, resolution, origin, nextId);
  }

  public Song withCarried(List<CarriedEvent> value) {
    return new Song(title, tempos, meters, tracks, value, resolution, origin, nextId);
  }

  public Song withOrigin(MidiOrigin value) {
    return new Song(title, tempos, meters, tracks, carried, resolution, value, nextId);
  }

  public Song withNextId(long value) {
    return new Song(title, tempos, meters, tracks, carried, resolution, origin, value);
  }

  /** With one track changed; unchanged when there is no such track. */
  public Song withTrack(TrackId id, UnaryOperator<Track> change) {
    return mapTracks(t -> t.id().equals(id) ? change.apply(t) : t);
  }

  /** With every track put through a function; this very song when they all come back the same. */
  public Song mapTracks(UnaryOperator<Track> change) {
    List<Track> result = new ArrayList<>(tracks.size());
    boolean same = true;
    for (Track track : tracks) {
      Track changed = change.apply(track);
      same &= changed == track;
      result.add(changed);
    }
    return same ? this : withTracks(result);
  }
}
