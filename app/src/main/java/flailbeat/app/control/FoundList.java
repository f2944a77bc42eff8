package flailbeat.app.control;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Predicate;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * A list over the window that is searched as one types: the arrows move through it while the caret
 * stays in the field, Enter or a press chooses, Esc puts it away, and so does whatever else takes
 * the keys.
 *
 * @param <T> what is in it
 */
public abstract class FoundList<T> extends VBox {
  private static final double ROW = 30;
  private static final int LEAST_ROWS = 3;

  private final TextField words = new TextField();
  private final ListView<T> found = new ListView<>();
  private final int rows;

  /**
   * A list that is not shown yet.
   *
   * @param id its own; that of its field ends in {@code -words}, that of its rows in {@code -found}
   * @param prompt what is to be typed
   * @param none what is said where nothing has that in it
   * @param most rows in sight
   */
  @SuppressWarnings("this-escape")
  protected FoundList(String id, String prompt, String none, double width, int most) {
    this.rows = most;
    getStyleClass().add("overlay");
    setId(id);
    setMaxSize(width, Region.USE_PREF_SIZE);
    words.setId(id + "-words");
    words.setAccessibleText(prompt);
    words.setPromptText(prompt);
    words.textProperty().addListener((property, before, now) -> search());
    words.addEventFilter(KeyEvent.KEY_PRESSED, this::typed);
    words
        .focusedProperty()
        .addListener(
            (property, before, now) -> {
              if (!now && Nodes.isWithin(getScene().getFocusOwner(), this)) {
                Platform.runLater(words::requestFocus);
              } else if (!now) {
                setVisible(false);
              }
            });
    found.setId(id + "-found");
    found.setAccessibleText("What was found");
    found.setFocusTraversable(false);
    found.setFixedCellSize(ROW);
    found.setPlaceholder(new Label(none));
    found.setCellFactory(list -> new Cell(row()));
    getChildren().addAll(words, found);
    setVisible(false);
  }

  /** What has some words in it; all for none. */
  protected abstract List<T> find(String wanted);

  /** Does what is wanted with one. The list is still there: {@link #close} puts it away. */
  protected abstract void choose(T item);

  /** A row, to be filled in. */
  protected abstract Row<T> row();

  /** How one is shown. */
  protected interface Row<T> {
    Node box();

    void show(T item);
  }

  /** Shows all, with the first under the cursor. */
  public void open() {
    setVisible(true);
    words.clear();
    search();
    words.requestFocus();
  }

  /** Shows what has some words in it, with the last of them chosen, to be typed over. */
  protected void open(String text, int typedOver) {
    open();
    words.setText(text);
    words.selectRange(words.getLength() - typedOver, words.getLength());
  }

  protected void close() {
    setVisible(false);
    getScene().getRoot().requestFocus();
  }

  /** Looks again, as what there is has changed. */
  protected void search() {
    found.getItems().setAll(find(words.getText()));
    found.setPrefHeight(ROW * Math.clamp(found.getItems().size(), LEAST_ROWS, rows) + 2);
    found.getSelectionModel().clearSelection();
    if (isSure()) {
      found.getSelectionModel().selectFirst();
    }
    onFound();
    found.scrollTo(0);
  }

  /** Whether the first of what was found is meant: else one has to go to a row before Enter. */
  protected boolean isSure() {
    return true;
  }

  /** Follows a search. */
  protected void onFound() {}

  /** Follows the row under the cursor. */
  protected void onSelected(Consumer<Optional<T>> listener) {
    found
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((property, before, now) -> listener.accept(Optional.ofNullable(now)));
  }

  /** What the cursor is on. */
  protected Optional<T> selected() {
    return Optional.ofNullable(found.getSelectionModel().getSelectedItem());
  }

  /** What is typed. */
  protected String words() {
    return words.getText();
  }

  /** Puts the cursor on a row. */
  protected void select(int row) {
    int wanted = Math.clamp(row, 0, Math.max(0, found.getItems().size() - 1));
    found.getSelectionModel().select(wanted);
    found.scrollTo(Math.max(0, wanted - rows + 1));
  }

  /** Puts the cursor on the row below. */
  protected void next() {
    select(found.getSelectionModel().getSelectedIndex() + 1);
  }

  /** Shows all, with the cursor on the first of a kind; nothing else where there is none. */
  protected void showFirst(Predicate<T> wanted) {
    open();
    for (int i = 0; i < found.getItems().size(); i++) {
      if (wanted.test(found.getItems().get(i))) {
        select(i);
        return;
      }
    }
  }

  private void typed(KeyEvent e) {
    if (take(e.getCode())) {
      e.consume();
    }
  }

  private boolean take(KeyCode key) {
    int now = found.getSelectionModel().getSelectedIndex();
    switch (key) {
      case ESCAPE -> close();
      case ENTER -> chosen(found.getSelectionModel().getSelectedItem());
      case UP -> select(now - 1);
      case DOWN -> select(now + 1);
      case PAGE_UP -> select(now - rows);
      case PAGE_DOWN -> select(now + rows);
      default -> {
        return false;
      }
    }
    return true;
  }

  private void chosen(T item) {
    if (item != null) {
      choose(item);
    }
  }

  private final class Cell extends ListCell<T> {
    private final Row<T> row;

    Cell(Row<T> row) {
      this.row = row;
      // Before the list has the click: it would take the keys from the field, which closes this.
      addEventFilter(
          MouseEvent.MOUSE_PRESSED,
          e -> {
            chosen(getItem());
            e.consume();
          });
    }

    @Override
    protected void updateItem(T item, boolean isEmpty) {
      super.updateItem(item, isEmpty);
      boolean shown = !isEmpty && item != null;
      setGraphic(shown ? row.box() : null);
      if (shown) {
        row.show(item);
      }
    }
  }
}
