package flailbeat.core.keys;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.event.Performed;
import flailbeat.core.event.Performed.Bend;
import flailbeat.core.event.Performed.Control;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * Values against the MIDI 1.0 detailed specification: controllers 1 and 64, bend of 14 bits round
 * 8192.
 */
class PedalsTest {
  private static final long MS = 1_000_000;

  private final Pedals pedals = new Pedals();

  @Test
  void sustain_is_down_while_held() {
    assertThat(pedals.sustain(true, 1)).containsExactly(new Control(1, 64, 127));
    assertThat(pedals.sustain(true, 2)).isEmpty();
    assertThat(pedals.sustain(false, 3)).containsExactly(new Control(3, 64, 0));
  }

  @Test
  void a_latch_holds_it_on_after_the_key_and_lets_it_go_when_asked_again() {
    pedals.sustain(true, 1);
    assertThat(pedals.toggleLatch(2)).isEmpty();
    assertThat(pedals.sustain(false, 3)).isEmpty();
    assertThat(pedals.isSustaining()).isTrue();
    assertThat(pedals.isLatched()).isTrue();
    assertThat(pedals.toggleLatch(4)).containsExactly(new Control(4, 64, 0));
  }

  @Test
  void the_bend_glides_to_the_end_of_its_range_and_springs_back_to_the_very_centre() {
    pedals.pull(1, true, 0);
    List<Performed> up = pedals.advance(200 * MS);
    assertThat(up).hasSize(30);
    assertThat(up.get(0)).isEqualTo(new Bend(5 * MS, 8192 + 273));
    assertThat(up.getLast()).isEqualTo(new Bend(150 * MS, 16_383));
    assertThat(pedals.advance(300 * MS)).as("and stays there").isEmpty();
    pedals.pull(1, false, 300 * MS);
    assertThat(pedals.advance(600 * MS).getLast()).isEqualTo(new Bend(450 * MS, 8192));
    pedals.pull(-1, true, 600 * MS);
    assertThat(pedals.advance(900 * MS).getLast()).isEqualTo(new Bend(750 * MS, 0));
  }

  @Test
  void modulation_goes_in_steps_and_stops_at_its_ends() {
    assertThat(pedals.modulate(-1, 0)).isEmpty();
    assertThat(pedals.modulate(1, 1)).containsExactly(new Control(1, 1, 16));
    pedals.modulate(9, 2);
    assertThat(pedals.modulation()).isEqualTo(127);
    assertThat(pedals.modulate(1, 3)).isEmpty();
  }

  @Test
  void letting_everything_go_leaves_nothing_down() {
    pedals.toggleLatch(0);
    pedals.pull(1, true, 0);
    pedals.advance(50 * MS);
    assertThat(pedals.releaseAll(60 * MS))
        .containsExactly(new Control(60 * MS, 64, 0), new Bend(60 * MS, 8192));
    assertThat(pedals.isSustaining()).isFalse();
    assertThat(pedals.isLatched()).isFalse();
    assertThat(pedals.advance(900 * MS)).isEmpty();
    assertThat(pedals.releaseAll(61 * MS)).isEmpty();
  }

  /** Registered parameter 0,0 is pitch bend sensitivity (MIDI 1.0 detailed specification). */
  @Test
  void the_bends_range_is_told_once_before_the_first_bend() {
    pedals.setSettings(new BendSettings(12, 100), 0);
    assertThat(pedals.pull(1, true, 10))
        .containsExactly(
            new Performed.Control(10, 101, 0),
            new Performed.Control(10, 100, 0),
            new Performed.Control(10, 6, 12),
            new Performed.Control(10, 38, 0));
    assertThat(pedals.advance(200_000_000))
        .hasSize(20)
        .last()
        .extracting("value")
        .isEqualTo(16_383);
    pedals.pull(1, false, 200_000_000);
    assertThat(pedals.pull(1, true, 200_000_000)).isEmpty();
    pedals.tellRangeAgain();
    assertThat(pedals.pull(-1, true, 200_000_000)).hasSize(4);
  }

  @Test
  void the_modulation_goes_off_in_one_step() {
    pedals.modulate(5, 0);
    assertThat(pedals.modulationOff(1)).containsExactly(new Performed.Control(1, 1, 0));
    assertThat(pedals.modulationOff(2)).isEmpty();
  }

  @Test
  void a_bend_springs_back_when_it_is_set_otherwise() {
    assertThat(pedals.setSettings(new BendSettings(7, 100), 0)).isEmpty();
    assertThat(pedals.settings()).isEqualTo(new BendSettings(7, 100));
    pedals.pull(-1, true, 0);
    assertThat(pedals.advance(5 * MS)).containsExactly(new Bend(5 * MS, 8192 - 410));
    assertThat(pedals.setSettings(new BendSettings(2, 100), 6 * MS))
        .containsExactly(new Bend(6 * MS, 8192));
    assertThat(pedals.bend()).isZero();
    assertThat(pedals.advance(99 * MS)).isEmpty();
  }

  @Test
  void of_two_ways_pulled_at_once_the_other_counts_again_as_one_is_let_go() {
    pedals.pull(-1, true, 0);
    pedals.pull(1, true, 100 * MS);
    pedals.pull(-1, false, 200 * MS);
    pedals.advance(2000 * MS);
    assertThat(pedals.bend()).isEqualTo(1);
    pedals.pull(-1, true, 2000 * MS);
    pedals.pull(-1, false, 4000 * MS);
    pedals.advance(6000 * MS);
    assertThat(pedals.bend()).isEqualTo(1);
    pedals.pull(1, false, 6000 * MS);
    pedals.advance(9000 * MS);
    assertThat(pedals.bend()).isZero();
  }
}
