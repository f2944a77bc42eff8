package flailbeat.core.format.project;

import flailbeat.core.edit.ClipEdits;
import flailbeat.core.format.project.ProjectDto.CarriedDto;
import flailbeat.core.format.project.ProjectDto.ClipDto;
import flailbeat.core.format.project.ProjectDto.MeterDto;
import flailbeat.core.format.project.ProjectDto.TakeDto;
import flailbeat.core.format.project.ProjectDto.TempoDto;
import flailbeat.core.format.project.ProjectDto.TrackDto;
import flailbeat.core.model.CarriedEvent;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.FileTraits;
import flailbeat.core.model.Instrument;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Payload;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;

/** Between a song and the records that are written. */
final class ProjectMapping {
  private static final int NOTE_FIELDS = 7;
  private static final int CONTROL_FIELDS = 4;

  /** More than any song has, and fewer than a MIDI file's header can count. */
  private static final int MOST_TRACKS = 10_000;

  private ProjectMapping() {}

  static ProjectDto toDto(Song song) {
    return new ProjectDto(
        ProjectFile.FORMAT,
        ProjectFile.VERSION,
        song.title(),
        song.resolution(),
        song.nextId(),
        map(song.tempos().changes(), c -> new TempoDto(c.tick(), c.tempo().microsPerQuarter())),
        map(song.meters().changes(), ProjectMapping::toDto),
        map(song.tracks(), ProjectMapping::toDto),
        map(song.carried(), ProjectMapping::toDto));
  }

  private static MeterDto toDto(MeterMap.Change c) {
    boolean usual = c.equals(new MeterMap.Change(c.tick(), c.meter()));
    return new MeterDto(
        c.tick(),
        c.meter().beats(),
        c.meter().unit(),
        usual ? null : c.clocks(),
        usual ? null : c.thirtySeconds());
  }

  private static MeterMap.Change toMeter(MeterDto c) {
    MeterMap.Change usual = new MeterMap.Change(c.tick(), new Meter(c.beats(), c.unit()));
    return c.clocks() == null || c.thirtySeconds() == null
        ? usual
        : new MeterMap.Change(c.tick(), usual.meter(), c.clocks(), c.thirtySeconds());
  }

  private static TrackDto toDto(Track t) {
    return new TrackDto(
        t.id().value(),
        t.name(),
        t.instrument().program(),
        t.instrument().kit(),
        t.channel(),
        t.armed(),
        t.muted(),
        t.solo(),
        map(t.clips(), ProjectMapping::toDto),
        map(t.controls(), ProjectMapping::toRow),
        map(t.carried(), ProjectMapping::toDto),
        t.traits().statesProgram(),
        t.traits().endTick());
  }

  private static ClipDto toDto(Clip c) {
    boolean choice = c.takes().isChoice();
    return new ClipDto(
        c.range().start(),
        c.range().end(),
        map(c.notes(), ProjectMapping::toRow),
        choice ? c.takes().heard() : null,
        choice ? map(c.takes().others(), ProjectMapping::toDto) : null);
  }

  private static TakeDto toDto(Take t) {
    return new TakeDto(
        t.number(),
        map(t.notes(), ProjectMapping::toRow),
        map(t.controls(), ProjectMapping::toRow));
  }

  private static long[] toRow(ControlPoint p) {
    return new long[] {p.tick(), p.kind().status(), p.number(), p.value()};
  }

  private static long[] toRow(Note n) {
    long[] row = {
      n.id().value(),
      n.pitch(),
      n.velocity(),
      n.onset(),
      n.length(),
      n.played().onset(),
      n.played().release(),
      n.releaseVelocity()
    };
    return n.releaseVelocity() == Note.RELEASE ? Arrays.copyOf(row, NOTE_FIELDS) : row;
  }

  private static CarriedDto toDto(CarriedEvent e) {
    return new CarriedDto(e.tick(), e.status(), e.type(), e.payload().hex());
  }

  static Song toSong(ProjectDto dto) {
    if (require(dto.tracks(), "tracks").size() > MOST_TRACKS) {
      throw new IllegalArgumentException(
          dto.tracks().size() + " tracks, where " + MOST_TRACKS + " are the most");
    }
    List<Track> tracks = read("track", dto.tracks(), ProjectMapping::toTrack);
    if (tracks.isEmpty()) {
      throw new IllegalArgumentException("no track");
    }
    return new Song(
        dto.title() == null ? "Untitled" : dto.title(),
        TempoMap.of(
            read(
                "tempo",
                require(dto.tempos(), "tempos"),
                c -> new TempoMap.Change(c.tick(), new Tempo(c.microsPerQuarter())))),
        MeterMap.of(read("meter", require(dto.meters(), "meters"), ProjectMapping::toMeter)),
        tracks,
        read("carried event", dto.carried(), ProjectMapping::toCarried),
        dto.resolution(),
        Math.max(dto.nextId(), nextId(tracks)));
  }

