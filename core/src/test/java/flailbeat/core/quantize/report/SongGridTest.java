package flailbeat.core.quantize.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.quantize.grids.SongGrid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The grid of a song of several parts, each with a lag of its own. */
class SongGridTest {
  private static final SongGrid ASKED =
      new SongGrid(
          new WhichGrid(
              QuantizeSettings.recommended(),
              TempoMap.of(TempoMap.DEFAULT),
              MeterMap.of(Meter.COMMON)));

  private static SongGrid.Found find(List<List<Note>> parts) {
    return ASKED.find(parts, Progress.NONE);
  }

  private static Clips.Kind kind(String grid) {
    return Clips.MORE.stream().filter(k -> k.toString().equals(grid)).findFirst().orElseThrow();
  }

  /** In full, with ten grids, one to eight parts and three spreads, in docs/quantizing.md. */
  @Test
  void with_four_and_six_parts_the_grid_is_found_as_surely_as_with_one() {
    for (String grid : List.of("1/8", "1/16", "1/8T", "1/8, swing 62.0", "1/8+1/8T")) {
      for (int parts : new int[] {4, 6}) {
        SongGrid.Found found = SongGridReport.named(kind(grid), parts, 12, 31 + parts);
        assertThat(GridReport.isRight(kind(grid), found.song().getFirst()))
            .as("%s, %d parts: %s", grid, parts, found.song().getFirst())
            .isTrue();
        assertThat(found.song().stream().mapToDouble(WhichGrid.Match::probability).sum())
            .isCloseTo(1, within(1e-9));
        assertThat(found.parts()).hasSize(parts);
      }
    }
  }

  @Test
  void triplets_over_straight_hats_are_told_as_such_and_of_their_part_alone() {
    List<List<Note>> parts = new ArrayList<>();
    for (int part = 0; part < 3; part++) {
      parts.add(Clips.of(kind("1/16"), 8, 120, 10 * part, 10, part));
    }
    parts.add(Clips.of(kind("1/8T"), 8, 120, 20, 10, 9));
    SongGrid.Found found = find(parts);
    assertThat(found.song().getFirst().grid()).hasToString("1/16");
    assertThat(found.parts().stream().map(SongGrid.Part::goesOwnWay))
        .containsExactly(false, false, false, true);
    assertThat(found.parts().get(3).own().getFirst().grid()).hasToString("1/8T");
  }

  @Test
  void parts_that_say_nothing_take_nothing_away() {
    List<Note> hats = Clips.of(kind("1/16"), 8, 120, 0, 10, 3);
    List<List<Note>> parts = new ArrayList<>(Collections.nCopies(63, List.of()));
    parts.add(hats);
    assertThat(find(parts).song().getFirst().grid()).hasToString("1/16");
    assertThat(find(parts).parts().getFirst().own()).isEmpty();
    Note one = Note.asPlayed(new NoteId(1), 60, 80, new Played(500, 700));
    assertThat(find(List.of(List.of(one))).song()).isEmpty();
    assertThat(find(List.of()).song()).isEmpty();
    assertThat(find(List.of(List.of(one), hats)).song().getFirst().grid()).hasToString("1/16");
    List<Note> atOnce = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      atOnce.add(Note.asPlayed(new NoteId(i + 1L), 40 + i, 80, new Played(960, 1200)));
    }
    assertThat(find(List.of(atOnce, hats)).song().getFirst().grid()).hasToString("1/16");
  }
}
