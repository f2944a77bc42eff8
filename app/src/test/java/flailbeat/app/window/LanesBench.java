package flailbeat.app.window;

import flailbeat.app.view.bench.BenchView;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.notes.NoteField;
import flailbeat.core.edit.shapes.ControlEdits;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.session.bench.LaneActions;
import flailbeat.core.session.bench.LaneActions.Shown;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import javafx.event.EventType;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.TableView;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Lanes, the list and exact values with 100,000 events, in the real window: 50,000 notes and 50,000
 * values of a controller in one clip. docs/performance.md tells how to run it.
 */
@Tag("bench")
class LanesBench {
  private static final int EACH = 50_000;

  private WindowUnderTest ui;

  private static Song song() {
    Random random = new Random(5);
    List<Note> notes = new ArrayList<>();
    List<NewControl> values = new ArrayList<>();
    for (int i = 0; i < EACH; i++) {
      long onset = i * 120L + random.nextInt(60);
      notes.add(
          Note.placed(
              new NoteId(10L + i), 36 + random.nextInt(48), 1 + random.nextInt(127), onset, 200));
      values.add(new NewControl(i * 120L, Controller.EXPRESSION.at(random.nextInt(128))));
    }
    Song empty = Song.empty();
    Clip clip = Clip.around(new ClipId(2), notes, List.of(), empty.meters());
    Song with = empty.mapTracks(t -> t.withClips(List.of(clip))).withNextId(EACH + 10L);
    return SongEdits.addControls(with, with.tracks().get(0).id(), values);
  }

  @Test
  void lanes_list_and_values_with_a_hundred_thousand_events() throws Exception {
    ui = WindowUnderTest.openWithBackground(1280, 800);
    try {
      ui.run(() -> ui.session.open(song(), Optional.empty()));
      ui.await(() -> ui.session.timing().preview().isPresent());
      ui.run(
          () ->
              ui.session
                  .lanes()
                  .set(
                      new LaneActions.Kept(
                          List.of(Shown.VELOCITIES, Shown.of(Controller.EXPRESSION)),
                          true,
                          false)));
      Thread.sleep(300);
      inLanes("opening bars");
      ui.run(((BenchView) ui.node("bench"))::fit);
      inLanes("all in sight");
      typing();
      listing();
    } finally {
      ui.close();
    }
  }

  private Node lane(int index) {
    return ui.get(
        () ->
            ((Parent) ui.node("lanes"))
                .getChildrenUnmodifiable().stream()
                    .filter(n -> n instanceof Canvas)
                    .toList()
                    .get(index));
  }

  private void inLanes(String where) throws Exception {
    for (int i = 0; i < 2; i++) {
      Node lane = lane(i);
      String what = i == 0 ? "velocities, " : "controller, ";
      ui.run(() -> mouse(lane, MouseEvent.MOUSE_PRESSED, 20, 3));
      Frames.measure(
          ui,
          "drawing over the " + what + where,
          frame -> mouse(lane, MouseEvent.MOUSE_DRAGGED, 20 + 2 * (frame % 300), 3 + frame % 40));
      ui.run(((BenchView) ui.node("bench"))::cancelMouse);
      ui.run(() -> mouse(lane, MouseEvent.MOUSE_RELEASED, 20, 3));
    }
    Frames.measure(
        ui,
        "scrolling with two lanes, " + where,
        i ->
            MouseEvents.scroll(
                lane(1),
                new Point2D(300, 20),
                i % 160 < 80 ? -40 : 40,
                new MouseEvents.Modifiers(true, false, false)));
  }

  private static void mouse(Node on, EventType<MouseEvent> type, double x, double y) {
    MouseEvents.fire(
        on,
        type,
        new Point2D(x, y),
        MouseButton.PRIMARY,
        1,
        new MouseEvents.Modifiers(false, false, false));
  }

  /** From the value typed to the end of the layout in which the picture is drawn. */
  private void typing() throws Exception {
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    List<Long> taken = new ArrayList<>();
    for (int i = 0; i < 40; i++) {
      String typed = i % 2 == 0 ? "+1" : "-1";
      boolean parts = i > 34;
      ui.run(
          () -> {
            long begun = System.nanoTime();
            ui.session.values().enter(NoteField.START, typed);
            long entered = System.nanoTime() - begun;
            ui.node("bench").getScene().getRoot().layout();
            taken.add(System.nanoTime() - begun);
            if (parts) {
              System.out.printf("   entered %.1f%n", entered / 1e6);
            }
          });
      Thread.sleep(60);
    }
    List<Long> sorted = taken.subList(10, taken.size()).stream().sorted().toList();
    System.out.printf(
        Locale.ROOT,
        "%-45s p50 %.1f max %.1f ms%n",
        "a value typed with all 50,000 notes selected",
        sorted.get(sorted.size() / 2) / 1e6,
        sorted.getLast() / 1e6);
  }

  private void listing() throws Exception {
    ui.run(() -> ui.session.document().select(Selection.NONE));
    ui.run(() -> ((ToggleButton) ui.node("page-list")).fire());
    Thread.sleep(400);
    TableView<?> table = (TableView<?>) ui.node("events");
    System.out.println("   rows: " + ui.get(() -> table.getItems().size()));
    Frames.measure(ui, "the list, scrolling by a row", i -> table.scrollTo(1000 + i));
    Frames.measure(ui, "the list, by 900 rows", i -> table.scrollTo(900 * (i % 100)));
    System.out.println(
        "   values of the controller: "
            + ui.get(
                () ->
                    ControlEdits.points(
                            ui.session.document().track(),
                            Controller.EXPRESSION,
                            new TickRange(0, 100_000_000))
                        .size()));
  }
}
