package flailbeat.app.view.page;

import flailbeat.app.control.Segments;
import java.util.EnumMap;
import java.util.Map;
import java.util.function.Supplier;
import javafx.geometry.Insets;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * What stands at the bench's right: the timing desk, or one of the pages of settings. A page is
 * made when it is first turned to.
 */
public final class SidePane extends VBox {
  /** A page. */
  public enum Page {
    TIMING,
    HANDS,
    RECORDING,
    DRAWING,
    LIST,
    CHORES,
    KEYS
  }

  private static final double WIDTH = 292;

  private final Map<Page, Supplier<? extends Region>> makers = new EnumMap<>(Page.class);
  private final Map<Page, Region> pages = new EnumMap<>(Page.class);
  private final ScrollPane scroll = new ScrollPane();
  private final Segments<Page> chooser =
      new Segments<Page>(this::show)
          .add(Page.TIMING, "Timing", "How early or late it is, and quantizing ({page-timing})")
          .add(Page.HANDS, "Hands", "How keys are struck and bent; your keyboard ({page-hands})")
          .add(
              Page.RECORDING, "Recording", "Modes, click, early notes, your lag ({page-recording})")
          .add(Page.DRAWING, "Drawing", "How notes are drawn and moved; drums ({page-drawing})")
          .add(Page.LIST, "List", "Every note and controller of the track ({page-list})")
          .add(Page.CHORES, "Chores", "Clean-ups over many notes at once ({page-chores})")
          .add(Page.KEYS, "Keys", "Which key does what, and other keys for it ({page-keys})")
          .named("page");

  /** Makes the pane; the pages are made as they are needed. */
  public SidePane(
      Region timing,
      Supplier<? extends Region> hands,
      Supplier<? extends Region> recording,
      Supplier<? extends Region> drawing,
      Supplier<? extends Region> list,
      Supplier<? extends Region> chores,
      Supplier<? extends Region> keys) {
    makers.put(Page.TIMING, () -> timing);
    makers.put(Page.HANDS, hands);
    makers.put(Page.RECORDING, recording);
    makers.put(Page.DRAWING, drawing);
    makers.put(Page.LIST, list);
    makers.put(Page.CHORES, chores);
    makers.put(Page.KEYS, keys);
    getStyleClass().add("side-pane");
    chooser.getStyleClass().add("pages");
    HBox head = new HBox(chooser);
    head.setPadding(new Insets(6, 12, 2, 13));
    HBox.setHgrow(chooser, Priority.ALWAYS);
    head.setMinHeight(USE_PREF_SIZE);
    scroll.getStyleClass().add("desk-scroll");
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setFitToWidth(true);
    scroll.setFitToHeight(true);
    scroll.setFocusTraversable(false);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    setMinWidth(WIDTH);
    setPrefWidth(WIDTH);
    setMinHeight(0);
    getChildren().addAll(head, scroll);
    show(Page.TIMING);
  }

  /** Turns to a page. */
  public void show(Page page) {
    chooser.show(page);
    scroll.setContent(pages.computeIfAbsent(page, p -> makers.get(p).get()));
    scroll.setVvalue(0);
  }
}
