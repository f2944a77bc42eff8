package flailbeat.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.clips.ClipPattern;
import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipTraits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.TickRange;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class CommandLineTest extends CommandLineRig {
  @Test
  void info_tells_what_is_in_a_file() throws Exception {
    assertThat(run("info", flail)).isZero();
    assertThat(out.toString(StandardCharsets.UTF_8))
        .contains("Harbour Lamps", "16 bars", "96 bpm", "4/4", "Deckhands", "67 notes");
    out.reset();
    assertThat(run("info", midi, "--json")).isZero();
    JsonNode facts = JsonMapper.builder().build().readTree(out.toByteArray());
    assertThat(facts.get("notes").asInt()).isEqualTo(HarbourLamps.song().noteCount());
    assertThat(facts.get("tracks")).hasSize(4);
    assertThat(facts.get("damage").asText()).isEmpty();
  }

  @Test
  void info_tells_clips_and_convert_unrolls_loops_and_links() throws Exception {
    Note note = Note.placed(new NoteId(3), 60, 80, 0, 480);
    Clip clip =
        Clip.of(new ClipId(2), new TickRange(0, 3840), List.of(note))
            .withTraits(ClipTraits.NONE.withName("beat").withTranspose(2));
    Song once = Song.empty().mapTracks(t -> t.withClips(List.of(clip))).withNextId(10);
    ClipPattern pattern = ClipPattern.of(once).orElseThrow();
    Song linked = pattern.laidInto(once, 3840, 0, 2, true, Landing.OVER);
    Clip last = linked.tracks().get(0).clips().getLast();
    Song looped = ClipShapes.resizeEnd(linked, Set.of(last.id()), 2 * 3840, ClipShapes.Beyond.LOOP);
    Song song =
        ClipShapes.traits(
            looped, Set.of(linked.tracks().get(0).clips().get(1).id()), t -> t.withMuted(true));
    SongFiles.standard().write(song, flail);
    assertThat(run("info", flail, "--json")).isZero();
    JsonNode clips = JsonMapper.builder().build().readTree(out.toByteArray()).get("clips");
    assertThat(clips).hasSize(3);
    assertThat(clips.get(1).get("muted").asBoolean()).isTrue();
    JsonNode third = clips.get(2);
    assertThat(third.get("start").asText()).isEqualTo("3.1.000");
    assertThat(third.get("length").asInt()).isEqualTo(3 * 3840);
    assertThat(third.get("loop").asInt()).isEqualTo(3840);
    assertThat(third.get("name").asText()).isEqualTo("beat");
    assertThat(third.get("transpose").asInt()).isEqualTo(2);
    assertThat(third.get("link").asLong())
        .isEqualTo(clips.get(0).get("link").asLong())
        .isPositive();
    assertThat(run("convert", flail, midi)).isZero();
    assertThat(read(midi).tracks().get(0).notes())
        .extracting(n -> n.pitch() + "@" + n.onset() / 3840)
        .containsExactly("62@0", "62@2", "62@3", "62@4");
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("1 clip that is muted");
  }

  @Test
  void convert_goes_both_ways_and_keeps_the_notes() throws Exception {
    Path back = folder.resolve("back.flail");
    assertThat(run("convert", midi, back)).isZero();
    Path again = folder.resolve("again.mid");
    assertThat(run("convert", back, again)).isZero();
    assertThat(Files.readAllBytes(again)).isEqualTo(Files.readAllBytes(midi));
    assertThat(err.toString(StandardCharsets.UTF_8)).isEmpty();
  }

  @Test
  void quantize_moves_one_track_and_reports_it() throws Exception {
    Path result = folder.resolve("q.mid");
    Path report = folder.resolve("r.json");
    assertThat(run("quantize", midi, result, "--grid", "1/16", "--track", 1, "--report", report))
        .isZero();
    List<Note> lamps = read(result).tracks().get(0).notes();
    assertThat(lamps).hasSize(67).allMatch(n -> n.onset() % 240 == 0);
    assertThat(read(result).tracks().get(3).notes()).isEqualTo(read(midi).tracks().get(3).notes());
    JsonNode told = JsonMapper.builder().build().readTree(Files.readAllBytes(report));
    assertThat(told.get("notes").asInt()).isEqualTo(67);
    assertThat(told.get("moved").asInt()).isBetween(60, 67);
    assertThat(told.get("lagMs").asDouble()).isBetween(10.0, 35.0);
    assertThat(told.get("doubtful").size()).isPositive();
    assertThat(told.get("doubtful").get(0).get("doubt").asDouble()).isBetween(0.2, 1.0);
  }

  /** The demo's lead is a little late, with a few notes far off. */
  @Test
  void fit_reports_the_lag_that_it_found() throws Exception {
    Path report = folder.resolve("fit.json");
    assertThat(
            run(
                "quantize",
                flail,
                folder.resolve("fit.mid"),
                "--grid",
                "1/16",
                "--method",
                "fit",
                "--track",
                1,
                "--report",
                report))
        .isZero();
    JsonNode told = JsonMapper.builder().build().readTree(Files.readAllBytes(report));
    assertThat(told.get("notes").asInt()).isEqualTo(67);
    assertThat(told.get("lagMs").asDouble()).isBetween(10.0, 35.0);
    assertThat(told.get("doubtful").isArray()).isTrue();
    assertThat(told.get("moved").asInt()).isBetween(60, 67);
  }

  /** Eighths that are 83 ms late, or 42 ms early of the sixteenths that follow. */
  @Test
  void a_grid_is_found_and_said_and_so_is_another_way_to_understand_the_whole() throws Exception {
    Song empty = Song.empty();
    List<Note> late = new ArrayList<>();
    for (int i = 0; i < 6; i++) {
      long onset = i * 480L + 160;
      late.add(Note.asPlayed(new NoteId(i + 10L), 60, 80, new Played(onset, onset + 200)));
    }
    Clip clip = Clip.around(new ClipId(9), late, List.of(), empty.meters());
    Path phrase = folder.resolve("late.flail");
    SongFiles.standard()
        .write(empty.mapTracks(t -> t.withClips(List.of(clip))).withNextId(100), phrase);
    Path result = folder.resolve("late.mid");
    Path report = folder.resolve("late.json");
    assertThat(
            run(
                "quantize",
                phrase,
                result,
                "--grid",
                "1/16",
                "--method",
                "fit",
                "--report",
                report))
        .isZero();
    assertThat(err.toString(StandardCharsets.UTF_8))
        .containsPattern("was taken as 8[1-4] ms late; it could be 4[0-3] ms early \\(\\d+ %\\)")
        .containsPattern("--track 1 --lag -4[0-3]");
    JsonNode told = JsonMapper.builder().build().readTree(Files.readAllBytes(report));
    assertThat(told.get("grid").asText()).isEqualTo("1/16");
    assertThat(told.get("readings").get(0).get("slots").asInt()).isZero();
    assertThat(told.get("readings").get(1).get("slots").asInt()).isEqualTo(1);
    assertThat(told.get("readings").get(1).get("weight").asDouble()).isBetween(0.05, 0.5);
    err.reset();
    assertThat(run("quantize", midi, result, "--grid", "auto", "--track", 1)).isZero();
    assertThat(err.toString(StandardCharsets.UTF_8)).startsWith("grid 1/16 (");
    assertThat(run("quantize", flail, folder.resolve("x.mid"), "--grid", "auto", "--track", 9))
        .isEqualTo(2);
  }

  @Test
  void the_grid_of_all_tracks_together_is_found_and_said() throws Exception {
    Path result = folder.resolve("all.mid");
    Path report = folder.resolve("all.json");
    assertThat(run("quantize", midi, result, "--grid", "auto", "--report", report)).isZero();
    assertThat(err.toString(StandardCharsets.UTF_8)).containsPattern("grid 1/16 \\(\\d+ %\\)");
    JsonNode told = JsonMapper.builder().build().readTree(Files.readAllBytes(report));
    assertThat(told.get("grid").asText()).isEqualTo("1/16");
    assertThat(told.get("ownGrids")).isEmpty();
  }

  @Test
  void the_beat_of_what_was_played_with_no_click_is_told() throws Exception {
    assertThat(run("beat", midi)).isZero();
    assertThat(out.toString(StandardCharsets.UTF_8)).contains("from 4 tracks", "bpm, ", "4/4");
    out.reset();
    assertThat(run("beat", midi, "--json")).isZero();
    JsonNode told = JsonMapper.builder().build().readTree(out.toByteArray());
    JsonNode first = told.get("guesses").get(0);
    assertThat(first.get("bpm").asDouble()).isBetween(95.0, 97.0);
    assertThat(first.get("meter").asText()).isEqualTo("4/4");
    assertThat(first.get("meterAssumed").asBoolean()).isFalse();
    assertThat(first.get("firstBarSeconds").asDouble()).isBetween(-0.03, 0.03);
    assertThat(told.get("tempoShare").asDouble()).isGreaterThan(0.9);
    assertThat(told.get("tracks").asInt()).isEqualTo(4);
    Path empty = folder.resolve("empty.flail");
    SongFiles.standard().write(Song.empty(), empty);
    assertThat(run("beat", empty)).isEqualTo(1);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("no beat was found");
  }

  /** Quarters 600 ms apart, each first of four low and long, in a file whose tempo says 500. */
  @Test
  void what_was_played_with_no_click_is_quantized_on_its_own_beat() throws Exception {
    Song empty = Song.empty();
    List<Note> played = new ArrayList<>();
    for (int i = 0; i < 16; i++) {
      boolean first = i % 4 == 0;
      long onset = Math.round((1000 + 600 * i) * 1.92) + (i * 7 % 5) * 4;
      Played as = new Played(onset, onset + (first ? 1000 : 500));
      played.add(Note.asPlayed(new NoteId(i + 10L), first ? 48 : 64, 80, as));
    }
    Clip clip = Clip.around(new ClipId(9), played, List.of(), empty.meters());
    Path phrase = folder.resolve("free.flail");
    SongFiles.standard()
        .write(empty.mapTracks(t -> t.withClips(List.of(clip))).withNextId(100), phrase);
    Path result = folder.resolve("free.mid");
    assertThat(run("quantize", phrase, result, "--grid", "1/4", "--beat", "find")).isZero();
    assertThat(err.toString(StandardCharsets.UTF_8)).containsPattern("beat: (99|100).\\d bpm");
    Song song = read(result);
    List<Note> notes = song.tracks().get(0).notes();
    assertThat(notes.get(0).onset() % 3840).as("on a bar line").isZero();
    for (int i = 0; i < 16; i++) {
      assertThat(notes.get(i).onset()).isEqualTo(notes.get(0).onset() + 960L * i);
    }
    assertThat(song.tempos().tempoAt(notes.get(5).onset()).bpm()).isBetween(96.0, 104.0);
    err.reset();
    Path none = folder.resolve("none.flail");
    SongFiles.standard().write(Song.empty(), none);
    assertThat(run("quantize", none, result, "--grid", "1/4", "--beat", "find")).isEqualTo(1);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("no beat was found");
  }

  @Test
  void quantizing_a_project_keeps_the_times_as_played() throws Exception {
    Path result = folder.resolve("q.flail");
    assertThat(
            run(
                "quantize",
                flail,
                result,
                "--grid",
                "1/16+1/8T",
                "--lag",
                "auto",
                "--strength",
                50,
                "--ends",
                "snap",
                "--catch",
                90,
                "--swing",
                55))
        .isZero();
    assertThat(read(result).tracks().get(0).notes().stream().map(n -> n.id() + "" + n.played()))
        .containsExactlyInAnyOrderElementsOf(
            HarbourLamps.song().tracks().get(0).notes().stream()
                .map(n -> n.id() + "" + n.played())
                .toList());
  }

  @Test
  void info_tells_of_damage_and_of_what_was_lost() throws Exception {
    byte[] whole = Files.readAllBytes(midi);
    Path cut = folder.resolve("cut.mid");
    Files.write(cut, Arrays.copyOf(whole, whole.length - 500));
    assertThat(run("info", cut)).isZero();
    assertThat(out.toString(StandardCharsets.UTF_8)).contains("Damaged: ", "lost: ");
  }

  @Test
  void where_the_report_cannot_be_written_nothing_is() throws Exception {
    Path target = folder.resolve("q.mid");
    Files.writeString(target, "before");
    for (Path report : new Path[] {folder.resolve("no").resolve("r.json"), folder}) {
      assertThat(run("quantize", midi, target, "--grid", "1/16", "--report", report)).isEqualTo(1);
      assertThat(target).hasContent("before");
    }
    try (var files = Files.list(folder)) {
      assertThat(files).as("nothing half written is left").hasSize(3);
    }
  }

  @Test
  void at_strength_0_the_file_comes_back_byte_for_byte() throws Exception {
    byte[] plain =
        HexFormat.of()
            .parseHex(
                "4d546864000000060000000101e04d54726b00000016"
                    + "0090246400802440817a9026408132802640"
                    + "00ff2f00");
    Path in = folder.resolve("plain.mid");
    Files.write(in, plain);
    Path result = folder.resolve("same.mid");
    assertThat(run("quantize", in, result, "--grid", "1/16", "--strength", 0)).isZero();
    assertThat(result).hasBinaryContent(plain);
  }

  /** 24 PPQ: most moves of a fifth of the way are less than half a tick. */
  @Test
  void the_report_counts_and_times_what_was_written() throws Exception {
    Path coarse = folder.resolve("coarse.mid");
    Song song = HarbourLamps.song();
    SongFiles.standard().write(song.withFile(song.file().withResolution(24)), coarse);
    Path result = folder.resolve("q.mid");
    Path report = folder.resolve("r.json");
    run("quantize", coarse, result, "--grid", "1/16", "--strength", 20, "--report", report);
    JsonNode told = JsonMapper.builder().build().readTree(Files.readAllBytes(report));
    List<String> before = times(coarse);
    List<String> after = times(result);
    long moved =
        IntStream.range(0, before.size()).filter(i -> !before.get(i).equals(after.get(i))).count();
    assertThat(told.get("moved").asLong()).isEqualTo(moved).isLessThan(before.size() / 3);
    for (JsonNode doubtful : told.get("doubtful")) {
      assertThat(doubtful.get("to").asLong() % 6).as("lines of 1/16 at 24 PPQ").isZero();
    }
  }

  private static List<String> times(Path file) throws IOException {
    return read(file).tracks().stream()
        .flatMap(t -> t.notes().stream())
        .sorted(Comparator.comparingLong(n -> n.id().value()))
        .map(n -> n.onset() + "-" + n.end())
        .toList();
  }

  @Test
  void a_damaged_file_is_refused_or_salvaged_with_what_is_lost() throws Exception {
    byte[] whole = Files.readAllBytes(midi);
    Path cut = folder.resolve("cut.mid");
    Files.write(cut, Arrays.copyOf(whole, whole.length - 500));
    Path result = folder.resolve("saved.flail");
    assertThat(run("convert", cut, result)).isEqualTo(1);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("--salvage");
    err.reset();
    assertThat(run("convert", cut, result, "--salvage")).isZero();
    assertThat(err.toString(StandardCharsets.UTF_8))
        .contains("cut off", "lost: the end of 1 track");
    assertThat(read(result).noteCount()).isBetween(300, HarbourLamps.song().noteCount() - 1);
    assertThat(run("quantize", cut, folder.resolve("q.mid"), "--grid", "1/16", "--salvage"))
        .isZero();
  }

  @Test
  void what_only_departs_from_the_standard_is_worked_on_and_told() throws Exception {
    byte[] whole = Files.readAllBytes(midi);
    whole[11]++;
    Path odd = folder.resolve("odd.mid");
    Files.write(odd, whole);
    assertThat(run("convert", odd, folder.resolve("odd.flail"))).isZero();
    assertThat(err.toString(StandardCharsets.UTF_8))
        .contains("departs from the standard, nothing is lost: the header announces 6 tracks");
  }

  @Test
  void from_a_project_it_is_told_what_a_midi_file_cannot_hold() {
    Path quantized = folder.resolve("q.flail");
    assertThat(run("quantize", flail, quantized, "--grid", "1/16")).isZero();
    assertThat(run("convert", quantized, folder.resolve("told.mid"))).isZero();
    assertThat(err.toString(StandardCharsets.UTF_8))
        .contains("when notes were played stays in the project alone");
  }

  /** Drums of no length and a chunk of another kind, both of which stay as they are. */
  @Test
  void what_stays_in_the_file_is_not_called_changed() throws Exception {
    Path drums = folder.resolve("drums.mid");
    Files.write(
        drums,
        HexFormat.of()
            .parseHex(
                "4D546864000000060000000101E0"
                    + "4D54726B00000014"
                    + "0A992440008924400099264060892640"
                    + "00FF2F00"
                    + "58464B4D0000000107"));
    Path result = folder.resolve("out.mid");
    assertThat(run("quantize", drums, result, "--grid", "1/8T", "--swing", 60)).isZero();
    assertThat(err.toString(StandardCharsets.UTF_8))
        .isEqualTo("--swing does nothing on 1/8T: it has no straight values" + NEW_LINE);
    err.reset();
    assertThat(run("convert", drums, folder.resolve("drums.flail"))).isZero();
    assertThat(err.toString(StandardCharsets.UTF_8))
        .contains("1 note of no length is one tick long here", "unknown kind is left out");
  }

  /** 1,024 ticks to a quarter note, of which 960 hold none but every sixteenth. */
  @Test
  void from_midi_to_midi_the_files_own_resolution_holds() throws Exception {
    Path fine = folder.resolve("fine.mid");
    byte[] bytes =
        HexFormat.of()
            .parseHex(
                "4D54686400000006000100010400" + "4D54726B0000000C" + "01903C4007803C4000FF2F00");
    Files.write(fine, bytes);
    Path result = folder.resolve("result.mid");
    assertThat(run("convert", fine, result)).isZero();
    assertThat(result).hasBinaryContent(bytes);
    assertThat(err.toString(StandardCharsets.UTF_8)).isEmpty();
  }
}
