package flailbeat.core.format.project;

import flailbeat.core.edit.Ids;
import flailbeat.core.format.project.PatchDto.ClipPatch;
import flailbeat.core.format.project.PatchDto.ContentPatch;
import flailbeat.core.format.project.PatchDto.TakePatch;
import flailbeat.core.format.project.PatchDto.TrackPatch;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Makes a song of an earlier one and what was changed in it. */
final class PatchReader {
  private final Song before;
  private final PatchDto patch;
  private final ClipReader clipReader;
  private final Map<Long, Clip> clips;

  PatchReader(Song before, PatchDto patch) {
    this.before = before;
    this.patch = patch;
    this.clipReader = new ClipReader(new Ids(patch.nextId()), true);
    this.clips = patch.tracks() == null ? Map.of() : PatchWriter.clipsOf(before);
  }

  /**
   * The song.
   *
   * @throws IllegalArgumentException for what cannot be
   */
  Song song() {
    List<Track> tracks =
        patch.tracks() == null
            ? before.tracks()
            : ProjectReader.read("track", patch.tracks(), this::track);
    ProjectReader head = patch.head() == null ? null : new ProjectReader(patch.head());
    return new Song(
        patch.title() == null ? before.title() : patch.title(),
        head == null ? before.timeline() : head.timeline(),
        tracks,
        head == null ? before.file() : head.file(),
        patch.nextId());
  }

  private Track track(TrackPatch t) {
    TrackId id = new TrackId(t.id());
    if (t.track() == null) {
      return was(id);
    }
    Track bare = ProjectReader.bare(t.track());
    return t.clips() == null ? bare.withClips(was(id).clips()) : bare.withClips(sharing(t.clips()));
  }

  private Track was(TrackId id) {
    return before
        .track(id)
        .orElseThrow(() -> new IllegalArgumentException("there was no track " + id.value()));
  }

  private List<Clip> sharing(List<ClipPatch> patches) {
    Map<Long, Clip> sources = new HashMap<>();
    List<Clip> result = new ArrayList<>(patches.size());
    for (ClipPatch each : patches) {
      Clip clip = clip(each);
      if (clip.traits().isLinked()) {
        Clip source = sources.putIfAbsent(clip.traits().link(), clip);
        if (source != null) {
          clip = clip.hearing(source.content(), source.takes());
        }
      }
      result.add(clip);
    }
    return result;
  }

  private Clip clip(ClipPatch p) {
    Clip was = clips.get(p.id());
    if (p.clip() == null) {
      if (was == null) {
        throw new IllegalArgumentException("there was no clip " + p.id());
      }
      return was;
    }
    Clip bare = clipReader.toClip(p.clip());
    if (p.content() == null) {
      return bare;
    }
    Content content = content(was == null ? Content.NONE : was.content(), p.content());
    List<Take> others =
        ProjectReader.orEmpty(p.takes()).stream().map(take -> take(was, take)).toList();
    Takes takes = p.clip().take() == null ? Takes.NONE : new Takes(p.clip().take(), others);
    return bare.hearing(content, takes);
  }

  private Take take(Clip was, TakePatch p) {
    return p.content() == null
        ? PatchWriter.take(was, p.number())
            .orElseThrow(() -> new IllegalArgumentException("there was no take " + p.number()))
        : new Take(p.number(), content(Content.NONE, p.content()));
  }

  private Content content(Content was, ContentPatch p) {
    List<Long> gone = ProjectReader.orEmpty(p.gone());
    Content left =
        gone.isEmpty()
            ? was
            : new Content(was.notes().withoutIds(gone), was.controls().withoutIds(gone));
    return left.with(
        ProjectReader.read("note", p.notes(), ClipReader::toNote),
        clipReader.toControls(p.controls()));
  }
}
