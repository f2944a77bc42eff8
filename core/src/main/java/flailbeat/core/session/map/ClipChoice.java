package flailbeat.core.session.map;

import flailbeat.core.edit.Selection;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.time.MeterMap;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/** Which clips are meant: those that are selected or, on the map, the chosen one. */
public final class ClipChoice {
  private final Document document;
  private final Notices notices;
  private boolean onMap;

  public ClipChoice(Document document, Notices notices) {
    this.document = document;
    this.notices = notices;
  }

  /** Whether the large map is what is worked on: there commands for notes mean clips. */
  public boolean areMeant() {
    return onMap;
  }

  /**
   * Says whether the large map is what is worked on. On the bench no clips stay selected: what is
   * pressed there means notes.
   */
  public void setOnMap(boolean value) {
    onMap = value;
    Selection selected = document.selection();
    if (!value && !selected.clips().isEmpty()) {
      document.select(new Selection(selected.notes(), Set.of(), selected.controls()));
    }
  }

  /** The clips that commands work on; none where there is no clip on the chosen track either. */
  public Set<ClipId> meant() {
    Set<ClipId> selected = document.selection().clips();
    return !selected.isEmpty()
        ? selected
        : document.clip().map(c -> Set.of(c.id())).orElse(Set.of());
  }

  /** The same as clips, in order of track and time. */
  public List<Clip> clips() {
    Set<ClipId> ids = meant();
    return all(document.song(), c -> ids.contains(c.id()));
  }

  /** The one clip that is meant; empty for none or several. */
  public Optional<Clip> only() {
    List<Clip> clips = clips();
    return clips.size() == 1 ? Optional.of(clips.getFirst()) : Optional.empty();
  }

  private static List<Clip> all(Song song, Predicate<Clip> wanted) {
    return song.tracks().stream().flatMap(t -> t.clips().stream()).filter(wanted).toList();
  }

  /** Selects clips and no notes. */
  public void select(Collection<Clip> clips) {
    document.select(ids(clips));
  }

  private static Selection ids(Collection<Clip> clips) {
    return Selection.ofClips(new HashSet<>(clips.stream().map(Clip::id).toList()));
  }

  /** Selects every clip of the song. */
  public void selectAll() {
    select(all(document.song(), c -> true));
  }

  /** Selects every clip of the chosen track. */
  public void selectTrack() {
    select(document.track().clips());
  }

  /** Selects the clips of all tracks that begin at a tick or later. */
  public void selectFrom(long tick) {
    select(all(document.song(), c -> c.start() >= tick));
  }

  /** Selects all clips that share what is in one of those that are meant. */
  public void selectLinked() {
    Set<ClipId> meant = meant();
    Set<ClipId> result = new HashSet<>();
    for (Track track : document.song().tracks()) {
      for (Clip clip : track.clips()) {
        if (meant.contains(clip.id())) {
          track.links().all(clip).forEach(c -> result.add(c.id()));
        }
      }
    }
    document.select(Selection.ofClips(result));
  }

  /** Selects the clip after (1) or before (-1) on the chosen track; from none, the chosen one. */
  public void step(int by) {
    List<Clip> clips = document.track().clips();
    Optional<Clip> now = document.clip();
    if (now.isPresent()) {
      boolean selected = document.selection().clips().contains(now.get().id());
      int at = clips.indexOf(now.get()) + (selected ? by : 0);
      Clip next = clips.get(Math.clamp(at, 0, clips.size() - 1));
      document.chooseClip(next.id());
      select(List.of(next));
      notices.tell(words(next, clips.indexOf(next) + 1, clips.size()));
    }
  }

  /** Such as {@code Clip 2 of 4 on Lamps, bars 5 to 8, 34 notes}. */
  private String words(Clip clip, int number, int of) {
    MeterMap meters = document.song().meters();
    int first = meters.positionAt(clip.start()).bar();
    int last = meters.positionAt(clip.end() - 1).bar();
    return "Clip "
        + number
        + " of "
        + of
        + " on "
        + document.track().name()
        + (first == last ? ", bar " + first : ", bars " + first + " to " + last)
        + ", "
        + Notice.notes(clip.noteCount());
  }

  /** Selects those that came into the song since another was there, and chooses the first. */
  void selectAdded(Song before) {
    Set<ClipId> known = new HashSet<>();
    all(before, c -> true).forEach(c -> known.add(c.id()));
    List<Clip> added = all(document.song(), c -> !known.contains(c.id()));
    if (!added.isEmpty()) {
      select(added);
      document.chooseClip(added.getFirst().id());
    }
  }
}
