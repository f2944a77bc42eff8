package flailbeat.app.view.deck;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.core.keys.ChordCheck;
import flailbeat.core.keys.Detour;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.session.hands.KeyboardStudy;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;

/** What can be done while the application asks for keys; not there when it does not. */
final class AskRow extends FlowPane {
  private final KeyboardStudy keyboard;
  private final Button next;
  private final Button finish;
  private final Button detour;

  AskRow(KeyboardStudy keyboard) {
    this.keyboard = keyboard;
    setId("ask-row");
    setHgap(4);
    setVgap(4);
    next = button("ask-next", "Next", "Go on ({ask-next})", keyboard::next);
    finish = button("ask-finish", "Enough", "Take what was learned so far", keyboard::finish);
    detour = button("ask-detour", "", "The same notes on other keys", keyboard::takeDetour);
    detour.getStyleClass().add("primary");
    Button leave =
        button("ask-leave", "Leave", "Leave all as it was ({ask-leave})", keyboard::leave);
    getChildren().addAll(detour, next, finish, leave);
    refresh();
  }

  private static Button button(String id, String text, String hint, Runnable action) {
    Button button = Buttons.text(text, hint, action);
    button.getStyleClass().add("small");
    button.setId(id);
    return button;
  }

  void refresh() {
    Form.show(this, keyboard.isAsking());
    boolean lesson = keyboard.lesson().isPresent();
    Form.show(finish, lesson);
    next.setText(lesson ? "Skip" : keyboard.check().map(AskRow::nextWord).orElse(""));
    Form.show(next, !next.getText().isEmpty());
    Optional<Detour> other = keyboard.detour();
    other.ifPresent(
        d ->
            detour.setText(
                "Other keys: "
                    + d.kind().title()
                    + " from "
                    + Pitch.name(d.base(), OctaveNames.MIDDLE_C4)));
    Form.show(detour, other.isPresent());
  }

  private static String nextWord(ChordCheck check) {
    return switch (check.phase()) {
      case ONE_BY_ONE -> check.wanted().size() < 2 ? "" : "Done";
      case TOGETHER -> "";
      case DONE -> "Another chord";
    };
  }
}
