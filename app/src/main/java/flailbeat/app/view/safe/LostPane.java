package flailbeat.app.view.safe;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.control.Palette;
import flailbeat.app.view.base.Follow;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.lost.LostSongs;
import flailbeat.core.session.lost.LostSongs.Offer;
import flailbeat.core.session.lost.Recovered;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * Offers songs that were lost, each with its time, its length and a picture. It leaves the deck in
 * sight: the letters stay whose they are.
 */
public final class LostPane extends VBox {
  private static final double WIDTH = 700;
  private static final double ROW = 66;
  private static final int MOST_ROWS = 5;
  private static final double PICTURE = 190;

  private final Session session;
  private final LostSongs lost;
  private final Palette palette;
  private final ListView<Offer> found = new ListView<>();
  private final Button hear;

  /** What is done with the song under the cursor, and with all of them. */
  public interface Deciding {
    /** It is taken up. */
    void takeUp();

    /** None is wanted now. */
    void decline();
  }

  /** The pane, which is there only while songs are offered. */
  public LostPane(Session session, LostSongs lost, Palette palette, Deciding deciding) {
    this.session = session;
    this.lost = lost;
    this.palette = palette;
    getStyleClass().add("overlay");
    setId("lost-pane");
    setMaxSize(WIDTH, USE_PREF_SIZE);
    Label heading = Form.heading("Not saved when Flailbeat ended");
    Label remark =
        Form.remark(
            "All of it is here, with what can be undone. What is not taken up now is kept for a week.");
    remark.setWrapText(true);
    found.setId("lost-found");
    found.setFocusTraversable(false);
    found.setCellFactory(list -> new Row(deciding::takeUp));
    Button take =
        button(
            "lost-take-button", "Take it up", "Open it as it was ({lost-take})", deciding::takeUp);
    take.getStyleClass().add("primary");
    hear = button("lost-hear-button", "Hear it", "({lost-hear})", lost::hear);
    Button later =
        button(
            "lost-leave-button",
            "Not now",
            "Kept for a week, under Song ({lost-leave})",
            deciding::decline);
    HBox foot = new HBox(6, hear, later, take);
    foot.setAlignment(Pos.CENTER_RIGHT);
    getChildren().addAll(heading, remark, found, foot);
    setVisible(false);
    Follow.changes(this, session, this::refresh, Aspect.LOST, Aspect.SETTINGS);
  }

  private static Button button(String id, String text, String hint, Runnable press) {
    Button button = Buttons.text(text, hint, press);
    button.setId(id);
    return button;
  }

  private void refresh() {
    setVisible(lost.isOpen());
    found.getItems().setAll(lost.all());
    double row = ROW * session.person().appearance().textScale();
    found.setFixedCellSize(row);
    found.setPrefHeight(row * Math.min(MOST_ROWS, Math.max(1, lost.all().size())) + 2);
    found.getSelectionModel().select(lost.cursor());
    found.scrollTo(Math.max(0, lost.cursor() - MOST_ROWS + 1));
    hear.setText(lost.isHearing() ? "Stop" : "Hear it");
  }

  private final class Row extends ListCell<Offer> {
    private final Label title = new Label();
    private final Label when = Form.remark("");
    private final Label what = Form.remark("");
    private final SongPicture picture = new SongPicture(palette, PICTURE, ROW - 14);
    private final HBox box;

    Row(Runnable onTwice) {
      addEventFilter(
          MouseEvent.MOUSE_PRESSED,
          e -> {
            if (getItem() != null && !isEmpty()) {
              lost.moveTo(getIndex());
              if (e.getClickCount() == 2) {
                onTwice.run();
              }
            }
            e.consume();
          });
      title.getStyleClass().add("page-heading");
      VBox words = new VBox(1, title, when, what);
      words.setAlignment(Pos.CENTER_LEFT);
      words.setMinWidth(0);
      HBox.setHgrow(words, Priority.ALWAYS);
      box = new HBox(12, words, picture);
      box.setAlignment(Pos.CENTER_LEFT);
    }

    @Override
    protected void updateItem(Offer item, boolean isEmpty) {
      super.updateItem(item, isEmpty);
      setGraphic(isEmpty || item == null ? null : box);
      if (item != null && !isEmpty) {
        Recovered recovered = item.recovered();
        title.setText(recovered.song().title());
        int steps = recovered.steps();
        when.setText(
            When.of(recovered.lostMillis())
                + (steps == 0
                    ? ""
                    : steps == 1 ? ", 1 step can be undone" : ", " + steps + " steps can be undone")
                + item.lost()
                    .reading()
                    .state()
                    .file()
                    .map(f -> "; of " + f.path().getFileName())
                    .orElse(", in no file yet"));
        what.setText(recovered.words());
        picture.show(recovered.song());
      }
    }
  }
}
