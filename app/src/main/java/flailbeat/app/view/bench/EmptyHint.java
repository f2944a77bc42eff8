package flailbeat.app.view.bench;

import flailbeat.app.control.KeyTexts;
import flailbeat.core.session.Session;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.text.TextAlignment;

/** Says what to do while a track has no notes; who has the letter keys decides what that is. */
final class EmptyHint extends Label {
  private static final String DRAW =
      "\nOr press here with the mouse: each press draws a note, Ctrl fills a row.";

  private final Session session;

  EmptyHint(Session session) {
    this.session = session;
    getStyleClass().add("bench-empty");
    setManaged(false);
    setId("bench-empty");
    setAlignment(Pos.CENTER);
    setTextAlignment(TextAlignment.CENTER);
    setWrapText(true);
    setMouseTransparent(true);
  }

  /**
   * Shows it where there is nothing else.
   *
   * @param mouseBusy whether the mouse draws something already
   */
  void show(boolean mouseBusy) {
    boolean nothing =
        session.document().track().noteCount() == 0
            && session.runControl().pass().isEmpty()
            && !mouseBusy;
    setVisible(nothing);
    if (nothing) {
      KeyTexts.set(
          this, "Nothing on " + session.document().track().name() + " yet.\n" + first() + DRAW);
    }
  }

  private String first() {
    boolean kit = session.rows().areOfKit();
    String keys = kit ? "{arrange-pads} lays the drums under one hand." : "A is C.";
    return switch (session.performer().keysMode()) {
      case PLAY -> "Play the letter keys: " + keys + "  {record} records after a count-in.";
      case STEPS -> "Each letter key that you let go is a step: " + keys;
      case COMMANDS ->
          "{keys-switch} makes the letter keys notes.  {record} records after a count-in.";
    };
  }
}
