package flailbeat.core.format.project;

import flailbeat.core.format.project.PatchDto.ClipPatch;
import flailbeat.core.format.project.PatchDto.ContentPatch;
import flailbeat.core.format.project.PatchDto.TakePatch;
import flailbeat.core.format.project.PatchDto.TrackPatch;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Difference;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Track;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Finds what makes one song of another. What both share as objects is not looked at. */
final class PatchWriter {
  private final Song before;
  private Map<Long, Clip> clips;

  private PatchWriter(Song before) {
    this.before = before;
  }

  static PatchDto of(Song before, Song after) {
    boolean sameHead = before.timeline() == after.timeline() && before.file() == after.file();
    return new PatchDto(
        after.title().equals(before.title()) ? null : after.title(),
        after.nextId(),
        sameHead ? null : ProjectWriter.head(after),
        sameObjects(before.tracks(), after.tracks())
            ? null
            : new PatchWriter(before).tracks(after.tracks()));
  }

  private static <T> boolean sameObjects(List<T> some, List<T> others) {
    boolean same = some.size() == others.size();
    for (int i = 0; same && i < some.size(); i++) {
      same = some.get(i) == others.get(i);
    }
    return same;
  }

  private List<TrackPatch> tracks(List<Track> after) {
    return after.stream().map(this::patch).toList();
  }

  private TrackPatch patch(Track track) {
    Optional<Track> was = before.track(track.id());
    if (was.filter(w -> w == track).isPresent()) {
      return new TrackPatch(track.id().value(), null, null);
    }
    boolean sameClips = was.filter(w -> sameObjects(w.clips(), track.clips())).isPresent();
    return new TrackPatch(
        track.id().value(), ProjectWriter.bare(track), sameClips ? null : clips(track.clips()));
  }

  /** Of clips that share what is in them the first has it. */
  private List<ClipPatch> clips(List<Clip> after) {
    Set<Long> written = new HashSet<>();
    List<ClipPatch> result = new ArrayList<>(after.size());
    for (Clip clip : after) {
      boolean again = clip.traits().isLinked() && !written.add(clip.traits().link());
      result.add(patch(clip, !again));
    }
    return result;
  }

  private ClipPatch patch(Clip clip, boolean whole) {
    Clip was = was(clip.id().value());
    if (was == clip) {
      return new ClipPatch(clip.id().value(), null, null, null);
    }
    return new ClipPatch(
        clip.id().value(),
        ProjectWriter.bare(clip),
        whole ? content(was == null ? Content.NONE : was.content(), clip.content()) : null,
        whole && clip.takes().isChoice() ? takes(was, clip) : null);
  }

  private Clip was(long id) {
    if (clips == null) {
      clips = clipsOf(before);
    }
    return clips.get(id);
  }

  /** All clips of a song by their ids. */
  static Map<Long, Clip> clipsOf(Song song) {
    Map<Long, Clip> result = new HashMap<>();
    song.tracks().forEach(t -> t.clips().forEach(c -> result.put(c.id().value(), c)));
    return result;
  }

  private static List<TakePatch> takes(Clip was, Clip clip) {
    return clip.takes().others().stream()
        .map(
            take ->
                new TakePatch(
                    take.number(),
                    take(was, take.number()).filter(t -> t.content() == take.content()).isPresent()
                        ? null
                        : content(Content.NONE, take.content())))
        .toList();
  }

  static Optional<Take> take(Clip was, int number) {
    return was == null
        ? Optional.empty()
        : was.takes().others().stream().filter(t -> t.number() == number).findFirst();
  }

  /** An element that was changed comes in the place of the one that has its id. */
  private static ContentPatch content(Content was, Content is) {
    Difference<Note> notes = is.notes().since(was.notes());
    Difference<ControlPoint> controls = is.controls().since(was.controls());
    return new ContentPatch(
        gone(notes, controls),
        notes.come().isEmpty() ? null : notes.come().stream().map(ProjectWriter::toRow).toList(),
        controls.come().isEmpty()
            ? null
            : controls.come().stream().map(ProjectWriter::toRow).toList());
  }

  private static List<Long> gone(Difference<Note> notes, Difference<ControlPoint> controls) {
    Set<Long> come = new HashSet<>();
    notes.come().forEach(n -> come.add(n.idNumber()));
    controls.come().forEach(c -> come.add(c.idNumber()));
    List<Long> gone = new ArrayList<>();
    notes.gone().forEach(n -> gone.add(n.idNumber()));
    controls.gone().forEach(c -> gone.add(c.idNumber()));
    gone.removeIf(come::contains);
    return gone.isEmpty() ? null : gone;
  }
}
