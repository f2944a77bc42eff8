package flailbeat.core.edit.tracks;

import flailbeat.core.edit.ClipEdits;
import flailbeat.core.edit.Ids;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipTraits;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.FileTraits;
import flailbeat.core.model.carried.TrackFromFile;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.track.Switches;
import flailbeat.core.model.track.TrackTraits;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * What can be done to whole tracks. Those of one group always stand side by side: a track that
 * comes to stand between two of a group is of it, one that comes away from the others of its group
 * is of none, and one that is left alone is of none either.
 */
public final class TrackEdits {
  /** The longest name that is taken; a file may bring longer ones. */
  public static final int LONGEST_NAME = 300;

  private TrackEdits() {}

  /** Calls a track something; what is longer than {@value #LONGEST_NAME} letters is cut. */
  public static Song rename(Song song, TrackId id, String name) {
    String cut = name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) : name;
    return song.withTrack(id, t -> t.name().equals(cut) ? t : t.withName(cut));
  }

  /** Changes how a track is shown. */
  public static Song personal(Song song, TrackId id, UnaryOperator<TrackTraits> change) {
    return song.withTrack(
        id,
        t -> {
          TrackTraits changed = change.apply(t.personal());
          return changed.equals(t.personal()) ? t : t.withPersonal(changed);
        });
  }

  /**
   * Moves a track to another place among the others.
   *
   * @param to which of the tracks it will be, from 0; held within the song
   */
  public static Song move(Song song, TrackId id, int to) {
    int from = song.indexOf(id);
    int place = Math.clamp(to, 0, song.tracks().size() - 1);
    if (from < 0 || from == place) {
      return song;
    }
    List<Track> tracks = withColors(song);
    Track track = tracks.remove(from);
    String group = track.personal().group();
    String before = place > 0 ? tracks.get(place - 1).personal().group() : "";
    String after = place < tracks.size() ? tracks.get(place).personal().group() : "";
    boolean between = !before.isEmpty() && before.equals(after);
    boolean among = !group.isEmpty() && (group.equals(before) || group.equals(after));
    if (between) {
      boolean folded = tracks.get(place).personal().folded();
      track = track.withPersonal(track.personal().withGroup(before, folded));
    } else if (!among) {
      track = track.withPersonal(track.personal().withGroup("", false));
    }
    tracks.add(place, track);
    return song.withTracks(withoutLonely(tracks));
  }

  /**
   * Makes a track of one group with the one before it; where that is of none, it begins one that is
   * called as it is. The first track of a song stays as it is.
   */
  public static Song groupWithBefore(Song song, TrackId id) {
    int at = song.indexOf(id);
    if (at < 1) {
      return song;
    }
    List<Track> tracks = new ArrayList<>(song.tracks());
    Track before = tracks.get(at - 1);
    Track track = tracks.get(at);
    TrackTraits its = before.personal();
    if (its.isGrouped() && its.group().equals(track.personal().group())) {
      return song;
    }
    String left = track.personal().group();
    String group = its.isGrouped() ? its.group() : freeGroup(song, before.name());
    for (int i = at; i < tracks.size(); i++) {
      Track each = tracks.get(i);
      boolean along = i == at || !left.isEmpty() && each.personal().group().equals(left);
      if (along) {
        tracks.set(i, each.withPersonal(each.personal().withGroup(group, its.folded())));
      }
    }
    tracks.set(at - 1, before.withPersonal(its.withGroup(group, its.folded())));
    return song.withTracks(withoutLonely(tracks));
  }

  /** Takes a track out of its group, to stand behind it. */
  public static Song ungroup(Song song, TrackId id) {
    int at = song.indexOf(id);
    if (at < 0 || !song.tracks().get(at).personal().isGrouped()) {
      return song;
    }
    List<Track> tracks = withColors(song);
    Track track = tracks.remove(at);
    String group = track.personal().group();
    int behind = at;
    while (behind < tracks.size() && tracks.get(behind).personal().group().equals(group)) {
      behind++;
    }
    tracks.add(behind, track.withPersonal(track.personal().withGroup("", false)));
    return song.withTracks(withoutLonely(tracks));
  }

  /** Shows a group as one, or its tracks apart. */
  public static Song fold(Song song, String group, boolean folded) {
    return song.mapTracks(
        t ->
            t.personal().group().equals(group) && t.personal().folded() != folded
                ? t.withPersonal(t.personal().withGroup(group, folded))
                : t);
  }

  /** Calls a group something else; nothing for a name that is empty, or another group's. */
  public static Song renameGroup(Song song, String group, String name) {
    String cut = name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) : name;
    boolean taken = song.tracks().stream().anyMatch(t -> t.personal().group().equals(cut));
    return cut.isEmpty() || taken
        ? song
        : song.mapTracks(
            t ->
                t.personal().group().equals(group)
                    ? t.withPersonal(t.personal().withGroup(cut, t.personal().folded()))
                    : t);
  }

  /** The tracks of a group, in order. */
  public static List<Track> group(Song song, String group) {
    return song.tracks().stream().filter(t -> t.personal().group().equals(group)).toList();
  }

  /** Whether a track is hidden, since its group is shown as one: all of it but its first. */
  public static boolean isHidden(Song song, Track track) {
    return track.personal().folded()
        && !group(song, track.personal().group()).getFirst().id().equals(track.id());
  }

  private static String freeGroup(Song song, String wanted) {
    String base = wanted.isEmpty() ? "Group" : cut(wanted);
    String name = base;
    for (int n = 2; !group(song, name).isEmpty(); n++) {
      name = base + " " + n;
    }
    return name;
  }

  private static String cut(String name) {
    int most = TrackTraits.LONGEST_GROUP - 8;
    return name.length() > most ? name.substring(0, most) : name;
  }

  /** A group of one is none. */
  private static List<Track> withoutLonely(List<Track> tracks) {
    Map<String, Integer> sizes = new HashMap<>();
    tracks.forEach(t -> sizes.merge(t.personal().group(), 1, Integer::sum));
    return tracks.stream()
        .map(
            t ->
                t.personal().isGrouped() && sizes.get(t.personal().group()) == 1
                    ? t.withPersonal(t.personal().withGroup("", false))
                    : t)
        .toList();
  }

  /** Takes a track away; the last one of a song stays. */
  public static Song remove(Song song, TrackId id) {
    if (song.tracks().size() < 2) {
      return song;
    }
    return song.withTracks(
        withoutLonely(withColors(song).stream().filter(t -> !t.id().equals(id)).toList()));
  }

  /**
   * Puts another track of the same sound behind a track.
   *
   * @param withClips whether it gets the clips too; copies, which are linked among one another as
   *     theirs are and to none of theirs
   */
  public static Song duplicate(Song song, TrackId id, boolean withClips) {
    int at = song.indexOf(id);
    if (at < 0) {
      return song;
    }
    Ids ids = new Ids(song.nextId());
    Track track = song.tracks().get(at);
    boolean kit = track.instrument().kit();
    Track copy =
        new Track(
            ids.track(),
            freeName(song, track.name()),
            track.sound().with(track.instrument(), song.freeChannel(kit)),
            new Switches(false, track.muted(), track.solo()),
            withClips ? copies(track, ids) : List.of(),
            withClips
                ? new TrackFromFile(List.of(), new FileTraits(track.traits().statesProgram(), 0))
                : TrackFromFile.NONE,
            track.roll(),
            track.personal().withColor(color(song, track)));
    List<Track> tracks = withColors(song);
    tracks.add(at + 1, copy);
    return ids.recordedIn(song.withTracks(tracks));
  }

  static List<Clip> copies(Track track, Ids ids) {
    Map<Long, Clip> leaders = new HashMap<>();
    List<Clip> result = new ArrayList<>();
    for (Clip clip : track.clips()) {
      long link = clip.traits().link();
      Clip leader = leaders.get(link);
      Clip copy = clip.withId(ids.clip());
      if (link == ClipTraits.UNLINKED) {
        result.add(ClipEdits.withNewIds(copy, ids));
      } else if (leader == null) {
        Clip own = ClipEdits.withNewIds(copy, ids);
        Clip first = own.withTraits(own.traits().withLink(copy.id().value()));
        leaders.put(link, first);
        result.add(first);
      } else {
        result.add(
            copy.hearing(leader.content(), leader.takes())
                .withTraits(copy.traits().withLink(leader.traits().link())));
      }
    }
    return result;
  }

  /** The name with the first number behind it that no track has yet. */
  static String freeName(Song song, String name) {
    String base = name.replaceFirst(" \\d+$", "");
    int n = 2;
    while (SongEdits.hasName(song, base + " " + n)) {
      n++;
    }
    return base + " " + n;
  }

  /** The colour of a track, 0 to {@link TrackTraits#COLORS} less one: its own, or its place's. */
  public static int color(Song song, Track track) {
    int own = track.personal().color();
    return own == TrackTraits.BY_PLACE
        ? Math.max(0, song.indexOf(track.id())) % TrackTraits.COLORS
        : own;
  }

  /** Tracks keep their colours though others come, go or change places. */
  private static List<Track> withColors(Song song) {
    List<Track> result = new ArrayList<>();
    for (Track track : song.tracks()) {
      result.add(track.withPersonal(track.personal().withColor(color(song, track))));
    }
    return result;
  }
}
