package flailbeat.core.keys;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.event.Performed;
import flailbeat.core.event.Performed.NoteOn;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class TouchTest {
  private final Hands hands = new Hands();

  private int struck(boolean accented, double beat) {
    List<Performed> events = hands.press(PhysicalKey.A, accented, beat, 0);
    hands.release(PhysicalKey.A, 1);
    return ((NoteOn) events.get(0)).velocity();
  }

  private List<Integer> strokes(int count) {
    List<Integer> result = new ArrayList<>();
    IntStream.range(0, count).forEach(i -> result.add(struck(false, 0)));
    return result;
  }

  @Test
  void everything_played_passes_through_the_floor_and_the_ceiling() {
    hands.setTouch(Touch.standard().withRange(50, 90));
    hands.setVelocity(20);
    assertThat(struck(false, 0)).isEqualTo(50);
    hands.setVelocity(80);
    assertThat(struck(true, 0)).as("accented").isEqualTo(90);
    assertThat(((NoteOn) hands.press(List.of(60), 120, 0).get(0)).velocity()).isEqualTo(90);
    assertThat(((NoteOn) hands.pressOnDevice(64, 3, 0).get(0)).velocity()).isEqualTo(50);
    assertThat(((NoteOn) hands.latch(List.of(67), 127, 0).get(0)).velocity()).isEqualTo(90);
  }

  @Test
  void a_floor_that_is_the_ceiling_is_one_velocity() {
    hands.setTouch(new Touch(72, 72, 5, 20, 10, 10));
    assertThat(strokes(50)).containsOnly(72);
    assertThat(hands.velocity()).isEqualTo(72);
  }

  @Test
  void sway_spreads_about_the_velocity_and_is_the_same_each_time() {
    hands.setTouch(Touch.standard().withSway(8));
    List<Integer> first = strokes(2000);
    double mean = first.stream().mapToInt(v -> v).average().orElseThrow();
    double squares = first.stream().mapToDouble(v -> (v - mean) * (v - mean)).sum();
    assertThat(mean).isCloseTo(80, within(0.6));
    assertThat(Math.sqrt(squares / 1999)).isCloseTo(8, within(0.4));
    hands.setTouch(Touch.standard().withSway(8));
    assertThat(strokes(2000)).isEqualTo(first);
  }

  @Test
  void beats_are_accented_the_first_of_a_bar_most() {
    hands.setTouch(Touch.standard().withBeatAccent(16));
    assertThat(struck(false, 1)).isEqualTo(96);
    assertThat(struck(false, 0.5)).isEqualTo(88);
    assertThat(struck(false, 0)).isEqualTo(80);
  }

  @Test
  void what_cannot_be_is_refused_in_words() {
    assertThatThrownBy(() -> Touch.standard().withRange(80, 70))
        .hasMessage("Velocities go from 1 to 127, not from 80 to 70");
    assertThatThrownBy(() -> Touch.standard().withStep(0))
        .hasMessage("The velocity step goes from 1 to 32, not 0");
  }

  @Test
  void a_latched_note_stays_until_it_is_latched_again_and_is_let_go_with_everything() {
    hands.latch(List.of(60), 80, 0);
    hands.latch(List.of(64), 80, 1);
    assertThat(hands.latchedPitches()).containsExactly(60, 64);
    hands.press(List.of(67), 80, 2);
    hands.releasePointer(3);
    assertThat(hands.soundingPitches()).containsExactlyInAnyOrder(60, 64);
    hands.latch(List.of(60), 80, 4);
    assertThat(hands.soundingPitches()).containsExactly(64);
    assertThat(hands.releaseAll(5)).hasSize(1);
    assertThat(hands.latchedPitches()).isEmpty();
  }

  @Test
  void a_device_that_goes_takes_its_notes_with_it_and_no_others() {
    hands.press(PhysicalKey.A, 0);
    hands.pressOnDevice(72, 80, 1);
    hands.pressOnDevice(76, 80, 2);
    assertThat(hands.releaseDevice(3)).hasSize(2);
    assertThat(hands.soundingPitches()).containsExactly(60);
  }
}
