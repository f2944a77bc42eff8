package flailbeat.core.format.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.TestSongs;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.files.SongFiles;
import flailbeat.core.format.FileFault;
import flailbeat.core.format.SafeFile;
import flailbeat.core.format.smf.SmfImport;
import flailbeat.core.format.smf.SmfReader;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FileTraits;
import flailbeat.core.model.carried.Payload;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.roll.NoteStart;
import flailbeat.core.model.roll.PitchRows;
import flailbeat.core.model.roll.RollTraits;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProjectFileTest {
  /** Twelve clips that would each be within bounds: three kilobytes that would take gigabytes. */
  @Test
  void loops_that_no_machine_could_hold_are_refused_however_small_the_file() throws Exception {
    Song song = TestSongs.song();
    List<Track> tracks = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      Clip loop =
          TestSongs.clip(
              100 + 2L * i,
              0,
              Clip.SHORTEST_PERIOD,
              Clip.SHORTEST_PERIOD,
              List.of(TestSongs.note(101 + 2L * i, 60, 0, 10)),
              List.of());
      tracks.add(
          Track.empty(new TrackId(50 + i), "Part " + i, Instrument.melodic(0), i % 9)
              .withClips(List.of(loop)));
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ProjectFile.write(song.withTracks(tracks), out);
    String text = out.toString(StandardCharsets.UTF_8);
    String longer = text.replaceAll("\"length\" *: *60\\b", "\"length\" : 114000000");
    assertThat(longer).isNotEqualTo(text).hasSizeLessThan(6000);
    assertThatThrownBy(() -> read(longer))
        .isInstanceOf(FileFault.class)
        .hasMessageContaining("notes and values in all");
  }

  @TempDir private Path folder;

  private static String json(Song song) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ProjectFile.write(song, out);
    return out.toString(StandardCharsets.UTF_8);
  }

  private static Song read(String json) throws IOException {
    return ProjectFile.read(new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8)));
  }

  @Test
  void a_song_comes_back_whole_with_its_times_as_played() throws Exception {
    Song demo = HarbourLamps.song();
    Song rich =
        demo.withTrack(
            demo.tracks().get(0).id(),
            t ->
                t.withCarried(List.of(new CarriedEvent(9, 0xFF, 6, Payload.ofHex("4142"))))
                    .withMuted(true));
    List<NewControl> bend = List.of(new NewControl(7, Control.bend(16383)));
    rich = SongEdits.addControls(rich, rich.tracks().get(0).id(), bend);
    Path file = folder.resolve("lamps.flail");
    ProjectFile.write(rich, file);
    assertThat(ProjectFile.read(file)).isEqualTo(rich);
  }

  @Test
  void a_note_takes_one_line() throws Exception {
    assertThat(json(HarbourLamps.song()).lines())
        .anyMatch(l -> l.strip().matches("\\[ ?\\d+(, ?-?\\d+){6} ?\\],?"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "''|no Flailbeat project",
        "{}|no Flailbeat project",
        "[1,2]|no Flailbeat project",
        "{\"format\":\"other\",\"version\":1}|no Flailbeat project",
        "{\"format\":\"flailbeat-project\",\"version\":7}|version 7",
        "{\"format\":\"flailbeat-project\",\"version\":1}|no tracks",
        "{\"format\":\"flailbeat-project\",\"version\":1,\"tracks\":[null]}|no entries",
        "hello|damaged"
      })
  void what_is_no_project_is_refused_with_a_reason(String json, String reason) {
    assertThatThrownBy(() -> read(json)).isInstanceOf(FileFault.class).hasMessageContaining(reason);
  }

  @Test
  void a_project_cut_anywhere_or_with_impossible_values_is_refused() throws Exception {
    String whole = json(HarbourLamps.song());
    for (int length = 0; length < whole.length() - 2; length += 997) {
      String part = whole.substring(0, length);
      assertThatThrownBy(() -> read(part)).isInstanceOf(FileFault.class);
    }
    for (String[] change :
        new String[][] {
          {"\"resolution\" : 960", "\"resolution\" : 0"},
          {"\"channel\" : 9", "\"channel\" : 16"},
          {"\"beats\" : 4", "\"beats\" : 99"},
          {"\"microsPerQuarter\" : 625000", "\"microsPerQuarter\" : 0"}
        }) {
      assertThat(whole).contains(change[0]);
      assertThatThrownBy(() -> read(whole.replace(change[0], change[1])))
          .isInstanceOf(FileFault.class)
          .hasMessageContaining("cannot be");
    }
  }

  @Test
  void a_field_that_is_not_known_is_passed_over() throws Exception {
    String json = json(Song.empty()).replaceFirst("\\{", "{\"later\": {\"a\": [1]},");
    assertThat(read(json)).isEqualTo(Song.empty());
  }

  @Test
  void a_failed_save_leaves_the_old_file_whole_and_nothing_beside_it() throws Exception {
    Path file = folder.resolve("song.flail");
    ProjectFile.write(Song.empty(), file);
    assertThatThrownBy(
            () ->
                SafeFile.write(
                    file,
                    out -> {
                      out.write("half".getBytes(StandardCharsets.UTF_8));
                      out.flush();
                      throw new IOException("No space left on device");
                    }))
        .hasMessageContaining("No space")
        .isInstanceOfSatisfying(
            IOException.class,
            e ->
                assertThat(SongFiles.describe(file, e))
                    .contains("song.flail: the disk is full")
                    .contains("as it was")
                    .contains("another place"));
    assertThat(ProjectFile.read(file)).isEqualTo(Song.empty());
    try (var files = Files.list(folder)) {
      assertThat(files).containsExactly(file);
    }
    Path nowhere = folder.resolve("missing").resolve("song.flail");
    assertThatThrownBy(() -> ProjectFile.write(Song.empty(), nowhere))
        .hasMessageContaining("no such folder");
  }

  /** The small project that docs/project-format.md explains. */
  @Test
  void the_example_of_the_documentation_is_read() throws Exception {
    Path doc = Path.of("..", "docs", "project-format.md");
    String text = Files.readString(doc);
    int start = text.indexOf("```json") + 7;
    Song song = read(text.substring(start, text.indexOf("```", start)));
    assertThat(song.noteCount()).isEqualTo(2);
    assertThat(song.tracks().get(0).notes().get(0).playedOff()).isEqualTo(-31);
    assertThat(song.tracks().get(0).placed().repeats()).hasSize(4);
    assertThat(song.tracks().get(0).placed().soundingControls()).hasSize(3);
  }

  @Test
  void what_came_from_a_midi_file_is_kept_in_a_project() throws Exception {
    byte[] midi =
        java.util.HexFormat.of()
            .parseHex(
                "4D546864000000060000000100604D54726B0000000D00903C4060803C40"
                    + "00FF2F0000".substring(0, 8));
    Song song = SmfImport.of(SmfReader.read(midi).file(), "m").song();
    assertThat(read(json(song))).isEqualTo(song);
  }

  /** What would lose notes on export, or make a file that nobody reads, and where it stands. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"carried\":[{\"tick\":0,\"status\":255,\"type\":47,\"hex\":\"\"}]|track 1: carried event 1",
        "\"carried\":[{\"tick\":0,\"status\":255,\"type\":81,\"hex\":\"000000\"}]|carried event 1",
        "\"carried\":[{\"tick\":9000000000000000000,\"status\":255,\"type\":1,\"hex\":\"\"}]|outside 0",
        "\"controls\":[[0,176,64,0],[8589934592,176,64,0]]|track 1: control point 2: Tick",
        "\"clips\":[{\"start\":0,\"end\":9,\"notes\":[[5,60,90,0,9,0,9],[6,60,90,5,-1,0,9]]}]|clip 1: note 2",
        "\"clips\":[{\"start\":0,\"end\":9,\"notes\":[[5,60,90,5,9223372036854775807,0,9]]}]|note 1",
        "\"clips\":[{\"start\":0,\"end\":9,\"notes\":[[5,60,90.9,0,9,0,9]]}]|damaged",
        "\"channel\":\"4\"|damaged"
      })
  void what_cannot_be_is_refused_with_its_place(String field, String said) {
    String json =
        "{\"format\":\"flailbeat-project\",\"version\":2,\"resolution\":960,\"tempos\":[],"
            + "\"meters\":[],\"tracks\":[{\"id\":1,"
            + field
            + "}]}";
    assertThatThrownBy(() -> read(json)).isInstanceOf(FileFault.class).hasMessageContaining(said);
  }

  @Test
  void more_tracks_than_a_midi_file_can_count_and_text_without_end_are_refused() {
    String track = "{\"id\":%d},";
    StringBuilder tracks = new StringBuilder();
    for (int i = 1; i <= 10_001; i++) {
      tracks.append(track.formatted(i));
    }
    String start = "{\"format\":\"flailbeat-project\",\"version\":2,\"resolution\":960,";
    String many =
        start
            + "\"tempos\":[],\"meters\":[],\"tracks\":["
            + tracks.substring(0, tracks.length() - 1)
            + "]}";
    assertThatThrownBy(() -> read(many)).hasMessageContaining("10001 tracks");
    String endless = start + "\"later\":[" + "0,".repeat(31_000_000) + "0]}";
    assertThatThrownBy(() -> read(endless)).hasMessageContaining("larger than any song");
  }

  @Test
  void what_a_midi_file_said_beside_its_events_is_kept() throws Exception {
    Song song = Song.empty();
    song =
        song.withTrack(
            song.tracks().get(0).id(),
            t ->
                t.withTraits(new FileTraits(true, 9000))
                    .withClips(
                        List.of(
                            Clip.of(
                                new ClipId(3),
                                new TickRange(0, 3840),
                                List.of(
                                    Note.placed(new NoteId(2), 60, 90, 0, 10)
                                        .withReleaseVelocity(9))))));
    song =
        song.withMeters(MeterMap.of(List.of(new MeterMap.Change(0, new Meter(6, 8), 36, 8))))
            .withNextId(4);
    assertThat(read(json(song))).isEqualTo(song);
  }

  @Test
  void the_rows_of_a_kit_and_what_new_notes_start_from_are_kept() throws Exception {
    Song empty = Song.empty();
    RollTraits roll =
        new RollTraits(
            Optional.of(new NoteStart(120, 77)), new PitchRows(List.of(42, 38, 36), true));
    Song song = empty.withTrack(empty.tracks().get(0).id(), t -> t.withRoll(roll));
    String json = json(song);
    assertThat(read(json)).isEqualTo(song);
    assertThatThrownBy(() -> read(json.replace("77", "128"))).hasMessageContaining("velocity 128");
    assertThatThrownBy(() -> read(json.replace("38,", "42,")))
        .hasMessageContaining("track 1: a pitch has two rows");
    assertThatThrownBy(() -> read(json.replace("38,", "null,"))).hasMessageContaining("track 1");
    assertThat(roll.rows().shown(Set.of(38, 36, 50))).containsExactly(50, 38, 36);
    assertThat(roll.rows().shown(Set.of())).as("nothing to draw on would help nobody").hasSize(128);
    assertThat(roll.rows().moved(36, 42, Set.of()).shown(Set.of(36, 38, 42)))
        .containsExactly(36, 42, 38);
  }
}
