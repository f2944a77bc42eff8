package flailbeat.core.session.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;

class WindowPlaceTest {
  private static final WindowPlace.Screen LAPTOP = new WindowPlace.Screen(0, 30, 1366, 738);
  private static final WindowPlace.Screen BESIDE = new WindowPlace.Screen(1366, 0, 1920, 1080);

  @Test
  void a_window_that_is_larger_than_the_screen_becomes_as_large_as_that() {
    assertThat(new WindowPlace(0, 0, 1400, 900).within(List.of(LAPTOP)))
        .isEqualTo(new WindowPlace(0, 30, 1366, 738));
  }

  @Test
  void a_window_stays_on_the_screen_that_shows_most_of_it() {
    WindowPlace left = new WindowPlace(1500, 100, 1280, 800);
    assertThat(left.within(List.of(LAPTOP, BESIDE))).isEqualTo(left);
    assertThat(new WindowPlace(1200, -50, 1280, 800).within(List.of(LAPTOP, BESIDE)))
        .isEqualTo(new WindowPlace(1366, 0, 1280, 800));
  }

  @Test
  void a_window_that_was_left_on_a_screen_that_is_gone_comes_onto_the_one_that_is_there() {
    assertThat(new WindowPlace(1500, 100, 1280, 700).within(List.of(LAPTOP)))
        .isEqualTo(new WindowPlace(86, 68, 1280, 700));
  }

  @Test
  void a_window_whose_screen_is_taken_away_comes_into_sight_and_one_half_over_an_edge_stays() {
    WindowPlace right = new WindowPlace(1500, 100, 1280, 700);
    assertThat(right.inSight(List.of(LAPTOP, BESIDE))).isEqualTo(right);
    assertThat(right.inSight(List.of(LAPTOP))).isEqualTo(right.within(List.of(LAPTOP)));
    WindowPlace over = new WindowPlace(-600, 60, 1280, 700);
    assertThat(over.inSight(List.of(LAPTOP))).isEqualTo(over);
  }

  @Test
  void no_window_is_without_size() {
    assertThatThrownBy(() -> new WindowPlace(0, 0, 0, 10)).hasMessageContaining("cannot be");
    assertThatThrownBy(() -> new WindowPlace(Double.NaN, 0, 10, 10)).hasMessageContaining("cannot");
  }
}
