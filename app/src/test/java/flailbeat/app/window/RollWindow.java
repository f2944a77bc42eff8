package flailbeat.app.window;

import flailbeat.app.view.bench.BenchView;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.session.bench.MouseDrawing;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.event.EventType;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/** A window whose roll is used by mouse. Lines are sixteenths: 240 ticks. */
abstract class RollWindow extends HeadlessWindow {
  /** What is held while the mouse is used. */
  enum With {
    SHIFT,
    CTRL,
    ALT,
    RIGHT,
    TWICE
  }

  BenchView bench() {
    return (BenchView) ui.node("bench");
  }

  List<String> lines() {
    return lines(notes());
  }

  static List<String> lines(List<Note> notes) {
    return notes.stream().map(n -> n.onset() + " " + n.pitch() + " " + n.length()).toList();
  }

  Point2D at(long tick, int pitch) {
    return ui.get(() -> bench().placeOf(tick, pitch));
  }

  void mouse(EventType<MouseEvent> type, Point2D at, With... with) {
    mouse(ui.node("roll"), type, at, with);
  }

  void mouse(Node roll, EventType<MouseEvent> type, Point2D at, With... with) {
    Set<With> held = Set.of(with);
    MouseButton button = held.contains(With.RIGHT) ? MouseButton.SECONDARY : MouseButton.PRIMARY;
    ui.run(
        () ->
            MouseEvents.fire(
                roll,
                type,
                at,
                button,
                held.contains(With.TWICE) ? 2 : 1,
                new MouseEvents.Modifiers(
                    held.contains(With.SHIFT), held.contains(With.CTRL), held.contains(With.ALT))));
  }

  void press(Point2D at, With... with) {
    mouse(MouseEvent.MOUSE_PRESSED, at, with);
  }

  void drag(Point2D to, With... with) {
    mouse(MouseEvent.MOUSE_DRAGGED, to, with);
  }

  void letGo(Point2D at, With... with) {
    gestures++;
    mouse(MouseEvent.MOUSE_RELEASED, at, with);
  }

  void stroke(Point2D from, Point2D to, With... with) {
    press(from, with);
    drag(from.midpoint(to), with);
    drag(to, with);
    letGo(to, with);
  }

  void given(String... notes) {
    List<NewNote> all = new ArrayList<>();
    for (String note : notes) {
      String[] p = note.split(" ");
      long onset = Long.parseLong(p[0]);
      Played played = new Played(onset, onset + Long.parseLong(p[2]));
      all.add(new NewNote(Integer.parseInt(p[1]), 80, played));
    }
    ui.run(
        () -> {
          TrackId track = ui.session.document().track().id();
          ui.session
              .editing()
              .edit("Given", s -> NoteEdits.add(s, track, all, new TickRange(0, 15_360)));
          bench().fit();
        });
  }

  void type2(KeyCode... keys) {
    try {
      type(keys);
    } catch (Exception e) {
      throw new AssertionError(e);
    }
  }

  void wheel(Point2D at, double amount) {
    wheel(at, amount, 1);
  }

  /** Turns the wheel several times at once, with Alt: a pause between would end what it does. */
  void wheel(Point2D at, double amount, int times) {
    ui.run(
        () -> {
          for (int i = 0; i < times; i++) {
            MouseEvents.scroll(
                ui.node("roll"), at, amount, new MouseEvents.Modifiers(false, false, true));
          }
        });
  }

  void draws(UnaryOperator<MouseDrawing.Kept> change) {
    ui.run(() -> ui.session.drawing().set(change.apply(ui.session.drawing().kept())));
  }

  int gestures;
}
