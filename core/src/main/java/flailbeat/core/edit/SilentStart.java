package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Sequence;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FileTraits;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** Whole bars before the first note of some tracks, and those tracks without them. */
public final class SilentStart {
  private SilentStart() {}

  /**
   * How long it is, in ticks. What is in any take counts. A clip that loops, or that has
   * controllers alone, stays whole.
   */
  public static long of(Song song, List<Track> tracks) {
    MeterMap meters = song.meters();
    long result = Long.MAX_VALUE;
    for (Track track : tracks) {
      for (Clip clip : track.clips()) {
        long first = firstNote(clip);
        boolean whole = clip.loops() && first < Long.MAX_VALUE || first >= clip.end();
        if (!clip.isEmpty()) {
          long from = whole ? clip.start() : first;
          result = Math.min(result, meters.barRangeAt(from).start());
        }
      }
    }
    return result == Long.MAX_VALUE ? 0 : result;
  }

  private static long firstNote(Clip clip) {
    return contents(clip)
        .filter(c -> !c.notes().isEmpty())
        .mapToLong(c -> clip.start() + c.notes().getFirst().onset())
        .min()
        .orElse(Long.MAX_VALUE);
  }

  private static Stream<Content> contents(Clip clip) {
    return Stream.concat(
        Stream.of(clip.content()), clip.takes().others().stream().map(Take::content));
  }

  /**
   * All of some tracks so much earlier, with their lyrics and what else files brought; what
   * controllers were set to before holds from the start. Empty clips that lie before it go. O(1)
   * for each clip that begins after it.
   *
   * @param ticks as {@link #of} gives it, or less
   * @param withSong whether tempos, meters and markers come earlier as well
   */
  public static Song trim(Song song, Set<TrackId> tracks, long ticks, boolean withSong) {
    if (ticks <= 0) {
      return song;
    }
    Song trimmed = song.mapTracks(t -> tracks.contains(t.id()) ? trimmed(t, ticks) : t);
    return withSong ? earlier(trimmed, ticks) : trimmed;
  }

  private static Track trimmed(Track track, long ticks) {
    List<Clip> clips = new ArrayList<>(track.clips().size());
    for (Clip clip : track.clips()) {
      if (clip.start() >= ticks) {
        clips.add(clip.at(clip.start() - ticks));
      } else if (clip.end() > ticks) {
        clips.add(cut(clip, ticks - clip.start()));
      }
    }
    List<CarriedEvent> carried = earlier(track.carried(), ticks);
    FileTraits traits = track.traits();
    return track
        .withClips(clips)
        .withCarried(carried)
        .withTraits(new FileTraits(traits.statesProgram(), Math.max(0, traits.endTick() - ticks)));
  }

  private static List<CarriedEvent> earlier(List<CarriedEvent> events, long ticks) {
    return events.stream().map(c -> c.earlier(ticks)).toList();
  }

  /** A clip that now starts the song, without so much of its beginning. */
  private static Clip cut(Clip clip, long ticks) {
    List<Take> others =
        clip.takes().others().stream()
            .map(t -> new Take(t.number(), cut(t.content(), ticks)))
            .toList();
    return new Clip(
        clip.id(),
        0,
        clip.length() - ticks,
        clip.period(),
        cut(clip.content(), ticks),
        new Takes(clip.takes().active(), others));
  }

  private static Content cut(Content content, long ticks) {
    Sequence<Note> notes = content.notes().shifted(-ticks);
    Sequence<ControlPoint> controls =
        content.controls().map(p -> p.at(Math.max(0, p.tick() - ticks)));
    return new Content(notes, controls);
  }

  /** What lay before it holds from the start. */
  private static Song earlier(Song song, long by) {
    List<TempoMap.Change> tempos =
        song.tempos().changes().stream()
            .map(c -> new TempoMap.Change(Math.max(0, c.tick() - by), c.tempo()))
            .toList();
    List<MeterMap.Change> meters =
        song.meters().changes().stream()
            .map(
                c ->
                    new MeterMap.Change(
                        Math.max(0, c.tick() - by), c.meter(), c.clocks(), c.thirtySeconds()))
            .toList();
    return song.withTempos(TempoMap.of(tempos))
        .withMeters(MeterMap.of(meters))
        .withCarried(earlier(song.carried(), by))
        .withOrigin(song.origin().earlier(by));
  }
}
