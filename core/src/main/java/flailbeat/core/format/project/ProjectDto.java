package flailbeat.core.format.project;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.List;
import java.util.Map;

/** The project file as it is written; docs/project-format.md describes every field. */
record ProjectDto(
    @JsonProperty(required = true) String format,
    @JsonProperty(required = true) int version,
    String title,
    int resolution,
    long nextId,
    List<TempoDto> tempos,
    List<MeterDto> meters,
    List<TrackDto> tracks,
    List<CarriedDto> carried,
    @JsonInclude(JsonInclude.Include.NON_NULL) List<SectionDto> sections,
    @JsonInclude(JsonInclude.Include.NON_NULL) OriginDto origin) {

  record SectionDto(long tick, String name) {}

  record TempoDto(long tick, int microsPerQuarter) {}

  /** The clocks stand there only where they are not as usual. */
  record MeterDto(
      long tick,
      int beats,
      int unit,
      @JsonInclude(JsonInclude.Include.NON_NULL) Integer clocks,
      @JsonInclude(JsonInclude.Include.NON_NULL) Integer thirtySeconds) {}

  record TrackDto(
      long id,
      String name,
      int program,
      boolean kit,
      int channel,
      boolean armed,
      boolean muted,
      boolean solo,
      List<ClipDto> clips,
      @JsonInclude(JsonInclude.Include.NON_NULL) List<long[]> controls,
      List<CarriedDto> carried,
      @JsonInclude(JsonInclude.Include.NON_DEFAULT) boolean statesProgram,
      @JsonInclude(JsonInclude.Include.NON_DEFAULT) long endTick,
      @JsonInclude(JsonInclude.Include.NON_NULL) NewNotesDto newNotes,
      @JsonInclude(JsonInclude.Include.NON_NULL) RowsDto rows,
      @JsonInclude(JsonInclude.Include.NON_NULL) OwnDto own,
      @JsonInclude(JsonInclude.Include.NON_NULL) Map<Integer, Integer> mix,
      @JsonInclude(JsonInclude.Include.NON_DEFAULT) int transpose,
      @JsonInclude(JsonInclude.Include.NON_NULL) String port,
      @JsonInclude(JsonInclude.Include.NON_NULL) Integer color,
      @JsonInclude(JsonInclude.Include.NON_NULL) String group,
      @JsonInclude(JsonInclude.Include.NON_DEFAULT) boolean folded,
      @JsonInclude(JsonInclude.Include.NON_NULL) HandsDto hands) {}

  /** A sound of a file of the person's own. */
  record OwnDto(String file, String fingerprint, int bank, int program, String name) {}

  /** How a track lies under the hands, as far as that was chosen for it. */
  record HandsDto(
      @JsonInclude(JsonInclude.Include.NON_NULL) String arrangement,
      @JsonInclude(JsonInclude.Include.NON_NULL) Integer base,
      @JsonInclude(JsonInclude.Include.NON_NULL) Integer floor,
      @JsonInclude(JsonInclude.Include.NON_NULL) Integer ceiling) {}

  /** What notes that are drawn start from. */
  record NewNotesDto(long length, int velocity) {}

  /** How the pitches lie above one another. */
  record RowsDto(List<Integer> order, boolean onlyUsed) {}

  /**
   * A clip; each note is {@code [id, pitch, velocity, onset, length, playedOnset, playedRelease]},
   * and its release velocity after that, where it is not 64; each control point {@code [id, tick,
   * kind, number, value]}. Where there are takes, these are the take of that number. Before version
   * 3 there were no ids of clips and control points, an end in place of a length, no loop, and
   * control points in takes alone; before version 5 nothing of what follows the takes. Of clips
   * that share what is in them the first has it, and the others have no notes at all.
   */
  record ClipDto(
      @JsonInclude(JsonInclude.Include.NON_NULL) Long id,
      long start,
      @JsonInclude(JsonInclude.Include.NON_NULL) Long end,
      @JsonInclude(JsonInclude.Include.NON_NULL) Long length,
      @JsonInclude(JsonInclude.Include.NON_NULL) Long loop,
      @JsonInclude(JsonInclude.Include.NON_NULL) List<long[]> notes,
      @JsonInclude(JsonInclude.Include.NON_NULL) List<long[]> controls,
      @JsonInclude(JsonInclude.Include.NON_NULL) Integer take,
      @JsonInclude(JsonInclude.Include.NON_NULL) List<TakeDto> otherTakes,
      @JsonInclude(JsonInclude.Include.NON_NULL) String name,
      @JsonInclude(JsonInclude.Include.NON_NULL) Integer color,
      @JsonInclude(JsonInclude.Include.NON_DEFAULT) boolean muted,
      @JsonInclude(JsonInclude.Include.NON_DEFAULT) int transpose,
      @JsonInclude(JsonInclude.Include.NON_DEFAULT) int louder,
      @JsonInclude(JsonInclude.Include.NON_DEFAULT) long link) {}

  /** A take that is not heard. */
  record TakeDto(int number, List<long[]> notes, List<long[]> controls) {}

  record CarriedDto(
      long tick,
      int status,
      int type,
      String hex,
      @JsonInclude(JsonInclude.Include.NON_DEFAULT) int fileTrack) {}

  /** How the MIDI file was made up that it came from; each order as {@code 1@960 c12 n5 e4}. */
  record OriginDto(
      int type,
      boolean saysTempo,
      boolean saysMeter,
      List<FileTrackDto> tracks,
      List<String> orders) {}

  /** A track of that file; {@code parts} are the numbers of tracks. */
  record FileTrackDto(
      @JsonInclude(JsonInclude.Include.NON_NULL) CarriedDto name,
      String shown,
      List<Long> parts,
      @JsonInclude(JsonInclude.Include.NON_DEFAULT) long endTick) {}
}
