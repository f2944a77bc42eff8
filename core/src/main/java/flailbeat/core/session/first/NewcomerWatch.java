package flailbeat.core.session.first;

import flailbeat.core.event.Performed;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.session.person.FirstSteps;
import flailbeat.core.session.person.FirstSteps.Step;
import flailbeat.core.session.run.NoteVersion;

/**
 * Sees which of the first steps are done, by what comes of them and not by which key was pressed.
 * It asks nothing and keeps nothing from being done.
 */
public final class NewcomerWatch {
  private final Session session;
  private final FirstSteps steps;
  private int lowest;
  private int undoable;
  private boolean recording;
  private boolean unsaved;
  private int opening;

  /** Watches a session from now on. */
  public NewcomerWatch(Session session) {
    this.session = session;
    steps = session.person().firstSteps();
    lowest = session.performer().hands().lowest();
    session.performer().listen(this::heard);
    session.changes().listen(this::changed);
  }

  private void heard(Performed event) {
    if (event instanceof Performed.NoteOn && !steps.isDone(Step.HEAR)) {
      steps.did(Step.HEAR);
    }
  }

  private void changed(Change change) {
    if (steps.next().isEmpty()) {
      return;
    }
    if (change.isOf(Aspect.KEYS)) {
      int now = session.performer().hands().lowest();
      if (now != lowest && steps.isDone(Step.HEAR)) {
        steps.did(Step.OCTAVE);
      }
      lowest = now;
    }
    if (change.isOf(Aspect.TRANSPORT, Aspect.SONG)) {
      seeRecording();
    }
    if (change.isOf(Aspect.SONG)) {
      seeEdits();
    }
    if (session.timing().version() == NoteVersion.PLAYED) {
      steps.did(Step.AS_PLAYED);
    }
    boolean now = session.document().hasUnsavedWork();
    if (unsaved && !now && session.document().openings() == opening) {
      steps.did(Step.SAVE);
    }
    unsaved = now;
    opening = session.document().openings();
  }

  /** What was recorded comes into the song a moment after the recording has ended. */
  private void seeRecording() {
    boolean now = session.runControl().transport().isRecording();
    recording |= now;
    String last = session.document().undoLabel().orElse("");
    if (recording && !now && (last.startsWith("Record") || last.startsWith("Pass"))) {
      steps.did(Step.RECORD);
      recording = false;
    }
  }

  private void seeEdits() {
    String last = session.document().undoLabel().orElse("");
    if (last.startsWith("Quantize")) {
      steps.did(Step.QUANTIZE);
    }
    if (last.startsWith("Keep")) {
      steps.did(Step.KEEP);
    }
    int depth = session.document().redoLabel().isPresent() ? 1 : 0;
    if (depth > undoable && steps.isDone(Step.RECORD)) {
      steps.did(Step.UNDO);
    }
    undoable = depth;
  }
}
