package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.model.Note;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.transport.Transport.State;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.ToLongFunction;
import javafx.event.EventType;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Measures keys in the real window, with the demo playing and the bench following. Prints what it
 * measures; docs/performance.md tells how to run it and what came of it.
 */
@Tag("bench")
class LatencyBench {
  private static final String[] KEYS = {"A", "S", "D", "F", "G", "H", "J", "K", "W", "E"};
  private static final int PRESSES = 500;

  private final List<Long> handled = Collections.synchronizedList(new ArrayList<>());
  private final List<Long> sounded = Collections.synchronizedList(new ArrayList<>());
  private final AtomicLong waitingSince = new AtomicLong();

  @Test
  void presses_are_handled_sounded_and_recorded_in_time() throws Exception {
    System.out.println("-- both cores free");
    measure();
  }

  @Test
  void the_same_with_a_busy_second_core() throws Exception {
    System.out.println("-- one core busy");
    Process busy = new ProcessBuilder("sh", "-c", "while :; do :; done").start();
    try {
      measure();
    } finally {
      busy.destroy();
    }
  }

  private void measure() throws Exception {
    WindowUnderTest ui = WindowUnderTest.open(1280, 800);
    try (RealKeys keys = new RealKeys()) {
      ui.await(() -> ui.stage.isFocused());
      ui.run(
          () -> {
            ui.session.open(HarbourLamps.song(), Optional.empty());
            ui.session.runControl().setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
            ui.stage.addEventFilter(
                KeyEvent.KEY_PRESSED,
                e -> {
                  long now = System.nanoTime();
                  if (e.getCode().isLetterKey()) {
                    handled.add(now);
                  }
                });
          });
      keys.send("~2000");
      warmUp(keys);
      handled.clear();
      long[] before = processorTime();
      keys.send("+SHIFT +SPACE -SPACE -SHIFT");
      ui.await(() -> ui.session.runControl().transport().state() == State.RECORDING);
      List<Long> moments = keys.send("~300 " + script());
      keys.send("~300");
      reportStolen(before, processorTime());
      List<Note> recorded = recorded(ui);
      report("key to handler, ms", differences(every(moments, 2), handled));
      assertThat(recorded).as("not one lost or doubled").hasSize(PRESSES);
      reportRecorded("onset", ui, every(moments, 2), recorded, n -> n.played().onset());
      reportRecorded(
          "release",
          ui,
          every(moments.subList(1, moments.size()), 2),
          recorded,
          n -> n.played().release());
      assertThat(ui.get(() -> ui.session.performer().hands().soundingPitches()))
          .as("none hangs")
          .isEmpty();
      measureSound(ui, keys);
    } finally {
      ui.close();
    }
  }

  /** Ticks of all processors: taken away by the machine's host, and in all. */
  private static long[] processorTime() throws IOException {
    String[] fields = Files.readAllLines(Path.of("/proc/stat")).get(0).trim().split("\\s+");
    long all = Arrays.stream(fields).skip(1).mapToLong(Long::parseLong).sum();
    return new long[] {Long.parseLong(fields[8]), all};
  }

  private static void reportStolen(long[] before, long[] after) {
    double percent = 100.0 * (after[0] - before[0]) / (after[1] - before[1]);
    System.out.printf(Locale.ROOT, "taken by the machine's host meanwhile: %.1f %%%n", percent);
  }

  private static void warmUp(RealKeys keys) throws Exception {
    for (int i = 0; i < 60; i++) {
      keys.send("+A ~40 -A ~40");
    }
  }

  private static String script() {
    Random random = new Random(42);
    StringBuilder words = new StringBuilder();
    for (int i = 0; i < PRESSES; i++) {
      int gap = 80 + random.nextInt(141);
      String key = KEYS[random.nextInt(KEYS.length)];
      words.append('+').append(key).append(" ~").append(gap / 2);
      words.append(" -").append(key).append(" ~").append(gap - gap / 2).append(' ');
    }
    return words.toString();
  }

