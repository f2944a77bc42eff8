package flailbeat.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import flailbeat.app.PlayedSong;
import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What was played, with a click and without, quantized as it was meant by one command. */
class QuantizeSongTest extends CommandLineRig {
  private static final int BARS = 16;
  private long next = 100;

  @Test
  void one_command_finds_tempo_meter_and_grid_and_puts_each_part_where_it_was_meant()
      throws Exception {
    Path in = folder.resolve("played.flail");
    Path result = folder.resolve("meant.flail");
    PlayedSong song = new PlayedSong();
    SongFiles.standard().write(song.played(), in);
    assertThat(
            run(
                "quantize",
                in,
                result,
                "--beat",
                "find",
                "--grid",
                "auto",
                "--method",
                "fit",
                "--ends",
                "meant"))
        .isZero();
    assertThat(err.toString(StandardCharsets.UTF_8))
        .containsPattern("beat: 10[345]\\.\\d bpm \\(\\d+ %\\).*4/4")
        .containsPattern("grid 1/8 \\(\\d+ %\\)");
    Song quantized = SongFiles.standard().read(result).song();
    assertThat(song.right(quantized)).isGreaterThan(0.98);
    List<Note> chords = quantized.tracks().get(2).notes();
    assertThat(chords.stream().filter(n -> n.length() == 3840).count())
        .as("chords let go after four fifths fill their bars")
        .isGreaterThan(chords.size() - 8);
  }

  /** Played over a click, bars of 4/4 at 120 bpm, straight and then swung. */
  @Test
  void where_the_swing_changes_each_stretch_is_told_and_quantized_by_its_own() throws Exception {
    Path in = folder.resolve("swung.flail");
    Path result = folder.resolve("swung-meant.flail");
    Path report = folder.resolve("swung.json");
    List<Note> notes = new ArrayList<>();
    Map<NoteId, Long> lines = new HashMap<>();
    Random random = new Random(3);
    for (int eighth = 0; eighth < 8 * BARS; eighth++) {
      if (eighth % 8 != 3) {
        long late = eighth % 2 == 1 && eighth >= 4 * BARS ? Math.round(480 * 0.28) : 0;
        long onset = eighth * 480L + late + Math.round(35 + 18 * random.nextGaussian());
        NoteId id = new NoteId(next++);
        lines.put(id, eighth * 480L + late);
        notes.add(Note.asPlayed(id, 60 + eighth % 5, 80, new Played(onset, onset + 300)));
      }
    }
    Song empty = Song.empty();
    Track track =
        Track.empty(new TrackId(1), "Part 1", Instrument.melodic(0), 0)
            .withClips(List.of(Clip.around(new ClipId(2), notes, List.of(), empty.meters())));
    SongFiles.standard().write(empty.withTracks(List.of(track)).withNextId(next), in);
    assertThat(run("quantize", in, result, "--grid", "auto", "--method", "fit", "--report", report))
        .isZero();
    assertThat(err.toString(StandardCharsets.UTF_8))
        .containsPattern("track 1 \\(Part 1\\), bars 1 to 8: even")
        .containsPattern("track 1 \\(Part 1\\), bars 9 to 16: 6[2-6] % swing");
    for (Note note : SongFiles.standard().read(result).song().tracks().getFirst().notes()) {
      assertThat(note.onset()).isCloseTo(lines.get(note.id()), within(25L));
    }
    JsonNode told = JsonMapper.builder().build().readTree(Files.readAllBytes(report));
    assertThat(told.get("ownGrids").get(0).get("from").asLong()).isBetween(30_000L, 31_000L);
    assertThat(told.get("notes").asInt()).isEqualTo(notes.size());
  }
}
