package flailbeat.core.format.project;

import flailbeat.core.format.project.ProjectDto.CarriedDto;
import flailbeat.core.format.project.ProjectDto.ClipDto;
import flailbeat.core.format.project.ProjectDto.FileTrackDto;
import flailbeat.core.format.project.ProjectDto.HandsDto;
import flailbeat.core.format.project.ProjectDto.MeterDto;
import flailbeat.core.format.project.ProjectDto.NewNotesDto;
import flailbeat.core.format.project.ProjectDto.OriginDto;
import flailbeat.core.format.project.ProjectDto.OwnDto;
import flailbeat.core.format.project.ProjectDto.RowsDto;
import flailbeat.core.format.project.ProjectDto.TakeDto;
import flailbeat.core.format.project.ProjectDto.TempoDto;
import flailbeat.core.format.project.ProjectDto.TrackDto;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipTraits;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.MidiOrigin;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.roll.PitchRows;
import flailbeat.core.model.sound.OwnPreset;
import flailbeat.core.model.track.HandTraits;
import flailbeat.core.model.track.TrackTraits;
import flailbeat.core.time.MeterMap;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/** Turns a song into the records that are written. */
final class ProjectWriter {
  /** Ends the row of a note that was put rather than played. */
  private static final int PUT = 1;

  private static final int WITHOUT_RELEASE = 7;

  private ProjectWriter() {}

  static ProjectDto toDto(Song song) {
    return toDto(song, map(song.tracks(), ProjectWriter::toDto));
  }

  /** What stands in a song beside its tracks. */
  static ProjectDto head(Song song) {
    return toDto(song, null);
  }

  /** What is set for a track, without its clips. */
  static TrackDto bare(Track track) {
    return toDto(track, null);
  }

  /** Where a clip lies and its traits, with nothing in it but the number of its active take. */
  static ClipDto bare(Clip c) {
    return toDto(c, false, c.takes().equals(Takes.NONE) ? null : c.takes().active());
  }

  private static ProjectDto toDto(Song song, List<TrackDto> tracks) {
    return new ProjectDto(
        ProjectFile.FORMAT,
        ProjectFile.VERSION,
        song.title(),
        song.resolution(),
        song.nextId(),
        map(song.tempos().changes(), c -> new TempoDto(c.tick(), c.tempo().microsPerQuarter())),
        map(song.meters().changes(), ProjectWriter::toDto),
        tracks,
        map(song.carried(), ProjectWriter::toDto),
        song.sections().isEmpty()
            ? null
            : map(song.sections(), each -> new ProjectDto.SectionDto(each.tick(), each.name())),
        song.origin().isNone() ? null : toDto(song.origin()));
  }

  private static OriginDto toDto(MidiOrigin origin) {
    return new OriginDto(
        origin.type(),
        origin.saysTempo(),
        origin.saysMeter(),
        map(
            origin.tracks(),
            t ->
                new FileTrackDto(
                    t.name().map(ProjectWriter::toDto).orElse(null),
                    t.shown(),
                    map(t.parts(), TrackId::value),
                    t.endTick())),
        List.of(origin.orders().words()));
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

  private static TrackDto toDto(Track t) {
    return toDto(t, toDtos(t.clips()));
  }

  private static TrackDto toDto(Track t, List<ClipDto> clips) {
    return new TrackDto(
        t.id().value(),
        t.name(),
        t.instrument().program(),
        t.instrument().kit(),
        t.channel(),
        t.armed(),
        t.muted(),
        t.solo(),
        clips,
        null,
        map(t.carried(), ProjectWriter::toDto),
        t.traits().statesProgram(),
        t.traits().endTick(),
        t.roll().start().map(n -> new NewNotesDto(n.length(), n.velocity())).orElse(null),
        t.roll().rows().equals(PitchRows.ALL)
            ? null
            : new RowsDto(t.roll().rows().order(), t.roll().rows().onlyUsed()),
        toDto(t.instrument().own()),
        t.sound().mix().values().isEmpty() ? null : t.sound().mix().values(),
        t.sound().transpose(),
        orNull(t.sound().port()),
        t.personal().color() == TrackTraits.BY_PLACE ? null : t.personal().color(),
        orNull(t.personal().group()),
        t.personal().folded(),
        toDto(t.personal().hands()));
  }

  private static OwnDto toDto(OwnPreset own) {
    return own.isNone()
        ? null
        : new OwnDto(own.file(), own.fingerprint(), own.bank(), own.program(), own.name());
  }

  private static HandsDto toDto(HandTraits hands) {
    return hands.equals(HandTraits.NONE)
        ? null
        : new HandsDto(
            orNull(hands.arrangement()),
            chosen(hands.base()),
            chosen(hands.floor()),
            chosen(hands.ceiling()));
  }

  private static Integer chosen(int value) {
    return value == HandTraits.USUAL ? null : value;
  }

  private static String orNull(String text) {
    return text.isEmpty() ? null : text;
  }

  /** Of clips that share what is in them the first has it. */
  private static List<ClipDto> toDtos(List<Clip> clips) {
    Set<Long> written = new HashSet<>();
    List<ClipDto> result = new ArrayList<>(clips.size());
    for (Clip clip : clips) {
      boolean again = clip.traits().isLinked() && !written.add(clip.traits().link());
      result.add(toDto(clip, !again));
    }
    return result;
  }

  private static ClipDto toDto(Clip c, boolean whole) {
    Integer take = !whole || c.takes().equals(Takes.NONE) ? null : c.takes().active();
    return toDto(c, whole, take);
  }

  private static ClipDto toDto(Clip c, boolean whole, Integer take) {
    boolean choice = whole && c.takes().isChoice();
    ClipTraits traits = c.traits();
    return new ClipDto(
        c.id().value(),
        c.start(),
        null,
        c.length(),
        c.loops() ? c.period() : null,
        whole ? map(c.content().notes(), ProjectWriter::toRow) : null,
        whole ? map(c.content().controls(), ProjectWriter::toRow) : null,
        take,
        choice ? map(c.takes().others(), ProjectWriter::toDto) : null,
        traits.name().isEmpty() ? null : traits.name(),
        traits.color() == ClipTraits.AS_TRACK ? null : traits.color(),
        traits.muted(),
        traits.transpose(),
        traits.louder(),
        traits.link());
  }

  private static TakeDto toDto(Take t) {
    return new TakeDto(
        t.number(),
        map(t.content().notes(), ProjectWriter::toRow),
        map(t.content().controls(), ProjectWriter::toRow));
  }

  static long[] toRow(ControlPoint p) {
    Control c = p.control();
    return new long[] {p.id().value(), p.tick(), c.kind().status(), c.number(), c.value()};
  }

  static long[] toRow(Note n) {
    long[] row = {
      n.id().value(),
      n.pitch(),
      n.velocity(),
      n.onset(),
      n.length(),
      n.played().onset(),
      n.played().release(),
      n.releaseVelocity(),
      PUT
    };
    return n.played().isPerformed()
        ? Arrays.copyOf(
            row, n.releaseVelocity() == Note.RELEASE ? WITHOUT_RELEASE : WITHOUT_RELEASE + 1)
        : row;
  }

  private static CarriedDto toDto(CarriedEvent e) {
    return new CarriedDto(e.tick(), e.status(), e.type(), e.payload().hex(), e.fileTrack());
  }

  private static <A, B> List<B> map(List<A> list, Function<A, B> function) {
    return list.stream().map(function).toList();
  }
}
