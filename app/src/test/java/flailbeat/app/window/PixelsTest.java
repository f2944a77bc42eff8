package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.control.Pixels;
import java.util.stream.IntStream;
import javafx.scene.image.PixelReader;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** What is set pixel by pixel, read back. */
class PixelsTest {
  private static final int RED = Pixels.argb(Color.RED);

  private final Pixels pixels = new Pixels();

  @BeforeAll
  static void startToolkit() throws Exception {
    FxToolkit.registerPrimaryStage();
  }

  private PixelReader drawn() {
    WaitForAsyncUtils.waitForAsyncFx(10_000, pixels::end);
    return pixels.image().getPixelReader();
  }

  @Test
  void a_note_that_is_longer_than_any_screen_is_drawn_from_edge_to_edge_and_at_once() {
    pixels.begin(100, 30, 1);
    pixels.bar(-1e10, 2, 3e10, 5, RED);
    pixels.dashes(-1e10, 10, 3e10, 6, RED);
    pixels.pill(-1e10, 20, 3e10, 8, 4, 0, RED);
    PixelReader reader = drawn();
    for (int x : new int[] {0, 50, 99}) {
      assertThat(reader.getArgb(x, 4)).isEqualTo(RED);
      assertThat(reader.getArgb(x, 24)).isEqualTo(RED);
      assertThat(reader.getArgb(x, 8)).isZero();
    }
    long dashed = IntStream.range(0, 100).filter(x -> reader.getArgb(x, 10) == RED).count();
    assertThat(dashed).isBetween(45L, 55L);
  }

  /** Porter and Duff's "over", as the compositing and blending recommendation of the W3C has it. */
  @Test
  void one_colour_over_another_is_what_the_rule_of_compositing_says() {
    pixels.begin(4, 4, 1);
    pixels.bar(0, 0, 4, 4, Pixels.argb(Color.rgb(0, 0, 255)));
    pixels.bar(0, 0, 4, 4, Pixels.argb(Color.rgb(255, 0, 0, 0.25)));
    Color mixed = drawn().getColor(1, 1);
    assertThat(mixed.getRed()).isBetween(0.24, 0.26);
    assertThat(mixed.getBlue()).isBetween(0.74, 0.76);
    assertThat(mixed.getOpacity()).isEqualTo(1);
  }

  @Test
  void where_the_screen_is_dense_there_are_several_pixels_to_each_of_the_windows() {
    pixels.begin(10, 10, 2);
    pixels.bar(1, 1, 2, 2, RED);
    PixelReader reader = drawn();
    assertThat(pixels.columns()).isEqualTo(20);
    assertThat(reader.getArgb(2, 2)).isEqualTo(RED);
    assertThat(reader.getArgb(5, 5)).isEqualTo(RED);
    assertThat(reader.getArgb(6, 6)).isZero();
  }
}
