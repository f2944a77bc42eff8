package flailbeat.core.model;

import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FromFile;
import flailbeat.core.model.carried.Marker;
import flailbeat.core.model.carried.MidiOrigin;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.pitch.KeyMap;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Section;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.Timeline;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/**
 * A whole song.
 *
 * @param timeline what all of it goes by over time
 * @param file what the file that it came from said besides
 * @param nextId larger than every id in it and every id that was ever given out in it
 */
public record Song(
    String title, Timeline timeline, List<Track> tracks, FromFile file, long nextId) {
  public Song {
    tracks = List.copyOf(tracks);
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
  public Song(String title, Timeline timeline, List<Track> tracks, long nextId) {
    this(title, timeline, tracks, FromFile.NONE, nextId);
  }

  public TempoMap tempos() {
    return timeline.tempos();
  }

  public MeterMap meters() {
    return timeline.meters();
  }

  public List<Section> sections() {
    return timeline.sections();
  }

  /** The key over time, as far as it is known. */
  public KeyMap keys() {
    return file.keys();
  }

  /** The places that have names. */
  public List<Marker> markers() {
    return file.markers();
  }

  /** Events of the whole song that are handed on, such as lyrics. */
  public List<CarriedEvent> carried() {
    return file.carried();
  }

  /** The PPQ that a MIDI file written from it gets: that of the file it came from, or our own. */
  public int resolution() {
    return file.resolution();
  }

  /** Of which MIDI file it was made, so that it goes out as it came in. */
  public MidiOrigin origin() {
    return file.origin();
  }

  /** No notes: one track with a piano, 120 bpm, 4/4 (common practice). */
  public static Song empty() {
    Track first = Track.empty(new TrackId(1), "Track 1", Instrument.melodic(0), 0);
    Timeline timeline = new Timeline(TempoMap.of(TempoMap.DEFAULT), MeterMap.of(Meter.COMMON));
    return new Song("Untitled", timeline, List.of(first), 2);
  }

  public Optional<Track> track(TrackId id) {
    return tracks.stream().filter(t -> t.id().equals(id)).findFirst();
  }

  /** Which of its tracks one is, from 0; -1 for none of them. */
  public int indexOf(TrackId id) {
    for (int i = 0; i < tracks.size(); i++) {
      if (tracks.get(i).id().equals(id)) {
        return i;
      }
    }
    return -1;
  }

  /**
   * About how many notes and values sound, loops unrolled, each clip that shares what is in it
   * counted: never less than there are. O(clips).
   */
  public long soundingCount() {
    return tracks.stream()
        .flatMap(t -> t.clips().stream())
        .mapToLong(c -> Math.max(c.noteCount(), c.soundingInLoop()))
        .sum();
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
    return new Song(value, timeline, tracks, file, nextId);
  }

  public Song withTimeline(Timeline value) {
    return new Song(title, value, tracks, file, nextId);
  }

  public Song withTempos(TempoMap value) {
    return withTimeline(timeline.withTempos(value));
  }

  public Song withMeters(MeterMap value) {
    return withTimeline(timeline.withMeters(value));
  }

  public Song withTracks(List<Track> value) {
    return new Song(title, timeline, value, file, nextId);
  }

  public Song withFile(FromFile value) {
    return new Song(title, timeline, tracks, value, nextId);
  }

  public Song withCarried(List<CarriedEvent> value) {
    return withFile(file.withCarried(value));
  }

  public Song withOrigin(MidiOrigin value) {
    return withFile(file.withOrigin(value));
  }

  public Song withNextId(long value) {
    return new Song(title, timeline, tracks, file, value);
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
