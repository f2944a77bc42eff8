package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.journal.JournalEntry;
import flailbeat.core.journal.JournalState;
import flailbeat.core.model.Note;
import flailbeat.core.session.document.Journalist;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.transport.Transport.State;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import javafx.scene.input.KeyEvent;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Measures in one run, in turn, what the journal costs the keys: recordings with it and recordings
 * without. Prints what it measures; docs/losing-nothing.md tells how to run it and what came of it.
 */
@Tag("bench")
class JournalLatencyBench {
  private static final String[] KEYS = {"A", "S", "D", "F", "G", "H", "J", "K"};
  private static final int TURNS = 10;
  private static final int PRESSES = 60;

  private final List<Long> handled = Collections.synchronizedList(new ArrayList<>());

  /** The window's own, which can be left out. */
  private static final class Gate implements Journalist {
    private final Journalist to;
    private boolean open = true;

    Gate(Journalist to) {
      this.to = to;
    }

    @Override
    public void opened(JournalState state, boolean leftUnsaved) {
      to.opened(state, leftUnsaved);
    }

    @Override
    public void put(JournalEntry entry) {
      if (open) {
        to.put(entry);
      }
    }
  }

  /** What was measured one way. */
  private record Way(List<Double> handling, List<Double> onsets) {
    Way() {
      this(new ArrayList<>(), new ArrayList<>());
    }
  }

  @Test
  void keys_with_and_without_the_journal() throws Exception {
    WindowUnderTest ui = WindowUnderTest.open(1280, 800);
    Way with = new Way();
    Way without = new Way();
    Random random = new Random(42);
    try (RealKeys keys = new RealKeys()) {
      ui.await(() -> ui.stage.isFocused());
      Gate gate = new Gate(ui.safe.keeper());
      ui.run(
          () -> {
            ui.session.document().writeDownTo(gate);
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
      for (int i = 0; i < 60; i++) {
        keys.send("+A ~40 -A ~40");
      }
      for (int turn = 0; turn < 2 * TURNS; turn++) {
        gate.open = turn % 2 == 0;
        measure(ui, keys, random, gate.open ? with : without);
      }
    } finally {
      ui.close();
    }
    report("key to handler, with the journal", with.handling());
    report("key to handler, without", without.handling());
    report("recorded onset less injected, constant removed, with the journal", with.onsets());
    report("recorded onset less injected, constant removed, without", without.onsets());
  }

  private void measure(WindowUnderTest ui, RealKeys keys, Random random, Way way) throws Exception {
    StringBuilder words = new StringBuilder();
    for (int i = 0; i < PRESSES; i++) {
      int gap = 80 + random.nextInt(100);
      String key = KEYS[random.nextInt(KEYS.length)];
      words.append('+').append(key).append(" ~").append(gap / 2);
      words.append(" -").append(key).append(" ~").append(gap - gap / 2).append(' ');
    }
    List<Note> before = ui.get(() -> List.copyOf(ui.session.document().track().notes()));
    keys.send("+SHIFT +SPACE -SPACE -SHIFT");
    ui.await(() -> ui.session.runControl().transport().state() == State.RECORDING);
    handled.clear();
    List<Long> moments = keys.send("~300 " + words);
    keys.send("~200");
    ui.run(ui.session.run()::stop);
    List<Note> notes =
        ui.get(
            () ->
                ui.session.document().track().notes().stream()
                    .filter(n -> !before.contains(n))
                    .toList());
    assertThat(notes).as("not one lost or doubled").hasSize(PRESSES);
    ui.run(ui.session.editing()::undo);
    double[] off = new double[PRESSES];
    for (int i = 0; i < PRESSES; i++) {
      long sent = moments.get(2 * i);
      way.handling().add((handled.get(i) - sent) / 1e6);
      long nanos = ui.session.song().tempos().nanosAt(notes.get(i).played().onset());
      off[i] = (nanos - sent) / 1e6;
    }
    double[] sorted = off.clone();
    Arrays.sort(sorted);
    for (double each : off) {
      way.onsets().add(Math.abs(each - sorted[PRESSES / 2]));
    }
  }

  private static void report(String what, List<Double> values) {
    List<Double> v = new ArrayList<>(values);
    Collections.sort(v);
    System.out.printf(
        Locale.ROOT,
        "%s, ms: n %d, p50 %.2f, p95 %.2f, p99 %.2f, max %.2f%n",
        what,
        v.size(),
        v.get(v.size() / 2),
        v.get(v.size() * 95 / 100),
        v.get(v.size() * 99 / 100),
        v.getLast());
  }
}
