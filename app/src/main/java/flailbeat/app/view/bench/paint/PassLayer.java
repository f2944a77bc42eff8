package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.surface.PitchSurface;
import flailbeat.app.view.bench.surface.RollScale;
import flailbeat.core.capture.Pass;
import flailbeat.core.edit.NoteEdits.NewNote;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Group;
import javafx.scene.shape.Rectangle;

/**
 * The notes of a running recording. Each is a node of its own, so that a key press, or the growing
 * of a held note, draws no more than itself.
 */
public final class PassLayer extends Group {
  private static final double ARC = 8;

  private final Palette palette;
  private final Map<Pass.Held, Rectangle> held = new HashMap<>();
  private PitchSurface scale = RollScale.initial();
  private Pass shown;
  private int doneShown;
  private double width;

  public PassLayer(Palette palette) {
    this.palette = palette;
    setMouseTransparent(true);
  }

  /** Starts anew where something else is in sight: only that is made. */
  public void show(Optional<Pass> pass, PitchSurface newScale, double newWidth) {
    if (newScale.equals(scale) && newWidth == width) {
      update(pass);
      return;
    }
    scale = newScale;
    width = newWidth;
    getChildren().clear();
    held.clear();
    shown = null;
    update(pass);
  }

  /** Takes in what has begun or ended since the last call. */
  public void update(Optional<Pass> pass) {
    Pass now = pass.orElse(null);
    if (now != shown) {
      getChildren().clear();
      held.clear();
      doneShown = 0;
      shown = now;
    }
    if (now == null) {
      return;
    }
    held.entrySet()
        .removeIf(
            e -> {
              boolean ended = !now.held().contains(e.getKey());
              if (ended) {
                getChildren().remove(e.getValue());
              }
              return ended;
            });
    List<NewNote> done = now.done();
    for (; doneShown < done.size(); doneShown++) {
      NewNote n = done.get(doneShown);
      add(n.pitch(), n.velocity(), n.played().onset(), n.played().release());
    }
    for (Pass.Held h : now.held()) {
      held.computeIfAbsent(h, x -> add(x.pitch(), x.velocity(), x.onset(), x.onset() + 1));
    }
  }

  /** Lets held notes reach the playhead. */
  public void grow(long now) {
    held.forEach((h, r) -> r.setWidth(widthOf(Math.max(0, h.onset()), now)));
  }

  private Rectangle add(int pitch, int velocity, long from, long to) {
    double x = scale.xOf(Math.max(0, from));
    double row = scale.rowHeight() - 2;
    double thick = NotePainter.thickness(velocity, row);
    double top = scale.yOf(pitch) + 1 + (row - thick) / 2;
    Rectangle r = new Rectangle(x, top, widthOf(Math.max(0, from), to), thick);
    r.setArcWidth(ARC);
    r.setArcHeight(ARC);
    r.setFill(palette.color(Ink.RECORD));
    r.setStroke(palette.color(Ink.RECORD));
    if (x <= width && x + r.getWidth() >= 0) {
      getChildren().add(r);
    }
    return r;
  }

  private double widthOf(long from, long to) {
    return Math.max(4, scale.xOf(to) - scale.xOf(from) - 0.5);
  }
}
