package flailbeat.core.edit;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** What can be done to takes. No edit here loses a note but {@link #remove}. */
public final class TakeEdits {
  private TakeEdits() {}

  /**
   * Adds a take, which is heard from now on. Clips are cut at the edges of the range; what lies
   * inside, controllers too, becomes a take of its own, unless it was one. What sets up the sound
   * of the part there comes along, and controllers hold after the range what they held before.
   *
   * @param range whole bars
   */
  public static Song record(
      Song song,
      TrackId track,
      Collection<NewNote> added,
      List<NewControl> controls,
      TickRange range) {
    return ClipEdits.onTrack(
        song,
        track,
        (t, ids) -> {
          List<Note> notes = NoteEdits.named(added, ids);
          List<NewControl> all = new ArrayList<>(controls);
          Track open = ClipEdits.writtenOutWhole(t, range, ids);
          Recorded recorded = new Recorded(range, ids);
          open.clips().forEach(recorded::cut);
          Track cut = t.withClips(recorded.clips());
          all.addAll(soundOf(open, range));
          all.addAll(HeldControls.around(open, cut, range, Controller::isPerformed, controls));
          return new Placing(cut, song.meters(), ids)
              .record(notes, SongEdits.named(all, ids), range)
              .track();
        });
  }

  /** What sets up the sound of a part in a stretch holds for every take of it. */
  private static List<NewControl> soundOf(Track track, TickRange range) {
    return track.tangibleControls(range).stream()
        .filter(p -> !SongEdits.isPerformed(p.control()))
        .map(p -> new NewControl(p.tick(), p.control()))
        .toList();
  }

  /** The clips of a track on their way, with a hole for a take. */
  private static final class Recorded {
    private final TickRange range;
    private final Ids ids;
    private final List<Clip> around = new ArrayList<>();
    private final List<Take> earlier = new ArrayList<>();
    private Optional<ClipId> covered = Optional.empty();

    Recorded(TickRange range, Ids ids) {
      this.range = range;
      this.ids = ids;
    }

    void cut(Clip clip) {
      if (!clip.range().overlaps(range)) {
        around.add(clip);
        return;
      }
      Clip before = clip.part(clip.start(), Math.max(clip.start(), range.start()));
      Clip after = clip.part(Math.min(clip.end(), range.end()), clip.end());
      Clip inside =
          clip.part(Math.max(clip.start(), range.start()), Math.min(clip.end(), range.end()));
      boolean keepsId = keep(before);
      keep(keepsId ? after.withId(ids.clip()) : after);
      if (before.length() == 0 && after.length() == 0) {
        covered = covered.or(() -> Optional.of(clip.id()));
      }
      for (Take take : versions(inside)) {
        keep(new Take(take.number(), take.content().shifted(inside.start() - range.start())));
      }
    }

    private boolean keep(Clip part) {
      boolean kept = part.length() > 0 && !part.isEmpty();
      if (kept) {
        around.add(part);
      }
      return kept;
    }

    /** Keeps a take that holds anything, under another number where its number is given already. */
    private void keep(Take take) {
      if (take.content().isEmpty()) {
        return;
      }
      boolean given = earlier.stream().anyMatch(t -> t.number() == take.number());
      int highest = earlier.stream().mapToInt(Take::number).max().orElse(0);
      earlier.add(given ? new Take(highest + 1, take.content()) : take);
    }

    List<Clip> clips() {
      earlier.sort(Comparator.comparingInt(Take::number));
      int number = earlier.isEmpty() ? 1 : earlier.getLast().number() + 1;
      List<Clip> result = new ArrayList<>(around);
      result.add(
          new Clip(
              covered.orElseGet(ids::clip),
              range.start(),
              range.length(),
              Clip.NEVER,
              Content.NONE,
              new Takes(number, earlier)));
      result.sort(Comparator.comparingLong(Clip::start));
      return result;
    }
  }

  /** All versions of a clip, the one that is heard among them. */
  private static List<Take> versions(Clip clip) {
    List<Take> result = new ArrayList<>(clip.takes().others());
    result.add(new Take(clip.takes().active(), clip.content()));
    result.sort(Comparator.comparingInt(Take::number));
    return result;
  }

  /** Lets another take be heard. The clip keeps its length. */
  public static Song choose(Song song, TrackId track, ClipId id, int number) {
    return change(
        song,
        track,
        id,
        clip -> {
          List<Take> others = versions(clip);
          Optional<Take> wanted = others.stream().filter(t -> t.number() == number).findFirst();
          others.removeIf(t -> t.number() == number);
          return wanted.map(w -> hearing(clip, w, others)).orElse(clip);
        });
  }

  /** Takes the active take away; the one before it is heard then. The last one stays. */
  public static Song remove(Song song, TrackId track, ClipId id) {
    return change(
        song,
        track,
        id,
        clip -> {
          List<Take> others = new ArrayList<>(clip.takes().others());
          if (others.isEmpty()) {
            return clip;
          }
          Take heir =
              others.reversed().stream()
                  .filter(t -> t.number() < clip.takes().active())
                  .findFirst()
                  .orElse(others.get(0));
          others.remove(heir);
          return hearing(clip, heir, others);
        });
  }

  private static Clip hearing(Clip clip, Take wanted, List<Take> others) {
    return clip.hearing(wanted.content(), new Takes(wanted.number(), others));
  }

  private static Song change(Song song, TrackId track, ClipId id, UnaryOperator<Clip> change) {
    return song.withTrack(track, t -> t.withClip(id, change));
  }
}
