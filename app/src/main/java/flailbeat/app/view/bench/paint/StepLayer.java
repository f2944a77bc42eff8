package flailbeat.app.view.bench.paint;

import flailbeat.app.view.bench.surface.PitchSurface;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Note;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.StepEntry;
import flailbeat.core.step.Struck;
import java.util.List;
import javafx.scene.Group;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;

/**
 * Where the next step goes: the step cursor, how long the step will be, the notes that are held, or
 * those that take the next pitches. All of it is nodes, so that a key press draws no more than
 * itself.
 */
public final class StepLayer extends Group {
  private static final double ARC = 8;
  private static final double LEAST = 4;

  private final Session session;
  private final Viewport viewport;
  private final Line cursor = new Line();
  private final Polygon cap = new Polygon(-7, 0, 7, 0, 0, 9);
  private final Rectangle ghost = new Rectangle();
  private final Group held = new Group();

  public StepLayer(Session session, Viewport viewport) {
    this.session = session;
    this.viewport = viewport;
    setId("step-layer");
    cursor.getStyleClass().add("step-cursor");
    cap.getStyleClass().add("step-cap");
    ghost.getStyleClass().add("step-ghost");
    getChildren().addAll(ghost, held, cursor, cap);
    setMouseTransparent(true);
    refresh();
  }

  public void size(double height) {
    cursor.setEndY(height);
    ghost.setHeight(height);
  }

  /** Shows where steps stand now, or nothing while the letters are none. */
  public void refresh() {
    boolean shown = session.performer().keysMode() == KeysMode.STEPS;
    setVisible(shown);
    if (!shown) {
      return;
    }
    StepEntry steps = session.steps();
    PitchSurface scale = viewport.scale();
    double x = Math.round(scale.xOf(steps.place().cursorTick()));
    cursor.setTranslateX(x);
    cap.setTranslateX(x);
    List<Note> waiting = steps.waitingForPitch();
    ghost.setVisible(!steps.settings().ontoRhythm() && !steps.isOpen());
    ghost.setX(x);
    ghost.setWidth(Math.max(LEAST, scale.xOf(steps.nextEndTick()) - x));
    int count = 0;
    for (Note note : waiting) {
      show(pill(count++), note.pitch(), note.onset(), note.end());
    }
    for (Struck note : steps.isOpen() ? List.<Struck>of() : steps.held()) {
      long from = waiting.isEmpty() ? steps.place().cursorTick() : waiting.getFirst().onset();
      long to = waiting.isEmpty() ? steps.nextEndTick() : waiting.getFirst().end();
      show(pill(count++), note.pitch(), from, to);
    }
    for (int i = count; i < held.getChildren().size(); i++) {
      held.getChildren().get(i).setVisible(false);
    }
  }

  /** One of the pills, which are kept: a new one would have to be dressed. */
  private Rectangle pill(int index) {
    if (index == held.getChildren().size()) {
      Rectangle made = new Rectangle();
      made.setArcWidth(ARC);
      made.setArcHeight(ARC);
      made.getStyleClass().add("step-held");
      held.getChildren().add(made);
    }
    return (Rectangle) held.getChildren().get(index);
  }

  private void show(Rectangle pill, int pitch, long from, long to) {
    PitchSurface scale = viewport.scale();
    double x = scale.xOf(from);
    pill.setX(x);
    pill.setY(scale.yOf(pitch) + 1);
    pill.setWidth(Math.max(LEAST, scale.xOf(to) - x));
    pill.setHeight(scale.rowHeight() - 2);
    pill.setVisible(true);
  }
}
