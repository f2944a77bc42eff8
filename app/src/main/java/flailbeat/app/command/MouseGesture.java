package flailbeat.app.command;

import java.util.List;

/**
 * What the mouse does on the bench, for the sheet of keys and for texts.
 *
 * @param how what is pressed and what is held
 * @param what what comes of it
 */
public record MouseGesture(String how, String what) {
  /** All of them. */
  public static final List<MouseGesture> ALL =
      List.of(
          new MouseGesture("press", "Draw a note; drag right for its length"),
          new MouseGesture("Ctrl+drag", "Fill the row, or lay the stencil"),
          new MouseGesture("Ctrl+drag, Shift", "Fill along the mouse, in the scale"),
          new MouseGesture("Shift+drag", "Draw a box; the right button does too"),
          new MouseGesture("drag a note", "Move it; with Shift one way only"),
          new MouseGesture("Ctrl+drag a note", "Move a copy"),
          new MouseGesture("drag an edge", "Resize; a selection together"),
          new MouseGesture("Ctrl+drag an end", "Lay copies behind the selection"),
          new MouseGesture("press twice", "Erase the note"),
          new MouseGesture("Ctrl+Alt+drag", "Erase all on the way"),
          new MouseGesture("Alt+wheel", "A note louder, or all in proportion"),
          new MouseGesture("Alt, in any", "Leave the lines"),
          new MouseGesture("drag on the rail", "Select rows; Shift: more, or one out"),
          new MouseGesture("Alt+drag a drum", "Put its row elsewhere"),
          new MouseGesture("Ctrl+drag, map", "Make an empty clip"));
}
