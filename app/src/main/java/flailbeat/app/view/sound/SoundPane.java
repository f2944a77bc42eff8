package flailbeat.app.view.sound;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.control.KeyTexts;
import flailbeat.app.view.base.Follow;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.tracks.SoundChooser;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * The sounds to choose from: families at the left, the sounds of one beside them. It lies over the
 * bench and leaves the deck in sight, since the keys play what is under the cursor.
 */
public final class SoundPane extends VBox {
  private static final double WIDTH = 700;
  private static final double HEIGHT = 430;
  private static final double ROW = 27;
  private static final double FAMILIES = 190;

  private final Session session;
  private final SoundChooser sounds;
  private final Label of = new Label();
  private final TextField words = new TextField();
  private final ListView<String> families = new ListView<>();
  private final ListView<Instrument> found = new ListView<>();
  private final Label none = new Label();
  private boolean showing;

  /**
   * The pane.
   *
   * @param onAddFile asks for a file with sounds of the person's own
   */
  public SoundPane(Session session, Runnable onAddFile) {
    this.session = session;
    this.sounds = session.sounds();
    getStyleClass().addAll("overlay", "sound-pane");
    setId("sound-pane");
    setMaxSize(WIDTH, HEIGHT);
    setPrefHeight(HEIGHT);
    of.getStyleClass().add("page-heading");
    words.setId("sound-words");
    words.setFocusTraversable(false);
    words.setPromptText("Search: double bass, organ, brush \u2026");
    words.textProperty().addListener((property, before, now) -> seek());
    words.addEventFilter(KeyEvent.KEY_PRESSED, this::typed);
    HBox.setHgrow(words, Priority.ALWAYS);
    Button search =
        Buttons.text("Search", "The caret goes to where you type ({sounds-search})", this::search);
    HBox head = new HBox(8, of, words, search);
    head.setAlignment(Pos.CENTER_LEFT);
    families.setId("sound-families");
    families.setFixedCellSize(ROW);
    families.setPrefWidth(FAMILIES);
    families.setMinWidth(FAMILIES);
    families.setFocusTraversable(false);
    families.setCellFactory(list -> new FamilyRow());
    found.setId("sound-found");
    found.setFixedCellSize(ROW);
    found.setFocusTraversable(false);
    found.setCellFactory(list -> new SoundRow());
    none.setWrapText(true);
    none.getStyleClass().add("soft");
    found.setPlaceholder(none);
    HBox.setHgrow(found, Priority.ALWAYS);
    HBox lists = new HBox(8, families, found);
    VBox.setVgrow(lists, Priority.ALWAYS);
    getChildren().addAll(head, lists, foot(onAddFile));
    setVisible(false);
    Follow.changes(
        this, session, this::refresh, Aspect.SOUNDS, Aspect.SONG, Aspect.CHOICE, Aspect.SETTINGS);
  }

  private HBox foot(Runnable onAddFile) {
    Button keep =
        button("sounds-keep-button", "Keep", "The track gets it ({sounds-keep})", sounds::keep);
    keep.getStyleClass().add("default");
    Button leave =
        button(
            "sounds-leave-button", "Leave", "It stays as it was ({sounds-leave})", sounds::cancel);
    Button hear =
        button(
            "sounds-hear-button",
            "Hear it",
            "The track's own last phrase with this sound ({sounds-hear})",
            sounds::hearPhrase);
    Button like =
        button(
            "sounds-like-button",
            "\u2605",
            "A favourite, or no longer ({sounds-favourite})",
            sounds::toggleFavourite);
    Button add =
        button(
            "sounds-add-button",
            "Your own sounds \u2026",
            "An SF2 file of your own ({sound-file-add})",
            onAddFile);
    Label hint = Form.remark("");
    KeyTexts.set(hint, "{sounds-family-up} {sounds-family-down} families, {sounds-search} words");
    HBox.setHgrow(hint, Priority.ALWAYS);
    hint.setMaxWidth(Double.MAX_VALUE);
    HBox foot = new HBox(6, hint, add, like, hear, leave, keep);
    foot.setAlignment(Pos.CENTER_RIGHT);
    return foot;
  }

  private static Button button(String id, String text, String hint, Runnable press) {
    Button button = Buttons.text(text, hint, press);
    button.setId(id);
    return button;
  }

