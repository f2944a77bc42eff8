package flailbeat.app.window;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;

/** Prints what a bench has measured. */
final class Percentiles {
  private Percentiles() {}

  static void print(String what, List<Double> millis) {
    List<Double> values = new ArrayList<>(millis);
    Collections.sort(values);
    System.out.printf(
        Locale.ROOT,
        "%s, ms: n %d, p50 %.1f, p95 %.1f, max %.1f%n",
        what,
        values.size(),
        values.get(values.size() / 2),
        values.get(values.size() * 95 / 100),
        values.get(values.size() - 1));
  }
}
