package flailbeat.app.shell;

import flailbeat.app.view.base.Follow;
import flailbeat.app.view.row.NotePanel;
import flailbeat.app.view.row.StepStrip;
import flailbeat.app.view.row.TrialRow;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The rows over the bench, each made as it is first needed: the start does without them. */
final class RowsOverBench extends VBox {
  private final Session session;
  private final StackPane stepPlace = new StackPane();
  private final StackPane panelPlace = new StackPane();
  private final StackPane trialPlace = new StackPane();
  private StepStrip steps;
  private NotePanel panel;
  private TrialRow trial;

  RowsOverBench(Session session) {
    this.session = session;
    getChildren().addAll(stepPlace, panelPlace, trialPlace);
    Follow.changes(this, session, this::onChange);
  }

  private void onChange(Change change) {
    if (change.isOf(Aspect.KEYS) && session.performer().keysMode() == KeysMode.STEPS) {
      steps();
    }
    if (change.isOf(Aspect.CHORES) && session.chores().isTrying() && trial == null) {
      trial = new TrialRow(session);
      trialPlace.getChildren().add(trial);
    }
  }

  /** What the next key of step entry does. */
  StepStrip steps() {
    if (steps == null) {
      steps = new StepStrip(session);
      stepPlace.getChildren().add(steps);
    }
    return steps;
  }

  /** Exact values. */
  NotePanel panel() {
    if (panel == null) {
      panel = new NotePanel(session);
      panelPlace.getChildren().add(panel);
    }
    return panel;
  }
}
