package flailbeat.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
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

/**
 * A song of four parts that were played with no click, at 104 bpm that breathe by three per cent,
 * under a header that says 120; each part is late by its own.
 */
class QuantizeSongTest extends CommandLineRig {
  private static final int BARS = 16;
  private static final double[][] PARTS = {
    // Steps in eighths of the bar, with pitch and length.
    {
      0, 36, 1, 0, 42, 1, 1, 42, 1, 2, 38, 1, 2, 42, 1, 3, 42, 1, 4, 36, 1, 4, 42, 1, 5, 36, 1, 5,
      42, 1, 6, 38, 1, 6, 42, 1, 7, 42, 1
    },
    {0, 36, 3, 3, 43, 1, 4, 43, 2, 6, 41, 1, 7, 43, 1},
    {0, 60, 8, 0, 64, 8, 0, 67, 8},
    {0, 72, 1, 1, 74, 1, 2, 76, 2, 5, 77, 1, 6, 76, 2}
  };

  private final Map<NoteId, Double> meant = new HashMap<>();
  private long next = 100;

  /** When an eighth comes, in ms, from the start. */
  private static double ms(double eighths) {
    double beats = eighths / 2;
    return 1000 + 60_000 / 104.0 * (beats - 0.08 * (1 - Math.cos(2 * Math.PI * beats / 32)));
  }

  private Song played() {
    Random random = new Random(8);
    Song song = Song.empty();
    List<Track> tracks = new ArrayList<>();
    for (int part = 0; part < PARTS.length; part++) {
      double lag = new double[] {-10, 12, 25, 30}[part];
      List<Note> notes = new ArrayList<>();
      for (int bar = 0; bar < BARS; bar++) {
        for (int i = 0; i < PARTS[part].length; i += 3) {
          double eighth = bar * 8 + PARTS[part][i];
          double at = ms(eighth) + lag + 9 * random.nextGaussian();
          double end = at + 0.8 * (ms(eighth + PARTS[part][i + 2]) - ms(eighth));
          Played as = new Played(Math.round(at * 1.92), Math.round(end * 1.92));
          NoteId id = new NoteId(next++);
          meant.put(id, eighth);
          int changes = part == 0 || part == 3 ? 0 : bar % 4 * 2;
          notes.add(Note.asPlayed(id, (int) PARTS[part][i + 1] + changes, 80, as));
        }
      }
      notes.sort(Note.ORDER);
      Instrument sound = part == 0 ? Instrument.kit(0) : Instrument.melodic(0);
      Track track =
          Track.empty(new TrackId(next++), "Part " + (part + 1), sound, part == 0 ? 9 : part);
      Clip clip = Clip.around(new ClipId(next++), notes, List.of(), song.meters());
      tracks.add(track.withClips(List.of(clip)));
    }
    return song.withTracks(tracks).withNextId(next);
  }

  /** How many notes of a song begin on the eighths that were meant, from the first bar on. */
  private double right(Song quantized) {
    int right = 0;
    int all = 0;
    long start = quantized.tracks().getFirst().notes().getFirst().onset() / 3840 * 3840;
    for (Track track : quantized.tracks()) {
      for (Note note : track.notes()) {
        double eighth = meant.get(note.id());
        all++;
        right += Math.abs(note.onset() - start - eighth * 480) < 30 ? 1 : 0;
      }
    }
    return (double) right / all;
  }

  @Test
  void one_command_finds_tempo_meter_and_grid_and_puts_each_part_where_it_was_meant()
      throws Exception {
    Path in = folder.resolve("played.flail");
    Path result = folder.resolve("meant.flail");
    SongFiles.standard().write(played(), in);
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
    assertThat(right(quantized)).isGreaterThan(0.98);
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
