package flailbeat.core.quantize;

import static flailbeat.core.TestSongs.BAR;
import static flailbeat.core.TestSongs.TRACK;
import static flailbeat.core.TestSongs.clip;
import static flailbeat.core.TestSongs.controls;
import static flailbeat.core.TestSongs.note;
import static flailbeat.core.TestSongs.point;
import static flailbeat.core.TestSongs.song;
import static flailbeat.core.TestSongs.track;
import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The pedal goes along with the notes that move, and with no others. */
class PedalsAlongTest {
  private static Song quantized(Song song, Set<NoteId> some, int denominator) {
    List<Note> all = track(song).notes();
    return Quantizer.of(
            QuantizeSettings.standard().withGrid(Grid.of(NoteValue.straight(denominator))),
            song.tempos(),
            song.meters())
        .plan(
            all.stream().filter(n -> some.contains(n.id())).toList(),
            all.stream().filter(n -> !some.contains(n.id())).toList())
        .applyTo(song, TRACK);
  }

  @Test
  void quantizing_two_notes_leaves_the_pedals_of_the_five_bars_between_them_alone() {
    List<Note> notes = new ArrayList<>(List.of(note(10, 60, 100, 400)));
    List<ControlPoint> points = new ArrayList<>();
    for (int i = 1; i < 6; i++) {
      notes.add(note(20 + i, 62, i * BAR, 900));
      points.add(point(40 + 2 * i, i * BAR, 64, 127));
      points.add(point(41 + 2 * i, i * BAR + 1000, 64, 0));
    }
    notes.add(note(11, 60, 7 * BAR + 100, 400));
    points.add(point(60, 7 * BAR + 120, 64, 127));
    points.add(point(61, 7 * BAR + 400, 64, 0));
    Song song = song(clip(2, 0, 8 * BAR, Clip.NEVER, notes, points));
    Song after = quantized(song, Set.of(new NoteId(10), new NoteId(11)), 16);
    String before = controls(song);
    assertThat(controls(after))
        .isEqualTo(before.replace("@27000", "@26900").replace("@27280", "@27180"));
  }

  @Test
  void a_way_up_that_moves_does_not_pass_a_way_down_that_stays() {
    Song song =
        song(
            clip(
                2,
                0,
                4 * BAR,
                Clip.NEVER,
                List.of(note(10, 60, 250, 200), note(11, 64, 480, 400), note(12, 60, BAR, 400)),
                List.of(
                    point(19, 260, 64, 127),
                    point(20, 400, 64, 0),
                    point(21, 490, 64, 127),
                    point(22, 900, 64, 0))));
    Song after = quantized(song, Set.of(new NoteId(10)), 8);
    assertThat(track(after).controls())
        .extracting(p -> p.control().value())
        .containsExactly(127, 0, 127, 0);
    assertThat(controls(after)).endsWith("64=127@490 64=0@900");
  }

  /** At one tick the older point counts first. */
  @Test
  void ways_that_would_meet_at_the_song_s_start_keep_their_order() {
    List<ControlPoint> younger = List.of(point(31, 85, 64, 127), point(30, 95, 64, 0));
    List<ControlPoint> older = List.of(point(30, 85, 64, 127), point(31, 95, 64, 0));
    List<Note> notes = List.of(note(10, 60, 110, 400));
    Set<NoteId> all = Set.of(new NoteId(10));
    assertThat(controls(quantized(song(clip(2, 0, BAR, Clip.NEVER, notes, younger)), all, 4)))
        .isEqualTo("64=127@0 64=0@1");
    assertThat(controls(quantized(song(clip(2, 0, BAR, Clip.NEVER, notes, older)), all, 4)))
        .isEqualTo("64=127@0 64=0@0");
  }

  @Test
  void over_random_pedalled_playing_the_pedal_never_turns_round_and_never_sticks() {
    for (int seed = 0; seed < 300; seed++) {
      Random random = new Random(seed);
      List<Note> notes = new ArrayList<>();
      List<ControlPoint> points = new ArrayList<>();
      long id = 10;
      for (int i = 0; i < 32; i++) {
        long onset = Math.max(0, i * 960L + 960 + Math.round(random.nextGaussian() * 60));
        notes.add(note(id++, 60 + random.nextInt(12), onset, 800));
        if (i % 2 == 0) {
          points.add(point(id++, Math.max(0, onset - 20 - random.nextInt(80)), 64, 0));
          points.add(point(id++, onset + 20 + random.nextInt(150), 64, 127));
        }
      }
      points.add(point(id++, 40_000, 64, 0));
      Song song = song(clip(5, 0, 12 * BAR, Clip.NEVER, notes, points));
      Set<NoteId> some =
          notes.stream()
              .map(Note::id)
              .filter(n -> random.nextInt(3) > 0)
              .collect(Collectors.toSet());
      Song after = quantized(song, some, 4);
      assertThat(track(after).controls())
          .as("seed %d", seed)
          .extracting(ControlPoint::idNumber)
          .isEqualTo(track(song).controls().stream().map(ControlPoint::idNumber).toList());
    }
  }
}
