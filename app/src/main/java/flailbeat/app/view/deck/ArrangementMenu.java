package flailbeat.app.view.deck;

import flailbeat.app.control.Form;
import flailbeat.app.control.Menus;
import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.pitch.Scale;
import flailbeat.core.session.hands.Performer;
import javafx.scene.control.MenuButton;
import javafx.scene.layout.HBox;

/**
 * Chooses how the notes lie under the hands; for those that have one, the key and the scale too.
 */
final class ArrangementMenu extends MenuButton {
  private final Performer performer;
  private final MenuButton key = quiet("key-menu", "The key that it plays in");
  private final MenuButton scale = quiet("scale-menu", "The scale that it plays");
  private final HBox keyRow = new HBox(2, key, scale);

  ArrangementMenu(Performer performer) {
    this.performer = performer;
    Menus.dressed(this, "arrangement-menu", "How the notes lie under the hands");
    getStyleClass().addAll("quiet", "small");
    for (ArrangementKind kind : ArrangementKind.values()) {
      String text = kind.title() + ": " + kind.hint().toLowerCase(java.util.Locale.ROOT);
      getItems().add(Menus.item(text, () -> performer.arrange(kind)));
    }
    for (int i = 0; i < Pitch.OCTAVE; i++) {
      int tonic = i;
      key.getItems().add(Menus.item(Pitch.className(i), () -> arrange(tonic, performer.scale())));
    }
    for (Scale each : Scale.values()) {
      scale.getItems().add(Menus.item(each.title(), () -> arrange(performer.tonic(), each)));
    }
    refresh();
  }

  private static MenuButton quiet(String id, String hint) {
    MenuButton button = Menus.button(id, hint);
    button.getStyleClass().addAll("quiet", "small");
    return button;
  }

  private void arrange(int tonic, Scale chosen) {
    performer.arrange(performer.hands().arrangement().kind(), tonic, chosen);
  }

  /** The menus for key and scale, for a place of their own. */
  HBox keyRow() {
    return keyRow;
  }

  /** What is chosen, as a word that changes with it. */
  String shown() {
    return performer.hands().arrangement().kind()
        + " "
        + performer.tonic()
        + " "
        + performer.scale()
        + (performer.hands().arrangement().isOwn()
            ? " " + System.identityHashCode(performer.hands().arrangement())
            : "");
  }

  void refresh() {
    ArrangementKind kind = performer.hands().arrangement().kind();
    boolean own = performer.hands().arrangement().isOwn();
    setText(own ? "Song" : kind.title());
    key.setText(Pitch.className(performer.tonic()));
    scale.setText(performer.scale().title());
    Form.show(keyRow, kind.hasKey() && !own);
  }
}