  /** Puts the caret where words are typed. */
  public void search() {
    words.requestFocus();
    words.selectAll();
  }

  private void typed(KeyEvent e) {
    if (e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN) {
      sounds.step(e.getCode() == KeyCode.UP ? -1 : 1);
      e.consume();
    } else if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.ESCAPE) {
      // What was found stays in sight, and the letters play again.
      getScene().getRoot().requestFocus();
      if (e.getCode() == KeyCode.ESCAPE) {
        words.clear();
      }
      e.consume();
    }
  }

  private void seek() {
    if (!showing) {
      sounds.seek(words.getText());
    }
  }

  private void refresh() {
    boolean opens = sounds.isOpen() && !isVisible();
    if (!sounds.isOpen()) {
      if (isVisible() && words.isFocused()) {
        getScene().getRoot().requestFocus();
      }
      setVisible(false);
      return;
    }
    showing = true;
    setVisible(true);
    of.setText("Sound of " + session.document().track().name());
    if (sounds.sought().isEmpty() && !words.isFocused() || opens) {
      words.setText(sounds.sought());
    }
    if (!families.getItems().equals(sounds.families())) {
      families.getItems().setAll(sounds.families());
    }
    if (sounds.sought().isEmpty()) {
      select(families, sounds.families().indexOf(sounds.family()));
    } else {
      families.getSelectionModel().clearSelection();
    }
    List<Instrument> shown = sounds.shown();
    if (!found.getItems().equals(shown)) {
      found.getItems().setAll(shown);
    }
    found.refresh();
    none.setText(empty());
    sounds.cursor().ifPresent(i -> select(found, i));
    showing = false;
  }

  private String empty() {
    if (!sounds.sought().isEmpty()) {
      return "No sound is called so. Fewer letters, or another word for it.";
    }
    return switch (sounds.family()) {
      case SoundChooser.FAVOURITES -> "None yet: the star makes the sound under the cursor one.";
      case SoundChooser.LAST -> "None yet: sounds that you keep come here.";
      default -> "Nothing here.";
    };
  }

  private static <T> void select(ListView<T> list, int row) {
    if (row >= 0 && list.getSelectionModel().getSelectedIndex() != row) {
      list.getSelectionModel().select(row);
    }
    int rows = Math.max(1, (int) (list.getHeight() / ROW) - 1);
    list.scrollTo(Math.max(0, row - rows / 2));
  }

  private final class FamilyRow extends ListCell<String> {
    FamilyRow() {
      addEventFilter(
          MouseEvent.MOUSE_PRESSED,
          e -> {
            if (getItem() != null && !isEmpty()) {
              sounds.showFamily(getItem());
            }
            e.consume();
          });
    }

    @Override
    protected void updateItem(String item, boolean isEmpty) {
      super.updateItem(item, isEmpty);
      setText(isEmpty ? null : item);
    }
  }

  private final class SoundRow extends ListCell<Instrument> {
    private final Label number = new Label();
    private final Label title = new Label();
    private final Label star = new Label();
    private final HBox box;

    SoundRow() {
      addEventFilter(
          MouseEvent.MOUSE_PRESSED,
          e -> {
            if (getItem() != null && !isEmpty()) {
              sounds.moveTo(getIndex());
              if (e.getClickCount() == 2) {
                sounds.keep();
              }
            }
            e.consume();
          });
      number.getStyleClass().addAll("soft", "figures", "small");
      number.setMinWidth(30);
      star.getStyleClass().add("star");
      Region gap = new Region();
      HBox.setHgrow(gap, Priority.ALWAYS);
      box = new HBox(6, number, title, gap, star);
      box.setAlignment(Pos.CENTER_LEFT);
    }

    @Override
    protected void updateItem(Instrument item, boolean isEmpty) {
      super.updateItem(item, isEmpty);
      setGraphic(isEmpty || item == null ? null : box);
      if (item != null && !isEmpty) {
        number.setText(Integer.toString(item.program() + 1));
        title.setText(item.title());
        boolean now = item.equals(session.document().track().instrument());
        star.setText(
            (now ? "as it is " : "")
                + (session.person().taste().isFavourite(item) ? "\u2605" : ""));
      }
    }
  }
}