  /** What had to be put in order for a song to be made of it. */
  static List<String> mended(ProjectDto dto, Song song) {
    long before = dto.tracks().stream().mapToLong(t -> orEmpty(t.clips()).size()).sum();
    long after = song.tracks().stream().mapToLong(t -> t.clips().size()).sum();
    return before == after
        ? List.of()
        : List.of("clips that overlapped were joined: " + before + " became " + after);
  }

  /** One more than every number in use; a number used twice is damage. */
  private static long nextId(List<Track> tracks) {
    Set<Long> seen = new HashSet<>();
    Stream<Long> trackIds = tracks.stream().map(t -> t.id().value());
    Stream<Long> noteIds =
        tracks.stream()
            .flatMap(t -> t.clips().stream())
            .flatMap(ProjectMapping::allNotes)
            .map(n -> n.id().value());
    Stream.concat(trackIds, noteIds)
        .forEach(
            id -> {
              if (!seen.add(id)) {
                throw new IllegalArgumentException("the number " + id + " is given twice");
              }
            });
    return Math.addExact(seen.stream().mapToLong(Long::longValue).max().orElse(0), 1);
  }

  private static Stream<Note> allNotes(Clip clip) {
    return Stream.concat(
        clip.notes().stream(), clip.takes().others().stream().flatMap(t -> t.notes().stream()));
  }

  private static Track toTrack(TrackDto t) {
    return new Track(
        new TrackId(t.id()),
        t.name() == null ? "" : t.name(),
        new Instrument(t.program(), t.kit()),
        t.channel(),
        t.armed(),
        t.muted(),
        t.solo(),
        ClipEdits.apart(read("clip", t.clips(), ProjectMapping::toClip)),
        inOrder(read("control point", t.controls(), ProjectMapping::toControl)),
        read("carried event", t.carried(), ProjectMapping::toCarried),
        new FileTraits(t.statesProgram(), t.endTick()));
  }

  private static List<ControlPoint> inOrder(List<ControlPoint> points) {
    return points.stream().sorted(Comparator.comparingLong(ControlPoint::tick)).toList();
  }

  private static Clip toClip(ClipDto c) {
    List<Take> others = read("take", c.otherTakes(), ProjectMapping::toTake);
    Takes takes = c.take() == null ? Takes.NONE : new Takes(c.take(), others);
    return new Clip(new TickRange(c.start(), c.end()), toNotes(c.notes()), takes);
  }

  private static Take toTake(TakeDto t) {
    return new Take(
        t.number(),
        toNotes(t.notes()),
        inOrder(read("control point", t.controls(), ProjectMapping::toControl)));
  }

  private static List<Note> toNotes(List<long[]> rows) {
    return read("note", rows, ProjectMapping::toNote).stream().sorted(Note.ORDER).toList();
  }

  private static Note toNote(long[] row) {
    boolean released = row != null && row.length == NOTE_FIELDS + 1;
    requireFields(row, released ? NOTE_FIELDS + 1 : NOTE_FIELDS, "note");
    return new Note(
        new NoteId(row[0]),
        Math.toIntExact(row[1]),
        Math.toIntExact(row[2]),
        row[3],
        row[4],
        new Played(row[5], row[6]),
        released ? Math.toIntExact(row[NOTE_FIELDS]) : Note.RELEASE);
  }

  private static ControlPoint toControl(long[] row) {
    requireFields(row, CONTROL_FIELDS, "control point");
    for (ControlPoint.Kind kind : ControlPoint.Kind.values()) {
      if (kind.status() == row[1]) {
        return new ControlPoint(row[0], kind, Math.toIntExact(row[2]), Math.toIntExact(row[3]));
      }
    }
    throw new IllegalArgumentException("a control point of kind " + row[1]);
  }

  private static CarriedEvent toCarried(CarriedDto e) {
    return new CarriedEvent(
        e.tick(), e.status(), e.type(), Payload.ofHex(require(e.hex(), "bytes")));
  }

  private static void requireFields(long[] row, int count, String what) {
    if (row == null || row.length != count) {
      throw new IllegalArgumentException("a " + what + " that has not " + count + " numbers");
    }
  }

  private static <T> T require(T value, String what) {
    if (value == null) {
      throw new IllegalArgumentException("there are no " + what);
    }
    return value;
  }

  private static <T> List<T> orEmpty(List<T> list) {
    return list == null ? List.of() : list;
  }

  private static <A, B> List<B> map(List<A> list, Function<A, B> function) {
    return list.stream().map(function).toList();
  }

  /** Reads each of a list; what is wrong with one is told with its place. */
  private static <A, B> List<B> read(String what, List<A> list, Function<A, B> function) {
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
