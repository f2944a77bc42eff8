package flailbeat.core.quantize.lag;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Sums by hand: each part counts three quarters of the one after it, anybody half a part. */
class KnownLagTest {
  @Test
  void the_last_part_counts_most_and_what_is_usual_for_half_a_part() {
    KnownLag lag = KnownLag.NONE.with(20).with(40);
    // (0.5 * 10 + 0.75 * 20 + 1 * 40) / 2.25
    assertThat(lag.meanMs()).isCloseTo(26.6667, within(1e-3));
    // The root of (16^2 + 0.75 * (20 - mean)^2 + (40 - mean)^2) / 2.75 * (1 + 1 / 2.25)
    assertThat(lag.spreadMs()).isCloseTo(15.6637, within(1e-3));
    assertThat(KnownLag.NONE.with(40).meanMs()).isCloseTo(30.0000, within(1e-3));
    assertThat(lag.prior()).isEqualTo(LagPrior.known(lag.meanMs(), lag.spreadMs()));
    assertThat(KnownLag.NONE.prior()).isEqualTo(LagPrior.UNKNOWN);
  }

  @Test
  void what_is_no_person_s_is_left_out_and_only_the_last_twenty_parts_are_kept() {
    assertThat(new KnownLag(Arrays.asList(250.0, 250.1, null, -250.0, Double.NaN)).partsMs())
        .containsExactly(250.0, -250.0);
    KnownLag many = KnownLag.NONE;
    for (int ms : IntStream.range(0, 25).toArray()) {
      many = many.with(ms);
    }
    assertThat(many.partsMs()).hasSize(20).startsWith(5.0).endsWith(24.0);
  }
}
