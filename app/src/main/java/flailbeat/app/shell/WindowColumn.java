package flailbeat.app.shell;

import flailbeat.app.control.Form;
import flailbeat.app.control.WhenSeen;
import flailbeat.app.view.deck.KeyDeck;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * The rows of the window, one below the other. What is worked on, the middle, keeps at least two
 * fifths of the height: where the others would leave it less, the deck becomes lower and then slim,
 * and then the song map goes. They come back as soon as there is room. Lanes, which stand in the
 * middle, give way to the roll by themselves.
 */
final class WindowColumn extends VBox {
  private static final double KEPT = 0.4;
  private static final double AROUND_MENUS = 24;

  private final Middle middle;
  private final KeyDeck deck;
  private final Region map;
  private final Region menus;
  private boolean mapWanted = true;

  /**
   * Rows in order from above; the middle, the deck and the map are among them, the menus in one.
   */
  WindowColumn(Middle middle, KeyDeck deck, Region map, Region menus, Node... rows) {
    super(rows);
    WhenSeen.fill(List.of(rows));
    this.menus = menus;
    this.middle = middle;
    this.deck = deck;
    this.map = map;
    setVgrow(middle, Priority.ALWAYS);
  }

  /** Whether the person wants the map. */
  void showMap(boolean wanted) {
    mapWanted = wanted;
    requestLayout();
  }

  @Override
  protected void layoutChildren() {
    double room = getHeight() - KEPT * getHeight() - middle.shown().besides() - fixed(getWidth());
    boolean slim = room - heightOf(map, mapWanted) < deck.leastHeight(false);
    boolean noMap = slim && room - heightOf(map, mapWanted) < deck.leastHeight(true);
    Form.show(map, mapWanted && !noMap);
    deck.takeRoom(Math.floor(room - heightOf(map, mapWanted && !noMap)));
    super.layoutChildren();
  }

  /** With everything given way that can: less than that is scrolled. */
  @Override
  protected double computeMinHeight(double width) {
    return fixed(width) + middle.shown().besides() + middle.leastHeight() + deck.leastHeight(true);
  }

  /** The menus stand in one line, and beside the pages there is some of what is worked on. */
  @Override
  protected double computeMinWidth(double height) {
    return Math.max(menus.prefWidth(-1) + AROUND_MENUS, middle.leastWidth());
  }

  /** How high all rows are that never give way. */
  private double fixed(double width) {
    return getManagedChildren().stream()
        .filter(n -> n != middle && n != deck && n != map)
        .mapToDouble(n -> n.prefHeight(width))
        .sum();
  }

  private double heightOf(Region row, boolean wanted) {
    return wanted ? row.prefHeight(getWidth()) : 0;
  }
}
