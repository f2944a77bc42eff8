package flailbeat.app.view.base;

import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import java.util.function.DoubleConsumer;
import javafx.css.PseudoClass;
import javafx.scene.layout.Region;

/**
 * Whether a row has room for all that could stand in it. Larger texts need a wider row: the bound
 * is told for texts of the usual size, and goes with them.
 */
public final class Narrowness {
  private static final PseudoClass NARROW = PseudoClass.getPseudoClass("narrow");

  private final Region row;
  private final Session session;
  private final double wideEnough;

  /**
   * Follows the width of a row and the size of texts, and marks the row for the style sheets.
   *
   * @param wideEnough in pixels, with texts of the usual size
   * @param onChange gets how large the texts are, 1 as usual, whenever either has changed
   */
  public Narrowness(Region row, Session session, double wideEnough, DoubleConsumer onChange) {
    this.row = row;
    this.session = session;
    this.wideEnough = wideEnough;
    Runnable tell =
        () -> {
          row.pseudoClassStateChanged(NARROW, isNarrow());
          onChange.accept(session.person().appearance().textScale());
        };
    row.widthProperty().addListener((property, before, now) -> tell.run());
    Follow.changes(
        row,
        session,
        change -> {
          if (change.isOf(Aspect.SETTINGS)) {
            tell.run();
          }
        });
  }

  /** Whether some of it has to give way. */
  public boolean isNarrow() {
    return row.getWidth() < wideEnough * session.person().appearance().textScale();
  }
}
