package flailbeat.app.shell;

import flailbeat.app.control.Form;
import flailbeat.app.view.deck.KeyDeck;
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

  private final Middle middle;
  private final KeyDeck deck;
  private final Region map;
  private boolean mapWanted = true;

  /** Rows in order from above; the middle, the deck and the map are among them. */
  WindowColumn(Middle middle, KeyDeck deck, Region map, Node... rows) {
    super(rows);
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
    double room = getHeight() - KEPT * getHeight() - middle.shown().besides() - fixed();
    boolean slim = room - heightOf(map, mapWanted) < deck.leastHeight(false);
    boolean noMap = slim && room - heightOf(map, mapWanted) < deck.leastHeight(true);
    Form.show(map, mapWanted && !noMap);
    deck.takeRoom(Math.floor(room - heightOf(map, mapWanted && !noMap)));
    super.layoutChildren();
  }

  /** How high all rows are that never give way. */
  private double fixed() {
    return getManagedChildren().stream()
        .filter(n -> n != middle && n != deck && n != map)
        .mapToDouble(n -> n.prefHeight(getWidth()))
        .sum();
  }

  private double heightOf(Region row, boolean wanted) {
    return wanted ? row.prefHeight(getWidth()) : 0;
  }
}
