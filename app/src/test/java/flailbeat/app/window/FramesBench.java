package flailbeat.app.window;

import flailbeat.app.view.bench.BenchView;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.session.bench.NoteActions;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.function.IntConsumer;
import javafx.event.EventType;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Measures frames in the real window with a clip of 100,000 notes: the work on the window's thread
 * from a frame's first instant to the end of its layout, in which everything is drawn, and the time
 * from one frame to the next. Prints what it measures; docs/performance.md tells how to run it.
 */
@Tag("bench")
class FramesBench {
  private static final int NOTES = 100_000;

  private WindowUnderTest ui;
  private Node roll;

  private static Song song(int count) {
    Random random = new Random(5);
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      long onset = i * 120L + random.nextInt(60);
      notes.add(
          Note.placed(
              new NoteId(10L + i), 36 + random.nextInt(48), 1 + random.nextInt(127), onset, 200));
    }
    Song empty = Song.empty();
    Clip clip = Clip.around(new ClipId(2), notes, List.of(), empty.meters());
    return empty.mapTracks(t -> t.withClips(List.of(clip))).withNextId(count + 10L);
  }

  @Test
  void frames_with_a_hundred_thousand_notes() throws Exception {
    ui = WindowUnderTest.openWithBackground(1280, 800);
    try {
      ui.run(() -> ui.session.open(song(NOTES), Optional.empty()));
      ui.await(() -> ui.session.timing().preview().isPresent());
      roll = ui.get(() -> ui.node("bench").lookup("#roll"));
      measure(
          "scrolling, the opening bars' size", i -> scroll(i % 160 < 80 ? -40 : 40, true, false));
      measure("scrolling up and down", i -> scroll(i % 20 < 10 ? -40 : 40, false, false));
      measure("zooming", i -> scroll(i % 120 < 60 ? -60 : 60, false, true));
      drawing();
      ui.run(((BenchView) ui.node("bench"))::fit);
      measure("scrolling, all notes in sight", i -> scroll(i % 20 < 10 ? -4 : 4, true, false));
      ui.run(() -> ui.session.runControl().play());
      measure("playing, all notes in sight", i -> {});
      ui.run(() -> ui.session.run().stop());
      selecting();
      dragging();
      ui.run(() -> ((BenchView) ui.node("bench")).zoom(10));
      System.out.println("   ten times larger: the 10,000 notes in the middle are in sight");
      measure("scrolling, 10,000 notes in sight", i -> scroll(i % 20 < 10 ? -40 : 40, true, false));
      selecting();
      dragging();
      resizing();
    } finally {
      ui.close();
    }
  }

  /** What a person waits for after Ctrl+Z, whatever it takes back. */
  @Test
  void undo_with_a_hundred_thousand_notes() throws Exception {
    ui = WindowUnderTest.openWithBackground(1280, 800);
    try {
      ui.run(() -> ui.session.open(song(NOTES), Optional.empty()));
      ui.await(() -> ui.session.timing().preview().isPresent());
      NoteActions desk = ui.session.notes();
      undone("one note moved", () -> select(1), () -> desk.move(1, 0));
      undone("10,000 moved", () -> select(10_000), () -> desk.move(1, 1));
      undone("10,000 split in two", () -> select(10_000), () -> split(desk));
      undone("10,000 lengthened", () -> select(10_000), () -> desk.lengthen(1));
      undone("10,000 cut", () -> select(10_000), desk::cut);
      undone("10,000 copied behind", () -> select(10_000), desk::duplicate);
      undone("all 100,000 transposed", () -> select(NOTES), () -> desk.transpose(1));
      ui.run(() -> select(NOTES));
      ui.await(() -> ui.session.timing().preview().isPresent());
      undone("all 100,000 quantized", () -> select(NOTES), ui.session.quantizing()::quantize);
    } finally {
      ui.close();
    }
  }

  /** From the key to the end of the layout, with all notes in sight. */
  @Test
  void other_colours_with_a_hundred_thousand_notes() throws Exception {
    ui = WindowUnderTest.openWithBackground(1280, 800);
    try {
      ui.run(() -> ui.session.open(song(NOTES), Optional.empty()));
      ui.await(() -> ui.session.timing().preview().isPresent());
      ui.run(((BenchView) ui.node("bench"))::fit);
      Parent root = ui.stage.getScene().getRoot();
      List<Long> taken = new ArrayList<>();
      for (int i = 0; i < 50; i++) {
        taken.add(
            taken(
                () -> {
                  ui.session.person().appearance().nextColours();
                  root.applyCss();
                  root.layout();
                }));
      }
      System.out.printf(
          Locale.ROOT,
          "%-30s p50 %5.2f p95 %5.2f max %5.2f ms%n",
          "other colours",
          of(taken, 50),
          of(taken, 95),
          of(taken, 100));
    } finally {
      ui.close();
    }
  }

  private static void split(NoteActions desk) {
    desk.apply("Split", (s, ids) -> NoteTools.splitInto(s, ids, 2));
  }

  private void select(int count) {
    ui.session
        .document()
        .select(Selection.of(ui.session.document().track().notes().subList(0, count)));
  }

  private void undone(String what, Runnable select, Runnable edit) throws Exception {
    List<Long> undo = new ArrayList<>();
    List<Long> redo = new ArrayList<>();
    ui.run(select);
    Song before = ui.get(ui.session::song);
    ui.run(edit);
    Song after = ui.get(ui.session::song);
    if (before == after) {
      throw new IllegalStateException(what + ": nothing changed");
    }
    for (int i = 0; i < 40; i++) {
      undo.add(taken(ui.session.editing()::undo));
      redo.add(taken(ui.session.editing()::redo));
    }
    ui.run(ui.session.editing()::undo);
    System.out.printf(
        Locale.ROOT,
        "%-30s undo p50 %5.2f p95 %5.2f max %5.2f; redo p50 %5.2f p95 %5.2f ms%n",
        what,
        of(undo, 50),
        of(undo, 95),
        of(undo, 100),
        of(redo, 50),
        of(redo, 95));
  }

  private long taken(Runnable work) throws Exception {
    long[] taken = new long[1];
    ui.run(
        () -> {
          long begun = System.nanoTime();
          work.run();
          taken[0] = System.nanoTime() - begun;
        });
    Thread.sleep(40);
    return taken[0];
  }

  /** Without the first ten, in which code is compiled. */
  private static double of(List<Long> all, int percent) {
    List<Long> sorted = all.subList(10, all.size()).stream().sorted().toList();
    return sorted.get((sorted.size() - 1) * percent / 100) / 1e6;
  }

  /** In the opening bars of a clip of all of them. */
  private void drawing() throws Exception {
    ui.run(() -> mouse(MouseEvent.MOUSE_PRESSED, 30, 30));
    measure("drawing a note", i -> mouse(MouseEvent.MOUSE_DRAGGED, 40 + 2 * (i % 100), 30));
    ui.run(() -> ((BenchView) ui.node("bench")).cancelMouse());
    ui.run(() -> mouse(MouseEvent.MOUSE_PRESSED, 30, 30, true, false));
    measure(
        "filling a row",
        i -> mouse(MouseEvent.MOUSE_DRAGGED, 40 + 6 * (i % 100), 30 + i % 9, true, false));
    ui.run(() -> ((BenchView) ui.node("bench")).cancelMouse());
    ui.run(() -> mouse(MouseEvent.MOUSE_PRESSED, 30, 30, true, true));
    measure(
        "erasing",
        i -> mouse(MouseEvent.MOUSE_DRAGGED, 40 + 6 * (i % 100), 30 + 3 * (i % 90), true, true));
    ui.run(() -> ((BenchView) ui.node("bench")).cancelMouse());
  }

  private void selecting() throws Exception {
    ui.run(
        () -> {
          ui.session.document().select(box(0));
        });
    int held = ui.get(() -> ui.session.document().selection().notes().size());
    System.out.println("   selected by box: " + held);
    measure("selecting 10,000 by a box that grows", i -> ui.session.document().select(box(i % 2)));
  }

  /** Round the 10,000 notes in the middle of the song, but for so many. */
  private static NoteRule box(int fewer) {
    return new NoteRule.Within(new TickRange(45_000 * 120L, (55_000 - fewer) * 120L), 0, 127);
  }

  /** All that are selected go with the note that the mouse gets hold of. */
  private void dragging() throws Exception {
    BenchView bench = (BenchView) ui.node("bench");
    ui.run(() -> ui.session.document().select(box(0)));
    Note middle = ui.get(() -> ui.session.document().track().notes().get(NOTES / 2));
    Point2D at = ui.get(() -> bench.placeOf(middle.onset() + middle.length() / 2, middle.pitch()));
    ui.run(() -> mouse(MouseEvent.MOUSE_PRESSED, at.getX(), at.getY()));
    int held = ui.get(() -> ui.session.document().selection().notes().size());
    if (held < 5000 || !ui.get(bench::isHolding)) {
      throw new IllegalStateException("The mouse got hold of no note that is selected");
    }
    List<Note> before = ui.get(() -> ui.session.document().track().notes());
    System.out.println("   in hand: " + held);
    measure(
        "dragging 10,000, a move of the mouse each frame",
        i -> mouse(MouseEvent.MOUSE_DRAGGED, 460 + i % 40, 100 + i % 30));
    ui.run(() -> mouse(MouseEvent.MOUSE_RELEASED, 490, 120));
    List<Note> after = ui.get(() -> ui.session.document().track().notes());
    System.out.println("   moved: " + (before.equals(after) ? "nothing" : "yes"));
    ui.run(ui.session.editing()::undo);
  }

  /** All that are selected are made longer by the end of the one that the mouse holds. */
  private void resizing() throws Exception {
    BenchView bench = (BenchView) ui.node("bench");
    ui.run(() -> ui.session.document().select(box(0)));
    Note middle = ui.get(() -> ui.session.document().track().notes().get(NOTES / 2));
    Point2D at = ui.get(() -> bench.placeOf(middle.end(), middle.pitch()));
    ui.run(() -> mouse(MouseEvent.MOUSE_PRESSED, at.getX(), at.getY()));
    measure(
        "resizing 10,000, a move of the mouse each frame",
        i -> mouse(MouseEvent.MOUSE_DRAGGED, at.getX() + 4 + i % 40, at.getY()));
    if (!ui.get(bench::isHolding)) {
      throw new IllegalStateException("The mouse got hold of no end");
    }
    ui.run(bench::cancelMouse);
  }

  private void mouse(EventType<MouseEvent> type, double x, double y) {
    mouse(type, x, y, false, false);
  }

  private void mouse(EventType<MouseEvent> type, double x, double y, boolean control, boolean alt) {
    MouseEvents.fire(
        roll,
        type,
        new Point2D(x, y),
        MouseButton.PRIMARY,
        1,
        new MouseEvents.Modifiers(false, control, alt));
  }

  private void scroll(double amount, boolean shift, boolean control) {
    MouseEvents.scroll(
        roll, new Point2D(400, 150), amount, new MouseEvents.Modifiers(shift, control, false));
  }

  private void measure(String what, IntConsumer each) throws Exception {
    Frames.measure(ui, what, each);
  }
}
