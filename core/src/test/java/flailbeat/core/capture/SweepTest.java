package flailbeat.core.capture;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.model.Note;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.Loop;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** At 120 bpm a quarter note of 960 ticks lasts 500 ms; a note of pitch 60 + n begins with each. */
class SweepTest {
  private static final long MS = 1_000_000;
  private static final TempoMap TEMPO = TempoMap.of(TempoMap.DEFAULT);

  private final Sweep sweep = new Sweep(new Sweep.Place(1, 0), 0);

  private static List<Note> quarters(TickRange range) {
    List<Note> all =
        java.util.stream.IntStream.range(0, 8)
            .mapToObj(i -> Note.placed(new NoteId(i), 60 + i, 80, i * 960L, 100))
            .toList();
    return all.stream().filter(n -> range.contains(n.onset())).toList();
  }

  private boolean moveTo(long ms, Optional<Loop> loop) {
    return sweep.moveTo(new Sweep.Place(1, ms * MS), loop, TEMPO, SweepTest::quarters);
  }

  private Set<Long> wiped() {
    return sweep.wiped().stream().map(NoteId::value).collect(java.util.stream.Collectors.toSet());
  }

  @Test
  void with_a_key_only_its_notes_are_wiped_as_they_are_passed() {
    assertThat(sweep.hold(Set.of(61), 0)).isTrue();
    assertThat(sweep.hold(Set.of(61), 0)).as("nothing else is silenced").isFalse();
    assertThat(moveTo(400, Optional.empty())).isFalse();
    assertThat(moveTo(600, Optional.empty())).isTrue();
    assertThat(wiped()).containsExactly(1L);
    assertThat(sweep.silences(quarters(new TickRange(960, 961)).get(0))).isTrue();
    assertThat(sweep.silences(quarters(new TickRange(1920, 1921)).get(0))).isFalse();
  }

  @Test
  void without_a_key_it_takes_a_while_and_then_all_from_the_beginning() {
    assertThat(sweep.hold(Set.of(), 299 * MS)).isFalse();
    assertThat(moveTo(299, Optional.empty())).isFalse();
    assertThat(sweep.hold(Set.of(), 300 * MS)).isTrue();
    assertThat(moveTo(600, Optional.empty())).isTrue();
    assertThat(wiped()).containsExactlyInAnyOrder(0L, 1L);
  }

  @Test
  void once_a_key_was_held_nothing_else_is_wiped() {
    sweep.hold(Set.of(67), 0);
    sweep.hold(Set.of(), 1000 * MS);
    moveTo(3000, Optional.empty());
    assertThat(wiped()).isEmpty();
  }

  @Test
  void what_lies_behind_is_not_passed_again_where_the_position_steps_back() {
    sweep.hold(Set.of(60, 61, 62), 0);
    moveTo(1200, Optional.empty());
    assertThat(wiped()).containsExactlyInAnyOrder(0L, 1L, 2L);
    assertThat(moveTo(900, Optional.empty())).isFalse();
    assertThat(moveTo(1200, Optional.empty())).isFalse();
    assertThat(moveTo(1700, Optional.empty())).as("none of these pitches").isFalse();
  }

  @Test
  void over_the_seam_of_a_loop_it_goes_on_from_the_loops_start() {
    sweep.hold(Set.of(61), 0);
    Loop loop = new Loop(500 * MS, 1000 * MS);
    moveTo(950, Optional.of(loop));
    assertThat(wiped()).containsExactly(1L);
    sweep.hold(Set.of(60, 61), 0);
    assertThat(moveTo(1100, Optional.of(loop))).as("60 is outside the loop").isFalse();
  }

  @Test
  void another_start_of_the_transport_is_another_time() {
    sweep.hold(Set.of(60, 61, 62, 63), 0);
    Sweep.Place later = new Sweep.Place(2, 1400 * MS);
    assertThat(sweep.moveTo(later, Optional.empty(), TEMPO, SweepTest::quarters)).isFalse();
    later = new Sweep.Place(2, 1600 * MS);
    assertThat(sweep.moveTo(later, Optional.empty(), TEMPO, SweepTest::quarters)).isTrue();
    assertThat(wiped()).containsExactly(3L);
  }
}
