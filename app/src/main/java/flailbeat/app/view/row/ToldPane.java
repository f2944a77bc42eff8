package flailbeat.app.view.row;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.view.base.Follow;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What takes more than a line to tell, such as all that a file holds and this program does not. */
public final class ToldPane extends VBox {
  private static final double WIDTH = 640;
  private static final double MOST_HEIGHT = 300;

  private final Session session;
  private final Label heading = Form.heading("");
  private final VBox lines = new VBox(6);

  /** The pane, which is there only while there is something to read. */
  public ToldPane(Session session) {
    this.session = session;
    getStyleClass().add("overlay");
    setId("told-pane");
    setMaxSize(WIDTH, USE_PREF_SIZE);
    heading.setWrapText(true);
    lines.setId("told-lines");
    ScrollPane scroll = new ScrollPane(lines);
    scroll.getStyleClass().add("told-scroll");
    scroll.setFitToWidth(true);
    // Lines that are too long take two: how high they are is known once they are laid out.
    lines
        .heightProperty()
        .addListener(
            (property, before, now) ->
                scroll.setPrefViewportHeight(Math.min(MOST_HEIGHT, now.doubleValue())));
    scroll.setFocusTraversable(false);
    Button read = Buttons.text("I have read it", "({told-read})", session.notices()::putAwayLines);
    read.setId("told-read-button");
    read.getStyleClass().add("primary");
    HBox foot = new HBox(read);
    foot.setAlignment(Pos.CENTER_RIGHT);
    getChildren().addAll(heading, scroll, foot);
    setVisible(false);
    Follow.changes(this, session, this::refresh, Aspect.NOTICE);
  }

  private void refresh() {
    List<String> told = session.notices().lines();
    setVisible(!told.isEmpty());
    if (!told.isEmpty()) {
      heading.setText(told.getFirst());
      lines.getChildren().setAll(told.stream().skip(1).map(ToldPane::line).toList());
    }
  }

  private static Label line(String text) {
    Label label = new Label("\u2022 " + text);
    label.setWrapText(true);
    label.setMinHeight(USE_PREF_SIZE);
    return label;
  }
}
