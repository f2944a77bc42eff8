package flailbeat.core.quantize;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.TestSongs;
import flailbeat.core.model.Note;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.fit.Slots;
import flailbeat.core.time.Grid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A bar of 4/4 is 3840 ticks and lasts two seconds at 120 bpm. */
class GridSlotsTest {
  private static final MeterMap COMMON = MeterMap.of(Meter.COMMON);

  private static GridSlots slots(String grid, MeterMap meters, long... onsets) {
    Drafts drafts =
        Drafts.inOrder(
            LongStream.of(onsets).mapToObj(t -> TestSongs.note(t + 1, 60, t, 100)).toList());
    return new GridSlots(
        QuantizeSettings.standard().withGrid(Grid.parse(grid)),
        TempoMap.of(TempoMap.DEFAULT),
        meters,
        drafts,
        new long[0]);
  }

  private static List<Long> ticks(GridSlots grid) {
    return IntStream.range(0, grid.slots().ms().length).mapToObj(grid::tick).toList();
  }

  /** Where in the first beat a line lies, how strong it is, and to which division it belongs. */
  private static String firstBeat(GridSlots grid) {
    Slots slots = grid.slots();
    return String.join(
        " ",
        IntStream.range(0, slots.ms().length)
            .filter(s -> grid.tick(s) < 960)
            .mapToObj(
                s ->
                    grid.tick(s) + "=" + slots.weight()[slots.place()[s]] + "/" + slots.family()[s])
            .toList());
  }

  /** Families: 0 both, 1 straight, 2 triplet, 3 fifths, 4 sevenths. */
  @ParameterizedTest
  @CsvSource({
    "1/16, 0=1.0/1 240=0.25/1 480=0.6/1 720=0.25/1",
    "1/32, 0=1.0/1 120=0.1/1 240=0.25/1 360=0.1/1 480=0.6/1 600=0.1/1 720=0.25/1 840=0.1/1",
    "1/8T, 0=1.0/2 320=0.6/2 640=0.6/2",
    "1/8+1/8T, 0=1.0/0 320=0.6/2 480=0.6/1 640=0.6/2",
    "1/4:5, 0=1.0/3 192=0.1/3 384=0.1/3 576=0.1/3 768=0.1/3",
    "1/4:7, 0=1.0/4 137=0.1/4 274=0.1/4 411=0.1/4 549=0.1/4 686=0.1/4 823=0.1/4",
    "1/8D, 0=1.0/1 720=0.25/1"
  })
  void each_line_has_the_strength_of_its_place_and_the_division_it_belongs_to(
      String grid, String lines) {
    assertThat(firstBeat(slots(grid, COMMON, 0))).isEqualTo(lines);
  }

  /** 3/4 is 2880 ticks, then 4/4. */
  @Test
  void slots_go_on_from_bar_to_bar_though_the_meter_changes() {
    MeterMap meters =
        MeterMap.of(
            List.of(
                new MeterMap.Change(0, new Meter(3, 4)), new MeterMap.Change(2880, Meter.COMMON)));
    GridSlots grid = slots("1/4", meters, 0, 3000);
    Slots slots = grid.slots();
    assertThat(ticks(grid)).containsExactly(0L, 960L, 1920L, 2880L, 3840L, 4800L, 5760L);
    assertThat(slots.beat()).containsExactly(0, 1, 2, 3, 4, 5, 6);
    assertThat(slots.barPlace()).containsExactly(0, 1, 2, 0, 1, 2, 3);
    assertThat(Arrays.copyOf(slots.ms(), 4)).containsExactly(0, 500, 1000, 1500);
    assertThat(slots.place()).containsOnly(0);
  }

  @Test
  void bars_far_from_any_note_are_left_out_and_those_around_are_there() {
    List<Long> lines = ticks(slots("1/1", COMMON, 10 * 3840 + 1920, 40 * 3840 + 3800));
    assertThat(lines)
        .containsExactly(
            10 * 3840L, 11 * 3840L, 12 * 3840L, 38 * 3840L, 39 * 3840L, 40 * 3840L, 41 * 3840L);
    assertThat(ticks(slots("1/1", COMMON, 10 * 3840 + 1919, 10 * 3840 + 1919)))
        .as("two beats before it, a bar line")
        .containsExactly(9 * 3840L, 10 * 3840L);
    long[] everywhere = LongStream.range(0, 100).map(bar -> bar * 3840).toArray();
    assertThat(ticks(slots("1/1", COMMON, everywhere))).hasSize(100);
  }

  @Test
  void a_slot_on_which_a_note_was_put_is_an_anchor() {
    Drafts drafts =
        Drafts.inOrder(
            List.of(
                TestSongs.note(1, 60, 0, 100),
                Note.placed(new NoteId(2), 60, 90, 481, 100),
                Note.placed(new NoteId(3), 60, 90, 958, 100)));
    GridSlots grid =
        new GridSlots(
            QuantizeSettings.standard(),
            TempoMap.of(TempoMap.DEFAULT),
            COMMON,
            drafts,
            new long[0]);
    boolean[] anchored = grid.slots().anchored();
    assertThat(IntStream.range(0, anchored.length).filter(s -> anchored[s]).mapToObj(grid::tick))
        .as("a tick beside the line is on it, two are not")
        .containsExactly(480L);
  }
}
