package flailbeat.core.capture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.quantize.Robust;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import java.util.Random;
import org.junit.jupiter.api.Test;

class CalibrationTest {
  private static final long MS = 1_000_000;

  private final Calibration calibration =
      new Calibration(TempoMap.of(Tempo.ofBpm(100)), MeterMap.of(Meter.COMMON), 0);

  /**
   * The worked example of Leys et al. 2013 (see {@link Robust}), from memory: of 1, 3, 3, 6, 8, 10,
   * 10, 1000 the median is 7 and the scaled deviation 1.4826 * 3.5 = 5.1891, so that with a
   * threshold of 3 the limits are -8.57 and 22.57, and 1000 alone is an outlier. Worked out by hand
   * as well: the distances are 6 4 4 1 1 3 3 993, whose median is (3 + 4) / 2.
   */
  @Test
  void outliers_are_found_as_in_the_published_example() {
    double[] values = {1, 3, 3, 6, 8, 10, 10, 1000};
    assertThat(Robust.median(values)).isEqualTo(7);
    assertThat(Robust.deviation(values)).isCloseTo(5.1891, within(1e-9));
    assertThat(Robust.inliers(values, 0)).containsExactly(1, 3, 3, 6, 8, 10, 10);
    assertThat(Robust.inliers(new double[] {7, 22.5, 7, 1, 8, 10, 3}, 0)).hasSize(6);
  }

  /** A beat lasts 600 ms. */
  @Test
  void a_steady_tapper_is_found_out_in_spite_of_slips() {
    Random random = new Random(7);
    for (int beat = 0; beat < 32; beat++) {
      long error = Math.round(-23 + 8 * random.nextGaussian());
      calibration.tap((beat * 600 + (beat % 10 == 5 ? 180 : error)) * MS);
    }
    Calibration.Result result = calibration.result();
    assertThat(result.isEnough()).isTrue();
    assertThat(result.leftOut()).isEqualTo(3);
    assertThat(result.taps()).isEqualTo(29);
    assertThat(result.offsetMs()).isCloseTo(-23, within(4.0));
    assertThat(result.spreadMs()).isBetween(5.0, 11.0);
  }

  @Test
  void a_few_taps_are_not_enough() {
    for (int beat = 0; beat < 7; beat++) {
      calibration.tap(beat * 600 * MS);
    }
    assertThat(calibration.result().isEnough()).isFalse();
    assertThat(calibration.range().end()).isEqualTo(8 * 3840);
  }
}
