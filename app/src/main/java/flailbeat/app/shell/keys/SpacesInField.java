package flailbeat.app.shell.keys;

import flailbeat.app.command.Keystroke;
import flailbeat.core.session.document.Notices;
import javafx.scene.input.KeyCode;

/**
 * Sees who presses Space in a field again and again, and wants the song to play. Nobody types three
 * in a row.
 */
final class SpacesInField {
  private static final int OFTEN = 3;

  private final Notices notices;
  private int inARow;

  SpacesInField(Notices notices) {
    this.notices = notices;
  }

  /**
   * A key went down that a field takes, or a menu.
   *
   * @param fresh whether a field took it, and it is not only held
   */
  void pressed(Keystroke stroke, boolean fresh) {
    if (!fresh) {
      return;
    }
    inARow = stroke.code() == KeyCode.SPACE ? inARow + 1 : 0;
    if (inARow == OFTEN) {
      inARow = 0;
      notices.tell("A field has the keys: Enter or Esc gives them back, and then {play} plays");
    }
  }
}
