package flailbeat.app.shell.keys;

import flailbeat.app.command.Keystroke;
import flailbeat.core.session.document.Notices;
import javafx.scene.input.KeyCode;

/**
 * Sees who presses Space in a field again and again, and wants the song to play. Nobody types three
 * in a row.
 */
final class SpacesInField {
  private final Notices notices;
  private final ThriceInARow spaces = new ThriceInARow();

  SpacesInField(Notices notices) {
    this.notices = notices;
  }

  /**
   * A key went down that a field takes, or a menu.
   *
   * @param fresh whether a field took it, and it is not only held
   */
  void pressed(Keystroke stroke, boolean fresh) {
    if (fresh && spaces.pressed(stroke.code() == KeyCode.SPACE)) {
      notices.tell("A field has the keys: Enter or Esc gives them back, and then {play} plays");
    }
  }
}
