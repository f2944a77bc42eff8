package flailbeat.core.format.project;

import flailbeat.core.edit.ClipEdits;
import flailbeat.core.edit.Ids;
import flailbeat.core.format.project.ProjectDto.CarriedDto;
import flailbeat.core.format.project.ProjectDto.ClipDto;
import flailbeat.core.format.project.ProjectDto.FileTrackDto;
import flailbeat.core.format.project.ProjectDto.MeterDto;
import flailbeat.core.format.project.ProjectDto.OriginDto;
import flailbeat.core.format.project.ProjectDto.TakeDto;
import flailbeat.core.format.project.ProjectDto.TrackDto;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FileTraits;
import flailbeat.core.model.carried.FromFile;
import flailbeat.core.model.carried.MidiOrigin;
import flailbeat.core.model.carried.Payload;
import flailbeat.core.model.carried.TickOrders;
import flailbeat.core.model.carried.TrackFromFile;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.track.Switches;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Section;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.Timeline;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * Makes a song of the records that were read, of this version or an earlier one. Before version 3
 * everything counted from the song's start, controllers belonged to tracks, and clips had no ids.
 */
final class ProjectReader {
  /** The first version in which clips have a time of their own. */
  private static final int OWN_TIME = 3;

  /** More than any song has, and fewer than a MIDI file's header can count. */
  private static final int MOST_TRACKS = 10_000;

  private final ProjectDto dto;
  private final boolean ownTime;
  private final Ids ids;
  private final ClipReader clipReader;
  private int outside;
  private int added;

  ProjectReader(ProjectDto dto) {
    this.dto = dto;
    this.ownTime = dto.version() >= OWN_TIME;
    this.ids = new Ids(Math.max(dto.nextId(), Math.addExact(highestId(dto), 1)));
    this.clipReader = new ClipReader(ids, ownTime);
  }

  /**
   * The song.
   *
   * @throws IllegalArgumentException for what cannot be, with its place
   * @throws ArithmeticException for a number that is too large
   */
  Song song() {
    if (require(dto.tracks(), "tracks").size() > MOST_TRACKS) {
      throw new IllegalArgumentException(
          dto.tracks().size() + " tracks, where " + MOST_TRACKS + " are the most");
    }
    MeterMap meters = MeterMap.of(read("meter", dto.meters(), ProjectReader::toMeter));
    List<Track> tracks = read("track", dto.tracks(), t -> toTrack(t, meters));
    if (tracks.isEmpty()) {
      throw new IllegalArgumentException("no track");
    }
    require(dto.meters(), "meters");
    requireEachOnce(tracks);
    return new Song(
        dto.title() == null ? "Untitled" : dto.title(), timeline(), tracks, file(), ids.next());
  }

  /** What all of the song goes by over time. */
  Timeline timeline() {
    return new Timeline(
        TempoMap.of(
            read(
                "tempo",
                require(dto.tempos(), "tempos"),
                c -> new TempoMap.Change(c.tick(), new Tempo(c.microsPerQuarter())))),
        MeterMap.of(read("meter", dto.meters(), ProjectReader::toMeter)),
        read(
            "section",
            dto.sections(),
            s -> new Section(s.tick(), s.name() == null ? "" : s.name())));
  }

  /** What the file that it came from said besides. */
  FromFile file() {
    return new FromFile(
        read("carried event", dto.carried(), ProjectReader::toCarried),
        dto.resolution(),
        toOrigin(dto.origin()));
  }

  /** What had to be put in order for the song to be made. */
  List<String> remarks(Song song) {
    List<String> result = new ArrayList<>();
    long before = dto.tracks().stream().mapToLong(t -> orEmpty(t.clips()).size()).sum();
    long after = song.tracks().stream().mapToLong(t -> t.clips().size()).sum() - added;
    if (before != after) {
      result.add("clips that overlapped were joined: " + before + " became " + after);
    }
    if (clipReader.grown() > 0) {
      result.add(
          counted(clipReader.grown(), "clip was", "clips were")
              + " made longer to hold what is in them");
    }
    if (outside > 0) {
      result.add(
          counted(outside, "controller value", "controller values")
              + " outside all clips went to the nearest");
    }
    return result;
  }

  private static String counted(int n, String one, String many) {
    return n + " " + (n == 1 ? one : many);
  }

  /** An id that is used twice is damage. */
  private static void requireEachOnce(List<Track> tracks) {
    Set<Long> seen = new HashSet<>();
    for (Track track : tracks) {
      requireNew(track.id().value(), seen);
      track.clips().forEach(c -> requireNew(c.id().value(), seen));
      for (Clip clip : track.leaders()) {
        requireNew(clip.content(), seen);
        clip.takes().others().forEach(t -> requireNew(t.content(), seen));
      }
    }
  }

  private static void requireNew(Content content, Set<Long> seen) {
    content.notes().forEach(n -> requireNew(n.idNumber(), seen));
    content.controls().forEach(c -> requireNew(c.idNumber(), seen));
  }

