package flailbeat.app.view.help;

import flailbeat.app.control.FoundList;
import flailbeat.app.help.HelpSection;
import flailbeat.app.help.HelpTexts;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * Help over the window: what is found at the left, the text under the cursor at the right. Enter
 * reads on. It is read when it is first asked for.
 */
public final class HelpPane extends FoundList<HelpSection> {
  private static final double WIDTH = 980;
  private static final double LIST_WIDTH = 300;
  private static final double BESIDE_ROWS = 40;
  private static final double AROUND = 190;
  private static final double LEAST_HEIGHT = 200;
  private static final double TITLE = 30;
  private static final double PAGE = 0.85;
  private static final int ROWS = 40;

  private final Region list;
  private final Label title = new Label();
  private final VBox text = new VBox(10);
  private final ScrollPane scroll = new ScrollPane(text);
  private final HelpBlocks blocks = new HelpBlocks(this::follow);
  private Optional<HelpTexts> texts = Optional.empty();

  /** Help that is not shown yet. */
  public HelpPane() {
    super(
        "help", "What you want to know about", "No help text has all of these words.", WIDTH, ROWS);
    list = (Region) getChildren().remove(1);
    list.setMinWidth(LIST_WIDTH);
    list.setMaxWidth(LIST_WIDTH);
    title.getStyleClass().add("help-title");
    title.setId("help-title");
    text.getStyleClass().add("help-page");
    text.setId("help-text");
    scroll.setFitToWidth(true);
    scroll.setFocusTraversable(false);
    scroll.getStyleClass().add("told-scroll");
    scroll.setId("help-scroll");
    VBox right = new VBox(6, title, scroll);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    HBox.setHgrow(right, Priority.ALWAYS);
    HBox both = new HBox(14, list, right);
    VBox.setVgrow(both, Priority.ALWAYS);
    getChildren().add(both);
    onSelected(this::read);
  }

  @Override
  public void open() {
    double room = Math.max(LEAST_HEIGHT, getScene().getHeight() - AROUND);
    setMaxWidth(Math.min(WIDTH, getScene().getWidth() - 40));
    scroll.setPrefHeight(room);
    scroll.setMaxHeight(room);
    list.setMaxHeight(room + TITLE);
    super.open();
  }

  @Override
  protected List<HelpSection> find(String wanted) {
    if (texts.isEmpty()) {
      texts = Optional.of(HelpTexts.read());
    }
    return texts.get().find(wanted);
  }

  /** Reads on: a page further, and after the last of it the next section. */
  @Override
  protected void choose(HelpSection item) {
    double hidden = text.getHeight() - scroll.getViewportBounds().getHeight();
    if (hidden <= 0 || scroll.getVvalue() >= scroll.getVmax()) {
      next();
    } else {
      double page = PAGE * scroll.getViewportBounds().getHeight() / hidden;
      scroll.setVvalue(Math.min(scroll.getVmax(), scroll.getVvalue() + page));
    }
  }

  private void read(Optional<HelpSection> section) {
    title.setText(section.map(HelpSection::title).orElse(""));
    text.getChildren()
        .setAll(section.stream().flatMap(s -> s.blocks().stream()).map(blocks::show).toList());
    scroll.setVvalue(0);
  }

  /** Goes to another text, such as {@code editing.md#lines}. */
  private void follow(String destination) {
    String document = destination.replaceAll("\\.md.*", "");
    showFirst(s -> s.document().equals(document));
  }

  @Override
  protected Row<HelpSection> row() {
    return new SectionRow();
  }

  private static final class SectionRow implements Row<HelpSection> {
    private final Label name = new Label();
    private final Label about = new Label();
    private final HBox box = new HBox(8, name, about);

    SectionRow() {
      about.getStyleClass().addAll("soft", "small");
      name.setMinWidth(Region.USE_PREF_SIZE);
      box.setMaxWidth(LIST_WIDTH - BESIDE_ROWS);
      box.setPrefWidth(LIST_WIDTH - BESIDE_ROWS);
    }

    @Override
    public Node box() {
      return box;
    }

    @Override
    public void show(HelpSection item) {
      name.setText(item.title());
      about.setText(item.title().equals(item.about()) ? "" : item.about());
    }
  }
}
