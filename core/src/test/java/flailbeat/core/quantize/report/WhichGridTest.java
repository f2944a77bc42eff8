package flailbeat.core.quantize.report;

import static java.util.Comparator.comparingDouble;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.PhraseBeat;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;

class WhichGridTest {
  private static final WhichGrid ASKED =
      new WhichGrid(
          QuantizeSettings.recommended(), TempoMap.of(TempoMap.DEFAULT), MeterMap.of(Meter.COMMON));

  /** In full, with a hundred clips of each kind, in docs/quantizing.md. */
  @Test
  void the_right_grid_comes_first_with_its_swing() {
    int right = 0;
    int all = 0;
    for (Clips.Kind kind : Clips.KINDS) {
      for (int seed = 0; seed < 4; seed++) {
        all++;
        right += GridReport.isRight(kind, GridReport.named(kind, seed)) ? 1 : 0;
      }
    }
    assertThat(right).isGreaterThanOrEqualTo((int) Math.ceil(0.95 * all));
  }

  @Test
  void notes_exactly_on_eighths_are_eighths_and_not_swung() {
    List<Note> notes = new ArrayList<>();
    int[] eighths = {0, 1, 2, 4, 6, 7, 8, 9, 10, 12, 14, 15, 16, 18, 20, 21, 22, 24};
    for (int eighth : eighths) {
      notes.add(Note.placed(new NoteId(eighth + 1L), 60, 80, eighth * 480L, 240));
    }
    WhichGrid.Match first = ASKED.rank(notes).get(0);
    assertThat(first.grid()).hasToString("1/8");
    assertThat(first.swing()).isEqualTo(50);
    assertThat(first.toString()).isEqualTo("1/8");
    assertThat(ASKED.rank(notes).stream().mapToDouble(WhichGrid.Match::probability).sum())
        .isCloseTo(1, org.assertj.core.api.Assertions.within(1e-9));
  }

  /** Seven even grids, four rare ones, two swung. */
  @Test
  void every_grid_is_ranked_once_and_swing_is_found_to_a_per_cent() {
    List<Note> notes = new ArrayList<>();
    for (int eighth = 0; eighth < 40; eighth++) {
      if (eighth % 8 != 3 && eighth % 8 != 6) {
        long late = eighth % 2 * 134L + (eighth * 7 % 5 - 2) * 6L;
        Played played = new Played(eighth * 480L + late, eighth * 480L + late + 200);
        notes.add(Note.asPlayed(new NoteId(eighth + 1L), 60, 80, played));
      }
    }
    List<Double> told = new ArrayList<>();
    List<WhichGrid.Match> ranked = ASKED.rank(notes, told::add);
    assertThat(ranked).hasSize(13);
    assertThat(ranked.stream().map(m -> m.grid() + (m.swing() > 50 ? " swung" : "")))
        .doesNotHaveDuplicates();
    assertThat(ranked.get(0).grid()).hasToString("1/8");
    assertThat(ranked.get(0).swing()).as("614 of 960 is 64 %").isBetween(63.0, 65.0);
    assertThat(ranked.get(0).toString()).matches("1/8, 6[345] % swing");
    assertThat(told).isSorted().hasSize(13).allMatch(share -> share >= 0 && share < 1);
    assertThat(told.getLast()).isGreaterThan(0.9);
    assertThat(ranked).isSortedAccordingTo(comparingDouble(WhichGrid.Match::evidence).reversed());
    assertThat(ASKED.rank(notes.subList(0, 2))).as("two are enough").hasSize(13);
  }

  @Test
  void grids_and_beat_ask_again_and_again_whether_they_are_still_wanted() {
    Song demo = HarbourLamps.song();
    List<Note> notes = demo.tracks().get(0).notes();
    for (int after : new int[] {0, 3, 7}) {
      assertThatThrownBy(() -> ASKED.rank(notes, calledOffAfter(after)))
          .isInstanceOf(CancellationException.class);
      assertThatThrownBy(() -> new PhraseBeat(demo, notes).guesses(calledOffAfter(after)))
          .isInstanceOf(CancellationException.class);
    }
  }

  private static Progress calledOffAfter(int times) {
    int[] asked = new int[1];
    return done -> {
      if (asked[0]++ >= times) {
        throw new CancellationException();
      }
    };
  }

  @Test
  void one_note_tells_nothing() {
    assertThat(ASKED.rank(List.of(Note.placed(new NoteId(1), 60, 80, 0, 240)))).isEmpty();
    assertThat(ASKED.rank(List.of())).isEmpty();
  }
}