  private static void requireNew(long id, Set<Long> seen) {
    if (!seen.add(id)) {
      throw new IllegalArgumentException("the number " + id + " is given twice");
    }
  }

  private long highestId(ProjectDto project) {
    long highest = 0;
    for (TrackDto track : orEmpty(project.tracks())) {
      highest = track == null ? highest : Math.max(highest, highestId(track));
    }
    return highest;
  }

  private long highestId(TrackDto track) {
    long highest = track.id();
    for (ClipDto clip : orEmpty(track.clips())) {
      if (clip != null) {
        highest = Math.max(highest, clip.id() == null ? 0 : clip.id());
        highest = Math.max(highest, clip.link());
        highest = Math.max(highest, highestId(clip.notes(), clip.controls()));
        for (TakeDto take : orEmpty(clip.otherTakes())) {
          highest = Math.max(highest, take == null ? 0 : highestId(take.notes(), take.controls()));
        }
      }
    }
    return highest;
  }

  private long highestId(List<long[]> notes, List<long[]> controls) {
    long note = orEmpty(notes).stream().mapToLong(ProjectReader::first).max().orElse(0);
    long point = orEmpty(controls).stream().mapToLong(ProjectReader::first).max().orElse(0);
    return ownTime ? Math.max(note, point) : note;
  }

  static long first(long[] row) {
    return row == null || row.length == 0 ? 0 : row[0];
  }

  private static MeterMap.Change toMeter(MeterDto c) {
    MeterMap.Change usual = new MeterMap.Change(c.tick(), new Meter(c.beats(), c.unit()));
    return c.clocks() == null || c.thirtySeconds() == null
        ? usual
        : new MeterMap.Change(c.tick(), usual.meter(), c.clocks(), c.thirtySeconds());
  }

  private Track toTrack(TrackDto t, MeterMap meters) {
    Track track = bare(t).withClips(ClipEdits.withoutOverlaps(clipReader.sharing(t), ids));
    return ownTime ? track : withControls(track, t, meters);
  }

  /** What is set for a track, without its clips. */
  static Track bare(TrackDto t) {
    return new Track(
        new TrackId(t.id()),
        t.name() == null ? "" : t.name(),
        TrackReader.sound(t),
        new Switches(t.armed(), t.muted(), t.solo()),
        List.of(),
        new TrackFromFile(
            read("carried event", t.carried(), ProjectReader::toCarried),
            new FileTraits(t.statesProgram(), t.endTick())),
        TrackReader.roll(t),
        TrackReader.personal(t));
  }

  /** Before version 3 controllers belonged to the track. */
  private Track withControls(Track track, TrackDto t, MeterMap meters) {
    List<ControlPoint> points = clipReader.toControls(t.controls());
    outside +=
        (int)
            points.stream()
                .filter(p -> track.clips().stream().noneMatch(c -> c.contains(p.tick())))
                .count();
    Track result = ClipEdits.withControls(track, points, meters, ids);
    added += result.clips().size() - track.clips().size();
    return result;
  }

  private static CarriedEvent toCarried(CarriedDto e) {
    return new CarriedEvent(
        e.tick(), e.status(), e.type(), Payload.ofHex(require(e.hex(), "bytes")), e.fileTrack());
  }

  private static MidiOrigin toOrigin(OriginDto origin) {
    return origin == null
        ? MidiOrigin.NONE
        : new MidiOrigin(
            origin.type(),
            origin.saysTempo(),
            origin.saysMeter(),
            read("track of the MIDI file", origin.tracks(), ProjectReader::toFileTrack),
            TickOrders.ofWords(orEmpty(origin.orders())));
  }

  private static MidiOrigin.FileTrack toFileTrack(FileTrackDto t) {
    return new MidiOrigin.FileTrack(
        Optional.ofNullable(t.name()).map(ProjectReader::toCarried),
        t.shown() == null ? "" : t.shown(),
        read("part", t.parts(), TrackId::new),
        t.endTick());
  }

  static void requireFields(long[] row, int count, String what) {
    if (row.length != count) {
      throw new IllegalArgumentException("a " + what + " that has not " + count + " numbers");
    }
  }

  static <T> T require(T value, String what) {
    if (value == null) {
      throw new IllegalArgumentException("there are no " + what);
    }
    return value;
  }

  static <T> List<T> orEmpty(List<T> list) {
    return list == null ? List.of() : list;
  }

  /** Reads each of a list; what is wrong with one is told with its place. */
  static <A, B> List<B> read(String what, List<A> list, Function<A, B> function) {
    List<B> result = new ArrayList<>();
    for (A element : orEmpty(list)) {
      try {
        result.add(function.apply(require(element, "entries")));
      } catch (IllegalArgumentException | ArithmeticException e) {
        throw new IllegalArgumentException(
            what + " " + (result.size() + 1) + ": " + e.getMessage(), e);
      }
    }
    return result;
  }
}
