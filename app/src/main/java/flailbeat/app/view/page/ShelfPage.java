package flailbeat.app.view.page;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.base.PageBox;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.map.Shelf;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Clips kept aside, for this song and others. */
public final class ShelfPage extends PageBox {
  private final Session session;
  private final ShelfFiles files;
  private final EntryField name;
  private final VBox items = new VBox(2);
  private final Label empty =
      Form.remark(
          "Nothing is on it yet. Select clips on the song map, and put them here under a name; or put a project or MIDI file into the folder.");

  /** The page. */
  public static Page page(Session session, ShelfFiles files) {
    return new Page(
        "shelf",
        "Shelf",
        "",
        "Clips kept aside, for this song and others",
        "Alt+F10",
        "M2 15 H20 M4 15 V6 H9 V15 M12 15 V9 H17 V15",
        () -> new ShelfPage(session, files));
  }

  /**
   * The page.
   *
   * @param files keeps what is on the shelf
   */
  public ShelfPage(Session session, ShelfFiles files) {
    super("shelf-page");
    this.session = session;
    this.files = files;
    name =
        new EntryField(
            "shelf-name",
            14,
            "Puts the selected clips here under this name ({clip-shelve})",
            files::put);
    name.prompt("a name");
    Button again =
        Buttons.text("Look again", "What was put into the folder meanwhile", files::lookAgain);
    again.setId("shelf-look");
    Label place = Form.remark(files.place());
    place.setId("shelf-folder");
    getChildren()
        .addAll(Form.heading("Shelf"), Form.row("Put here", name), empty, items, place, again);
    Follow.changes(this, session, this::refresh, Aspect.SETTINGS, Aspect.CHOICE);
    files.lookAgain();
  }

  private void refresh() {
    name.show("");
    items.getChildren().clear();
    for (Shelf.Item item : session.shelf().items()) {
      Button take =
          Buttons.text(
              item.name(),
              "Take it in hand, to lay it out on the map",
              () -> session.clips().take(item.pattern()));
      take.getStyleClass().add("quiet");
      take.setMaxWidth(Double.MAX_VALUE);
      take.setAlignment(Pos.CENTER_LEFT);
      HBox.setHgrow(take, Priority.ALWAYS);
      Button gone =
          Buttons.text(
              "\u00d7",
              "Take it off the shelf; its file goes into the folder \u201ctaken off\u201d",
              () -> files.takeOff(item.name()));
      gone.getStyleClass().addAll("quiet", "small");
      Label count = Form.remark(item.words());
      count.setMinWidth(USE_PREF_SIZE);
      HBox row = new HBox(4, take, count, gone);
      row.setAlignment(Pos.CENTER_LEFT);
      items.getChildren().add(row);
    }
    Form.show(empty, session.shelf().items().isEmpty());
  }
}
