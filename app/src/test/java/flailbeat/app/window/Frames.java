package flailbeat.app.window;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.IntConsumer;
import javafx.animation.AnimationTimer;

/**
 * Measures the work on the window's thread from a frame's first instant to the end of its layout,
 * in which everything is drawn, and the time from one frame to the next.
 */
final class Frames {
  private static final int FRAMES = 400;
  private static final int WARM_UP = 200;

  private Frames() {}

  /** Does something in each frame and measures what that frame costs. */
  static void measure(WindowUnderTest ui, String what, IntConsumer each) throws Exception {
    List<Long> work = new ArrayList<>();
    List<Long> between = new ArrayList<>();
    CountDownLatch done = new CountDownLatch(1);
    long[] begun = {0, 0};
    Runnable after = () -> work.add(System.nanoTime() - begun[0]);
    AnimationTimer timer =
        new AnimationTimer() {
          private int frame;

          @Override
          public void handle(long now) {
            begun[0] = System.nanoTime();
            between.add(begun[0] - begun[1]);
            begun[1] = begun[0];
            if (frame++ < FRAMES + WARM_UP) {
              each.accept(frame);
            } else {
              stop();
              done.countDown();
            }
          }
        };
    ui.run(
        () -> {
          ui.stage.getScene().addPostLayoutPulseListener(after);
          timer.start();
        });
    done.await(120, TimeUnit.SECONDS);
    ui.run(() -> ui.stage.getScene().removePostLayoutPulseListener(after));
    System.out.printf(
        Locale.ROOT,
        "%-45s work p50 %5.1f p95 %5.1f p99 %5.1f max %5.1f; frame to frame p50 %5.1f p95 %5.1f ms%n",
        what,
        percentile(work, 50),
        percentile(work, 95),
        percentile(work, 99),
        percentile(work, 100),
        percentile(between, 50),
        percentile(between, 95));
  }

  private static double percentile(List<Long> all, int percent) {
    long[] sorted =
        all.subList(Math.min(all.size() - 1, WARM_UP), all.size()).stream()
            .mapToLong(Long::longValue)
            .sorted()
            .toArray();
    return Arrays.stream(sorted).skip((sorted.length - 1L) * percent / 100).findFirst().orElse(0)
        / 1e6;
  }
}
