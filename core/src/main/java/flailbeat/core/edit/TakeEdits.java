package flailbeat.core.edit;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;

/** What can be done to takes. No edit here loses a note but {@link #remove}. */
public final class TakeEdits {
  private TakeEdits() {}

  /**
   * Adds a take, which is heard from now on. Clips are cut at the edges of the range; what lies
   * inside, controllers too, becomes a take of its own, unless it was one.
   *
   * @param range whole bars
   */
  public static Song record(
      Song song,
      TrackId track,
      Collection<NewNote> added,
      List<ControlPoint> controls,
      TickRange range) {
    List<Note> notes = NoteEdits.named(song, added);
    return song.withNextId(song.nextId() + notes.size())
        .withTrack(track, t -> recorded(t, notes, controls, range));
  }

  private static Track recorded(
      Track track, List<Note> notes, List<ControlPoint> controls, TickRange range) {
    List<Clip> result = new ArrayList<>();
    List<Take> earlier = new ArrayList<>();
    for (Clip clip : track.clips()) {
      TickRange r = clip.range();
      keep(result, clip.part(r.start(), Math.min(r.end(), range.start())));
      keep(result, clip.part(Math.max(r.start(), range.end()), r.end()));
      Clip inside = clip.part(Math.max(r.start(), range.start()), Math.min(r.end(), range.end()));
      for (Take take : takesOf(track, inside)) {
        keep(earlier, take);
      }
    }
    earlier.sort(Comparator.comparingInt(Take::number));
    int number = earlier.isEmpty() ? 1 : earlier.getLast().number() + 1;
    result.add(Clip.of(range, notes, new Takes(number, earlier)));
    result.sort(Comparator.comparingLong(c -> c.range().start()));
    return withControls(track.withClips(result), range, controls);
  }

  private static void keep(List<Clip> clips, Clip part) {
    if (part.range().length() > 0 && !part.isEmpty()) {
      clips.add(part);
    }
  }

  /** Keeps a take that has notes, under a number of its own where its number is given already. */
  private static void keep(List<Take> takes, Take take) {
    if (take.notes().isEmpty()) {
      return;
    }
    boolean given = takes.stream().anyMatch(t -> t.number() == take.number());
    int highest = takes.stream().mapToInt(Take::number).max().orElse(0);
    takes.add(given ? new Take(highest + 1, take.notes(), take.controls()) : take);
  }

  /** All versions of a clip, the one that is heard among them. */
  private static List<Take> takesOf(Track track, Clip clip) {
    List<Take> result = new ArrayList<>(clip.takes().others());
    List<ControlPoint> controls =
        track.controls().stream().filter(c -> clip.range().contains(c.tick())).toList();
    result.add(new Take(clip.takes().heard(), clip.notes(), controls));
    result.sort(Comparator.comparingInt(Take::number));
    return result;
  }

  private static Track withControls(Track track, TickRange range, List<ControlPoint> controls) {
    return SongEdits.added(SongEdits.cleared(track, range), controls);
  }

  /** Lets another take be heard. */
  public static Song choose(Song song, TrackId track, TickRange range, int number) {
    return change(
        song,
        track,
        range,
        (t, clip) -> {
          List<Take> others = takesOf(t, clip);
          Optional<Take> wanted = others.stream().filter(x -> x.number() == number).findFirst();
          others.removeIf(x -> x.number() == number);
          return wanted.map(w -> hearing(t, clip, w, others)).orElse(t);
        });
  }

  /** Takes the take that is heard away; the one before it is heard then. The last one stays. */
  public static Song remove(Song song, TrackId track, TickRange range) {
    return change(
        song,
        track,
        range,
        (t, clip) -> {
          List<Take> others = new ArrayList<>(clip.takes().others());
          if (others.isEmpty()) {
            return t;
          }
          Take heir =
              others.reversed().stream()
                  .filter(x -> x.number() < clip.takes().heard())
                  .findFirst()
                  .orElse(others.get(0));
          others.remove(heir);
          return hearing(t, clip, heir, others);
        });
  }

  private static Track hearing(Track track, Clip clip, Take wanted, List<Take> others) {
    Clip changed = new Clip(clip.range(), wanted.notes(), new Takes(wanted.number(), others));
    List<Clip> clips = track.clips().stream().map(c -> c == clip ? changed : c).toList();
    return withControls(track.withClips(clips), clip.range(), wanted.controls());
  }

  private static Song change(
      Song song, TrackId track, TickRange range, BiFunction<Track, Clip, Track> change) {
    return song.withTrack(
        track,
        t ->
            t.clips().stream()
                .filter(c -> c.range().equals(range))
                .findFirst()
                .map(c -> change.apply(t, c))
                .orElse(t));
  }
}