  private static List<Note> recorded(WindowUnderTest ui) {
    List<Note> before = ui.get(() -> ui.session.document().track().notes().stream().toList());
    ui.run(ui.session.run()::stop);
    return ui.get(
        () ->
            ui.session.document().track().notes().stream()
                .filter(n -> !before.contains(n))
                .toList());
  }

  private static List<Long> every(List<Long> moments, int step) {
    List<Long> result = new ArrayList<>();
    for (int i = 0; i < moments.size(); i += step) {
      result.add(moments.get(i));
    }
    return result;
  }

  private static double[] differences(List<Long> from, List<Long> to) {
    assertThat(to).hasSameSizeAs(from);
    double[] result = new double[from.size()];
    for (int i = 0; i < result.length; i++) {
      result[i] = (to.get(i) - from.get(i)) / 1e6;
    }
    return result;
  }

  private static void reportRecorded(
      String what,
      WindowUnderTest ui,
      List<Long> moments,
      List<Note> notes,
      ToLongFunction<Note> tick) {
    double[] off = new double[PRESSES];
    for (int i = 0; i < PRESSES; i++) {
      long nanos = ui.session.song().tempos().nanosAt(tick.applyAsLong(notes.get(i)));
      off[i] = nanos / 1e6 - moments.get(i) / 1e6;
    }
    double[] sorted = off.clone();
    Arrays.sort(sorted);
    double constant = sorted[PRESSES / 2];
    report(
        "recorded " + what + " less injected, constant removed, ms",
        Arrays.stream(off).map(v -> Math.abs(v - constant)).toArray());
  }

  /** From the handler to the first block of the stream that is no longer silent. */
  private void measureSound(WindowUnderTest ui, RealKeys keys) throws Exception {
    ui.engine.setTap(
        (samples, at) -> {
          long since = waitingSince.get();
          if (since != 0 && loudest(samples) > 1e-6f) {
            sounded.add(at - since);
            waitingSince.set(0);
          }
        });
    handled.clear();
    ui.run(
        () ->
            ui.stage.addEventFilter(
                KeyEvent.KEY_PRESSED,
                e -> {
                  if (e.getCode().isLetterKey()) {
                    waitingSince.set(System.nanoTime());
                  }
                }));
    for (int i = 0; i < 40; i++) {
      ui.run(ui.session.run()::panic);
      keys.send("~120 +A ~60 -A ~20");
    }
    report(
        "handler to the first changed block of the stream, ms",
        sounded.stream().mapToDouble(n -> n / 1e6).toArray());
    sounded.clear();
    Node roll = ui.node("roll");
    for (int i = 0; i < 40; i++) {
      ui.run(ui.session.run()::panic);
      Thread.sleep(120);
      ui.run(
          () -> {
            Point2D empty = new Point2D(200, 20);
            waitingSince.set(System.nanoTime());
            mouse(roll, MouseEvent.MOUSE_PRESSED, empty);
            mouse(roll, MouseEvent.MOUSE_RELEASED, empty);
          });
      Thread.sleep(80);
      ui.run(ui.session.editing()::undo);
    }
    report(
        "press on the roll to the first changed block of the stream, ms",
        sounded.stream().mapToDouble(n -> n / 1e6).toArray());
  }

  private static void mouse(Node roll, EventType<MouseEvent> type, Point2D at) {
    MouseEvents.fire(
        roll, type, at, MouseButton.PRIMARY, 1, new MouseEvents.Modifiers(false, false, false));
  }

  private static float loudest(float[] samples) {
    float peak = 0;
    for (float s : samples) {
      peak = Math.max(peak, Math.abs(s));
    }
    return peak;
  }

  private static void report(String what, double[] values) {
    double[] v = values.clone();
    Arrays.sort(v);
    System.out.printf(
        Locale.ROOT,
        "%s: n %d, p50 %.2f, p95 %.2f, p99 %.2f, max %.2f%n",
        what,
        v.length,
        v[v.length / 2],
        v[(int) (v.length * 0.95)],
        v[(int) (v.length * 0.99)],
        v[v.length - 1]);
  }
}
