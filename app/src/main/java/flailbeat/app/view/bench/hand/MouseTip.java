package flailbeat.app.view.bench.hand;

import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.session.Session;
import javafx.scene.control.Label;

/** The readout that goes along with the mouse on the roll. */
public final class MouseTip extends Label {
  private static final double AWAY = 14;

  private final Readout readout;

  public MouseTip(Session session) {
    readout = new Readout(session);
    getStyleClass().add("bench-tip");
    setId("bench-tip");
    setManaged(false);
    setMouseTransparent(true);
    setVisible(false);
  }

  /** Says what the mouse does, beside it and within what is in sight. */
  public void show(SongMouse mouse, Viewport viewport) {
    String text = readout.of(mouse.gesture());
    setVisible(!text.isEmpty());
    if (text.isEmpty()) {
      return;
    }
    setText(text);
    autosize();
    double above = mouse.y() - AWAY - getHeight();
    relocate(
        Math.clamp(mouse.x() + AWAY, 0, Math.max(0, viewport.width() - getWidth())),
        Math.clamp(
            above < 0 ? mouse.y() + AWAY : above, 0, Math.max(0, viewport.height() - getHeight())));
  }
}
