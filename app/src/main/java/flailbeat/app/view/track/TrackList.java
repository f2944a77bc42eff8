package flailbeat.app.view.track;

import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;

/** All tracks, to be found by a part of their name, their sound or their group. */
public final class TrackList extends VBox {
  private static final double WIDTH = 460;
  private static final double ROW = 30;
  private static final int ROWS = 12;

  private final Session session;
  private final TextField words = new TextField();
  private final ListView<Track> found = new ListView<>();

  public TrackList(Session session) {
    this.session = session;
    getStyleClass().add("overlay");
    setId("track-list");
    setMaxSize(WIDTH, Region.USE_PREF_SIZE);
    words.setId("track-list-words");
    words.setPromptText("A part of a track's name, or of its sound");
    words.textProperty().addListener((property, before, now) -> search());
    words.addEventFilter(KeyEvent.KEY_PRESSED, this::typed);
    words
        .focusedProperty()
        .addListener(
            (property, before, now) -> {
              if (!now) {
                setVisible(false);
              }
            });
    found.setId("track-list-found");
    found.setFocusTraversable(false);
    found.setFixedCellSize(ROW);
    found.setPlaceholder(new Label("No track has this in its name or its sound."));
    found.setCellFactory(list -> new Row());
    getChildren().addAll(words, found);
    setVisible(false);
  }

  /** Shows them, with the chosen one under the cursor. */
  public void open() {
    setVisible(true);
    words.clear();
    search();
    int now = session.song().indexOf(session.document().track().id());
    select(now);
    words.requestFocus();
  }

  private void close() {
    setVisible(false);
    getScene().getRoot().requestFocus();
  }

  private void search() {
    String wanted = words.getText().strip().toLowerCase(Locale.ROOT);
    List<Track> all = session.song().tracks();
    found
        .getItems()
        .setAll(
            all.stream()
                .filter(t -> text(t, session.song().indexOf(t.id())).contains(wanted))
                .map(t -> t.withClips(List.of()))
                .toList());
    found.setPrefHeight(ROW * Math.clamp(found.getItems().size(), 3, ROWS) + 2);
    found.getSelectionModel().selectFirst();
    found.scrollTo(0);
  }

  private static String text(Track track, int index) {
    return String.join(
            " ",
            Integer.toString(index + 1),
            track.name(),
            track.instrument().title(),
            track.personal().group())
        .toLowerCase(Locale.ROOT);
  }

  private void typed(KeyEvent e) {
    int now = found.getSelectionModel().getSelectedIndex();
    switch (e.getCode()) {
      case ESCAPE -> close();
      case ENTER -> choose(found.getSelectionModel().getSelectedItem());
      case UP -> select(now - 1);
      case DOWN -> select(now + 1);
      case PAGE_UP -> select(now - ROWS);
      case PAGE_DOWN -> select(now + ROWS);
      default -> {
        return;
      }
    }
    e.consume();
  }

  private void select(int row) {
    int wanted = Math.clamp(row, 0, Math.max(0, found.getItems().size() - 1));
    found.getSelectionModel().select(wanted);
    found.scrollTo(Math.max(0, wanted - ROWS + 1));
  }

  private void choose(Track track) {
    if (track != null) {
      close();
      TrackId id = track.id();
      if (track.personal().folded()) {
        session.tracks().fold(id);
      }
      session.document().chooseTrack(id);
      session.notices().tell(new Notice(track.name() + ", " + track.instrument().title(), false));
    }
  }

  private final class Row extends ListCell<Track> {
    private final Circle dot = new Circle(5);
    private final Label number = new Label();
    private final Label name = new Label();
    private final Label sound = new Label();
    private final Label set = new Label();
    private final HBox box;

    Row() {
      // Before the list has the click: it would take the keys from the field, which closes this.
      addEventFilter(
          MouseEvent.MOUSE_PRESSED,
          e -> {
            choose(getItem());
            e.consume();
          });
      Region gap = new Region();
      HBox.setHgrow(gap, Priority.ALWAYS);
      number.getStyleClass().addAll("soft", "figures", "small");
      number.setMinWidth(24);
      sound.getStyleClass().addAll("soft", "small");
      set.getStyleClass().add("tab-mark");
      box = new HBox(8, number, dot, name, sound, gap, set);
      box.setAlignment(Pos.CENTER_LEFT);
    }

    @Override
    protected void updateItem(Track item, boolean isEmpty) {
      super.updateItem(item, isEmpty);
      setGraphic(isEmpty || item == null ? null : box);
      if (item != null && !isEmpty) {
        Track track = session.song().track(item.id()).orElse(item);
        number.setText(Integer.toString(session.song().indexOf(track.id()) + 1));
        dot.getStyleClass().setAll(TrackTab.ink(session.song(), track));
        name.setText(track.name());
        String group = track.personal().group();
        sound.setText(track.instrument().title() + (group.isEmpty() ? "" : ", in " + group));
        set.setText(
            (track.armed() ? "\u25CF " : "")
                + (track.muted() ? "M " : "")
                + (track.solo() ? "S" : ""));
      }
    }
  }
}
