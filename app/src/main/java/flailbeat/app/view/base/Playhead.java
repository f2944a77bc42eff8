package flailbeat.app.view.base;

import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import javafx.css.PseudoClass;
import javafx.scene.shape.Line;

/**
 * The line where the song is: a node of its own, so that it moves without a redraw. It looks
 * otherwise while a recording runs.
 */
public final class Playhead extends Line {
  private static final PseudoClass RECORDING = PseudoClass.getPseudoClass("recording");

  /** One at the left edge, of no height yet. */
  public Playhead(Session session) {
    getStyleClass().add("playhead");
    setMouseTransparent(true);
    setManaged(false);
    Follow.changes(
        this,
        session,
        () -> pseudoClassStateChanged(RECORDING, session.runControl().transport().isRecording()),
        Aspect.TRANSPORT);
  }
}
