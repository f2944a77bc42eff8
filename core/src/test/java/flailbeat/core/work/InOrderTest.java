package flailbeat.core.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;

class InOrderTest {
  @Test
  void what_is_found_is_what_looking_at_each_finds() {
    Random random = new Random(1);
    for (int round = 0; round < 2000; round++) {
      int[] values = random.ints(random.nextInt(20), 0, 12).sorted().toArray();
      int wanted = random.nextInt(14) - 1;
      int from = random.nextInt(values.length + 1);
      int end = from + random.nextInt(values.length - from + 1);
      assertThat(InOrder.countPassing(values.length, i -> values[i] < wanted))
          .isEqualTo((int) Arrays.stream(values).filter(v -> v < wanted).count());
      int first = from;
      while (first < end && values[first] < wanted) {
        first++;
      }
      assertThat(InOrder.firstFailing(from, end, i -> values[i] < wanted)).isEqualTo(first);
      double[] same = Arrays.stream(values).asDoubleStream().toArray();
      assertThat(InOrder.firstAtLeast(same, from, end, wanted)).isEqualTo(first);
    }
  }
}
