package flailbeat.core.quantize.report;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.model.Note;
import flailbeat.core.quantize.grids.SwingSections.Section;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Where swing changes, after eight bars; in full in docs/quantizing.md. */
class SwingSectionsTest {
  @Test
  void where_swing_changes_both_stretches_are_found_with_theirs_and_no_note_is_left_out() {
    for (int seed = 40; seed < 44; seed++) {
      List<Note> part = SwingReport.part("1/8", 50, 64, 12, seed);
      List<Section> found = SwingReport.found(part, "1/8", seed);
      assertThat(SwingReport.isRight(found, 50, 64)).as("%s", found).isTrue();
      assertThat(found.stream().flatMap(s -> s.notes().stream()).collect(Collectors.toSet()))
          .hasSameSizeAs(part);
    }
  }

  @Test
  void a_part_of_one_swing_is_one_stretch_and_one_that_was_drawn_or_has_no_notes_breaks_nothing() {
    for (double swing : new double[] {50, 62}) {
      List<Note> part = SwingReport.part("1/16", swing, swing, 12, 50);
      assertThat(SwingReport.found(part, "1/16", 50)).hasSize(1);
    }
    List<Note> drawn =
        SwingReport.part("1/8", 50, 66, 0, 51).stream()
            .map(n -> Note.placed(n.id(), n.pitch(), 80, n.onset(), 100))
            .toList();
    assertThat(SwingReport.found(drawn, "1/8", 51)).hasSize(2);
    assertThat(SwingReport.found(List.of(), "1/8", 52)).isEmpty();
    List<Note> long500Bars =
        IntStream.range(0, 32)
            .boxed()
            .flatMap(i -> drawn.stream().map(n -> n.shifted(i * 16 * 3840L)))
            .toList();
    int kept =
        SwingReport.found(long500Bars, "1/8", 51).stream().mapToInt(s -> s.notes().size()).sum();
    assertThat(kept).isEqualTo(long500Bars.size());
    assertThat(SwingReport.found(drawn, "1/8T", 51)).as("triplets do not swing").hasSize(1);
    assertThat(SwingReport.found(drawn.subList(0, 1), "1/8", 51)).hasSize(1);
  }
}
