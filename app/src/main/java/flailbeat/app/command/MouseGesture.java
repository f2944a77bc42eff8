package flailbeat.app.command;

import java.util.List;

/**
 * What the mouse does on the bench and on the map, for the sheet of keys and for texts.
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

  /** What it does on the large map. */
  public static final List<MouseGesture> ON_MAP =
      List.of(
          new MouseGesture("drag a clip", "Move it, over what lies there"),
          new MouseGesture("Shift+drag it", "Push on what lies there"),
          new MouseGesture("Ctrl+drag it", "Move a copy, linked or not"),
          new MouseGesture("drag its end", "Longer; beyond its notes it goes round"),
          new MouseGesture("Shift, at its end", "Longer, and silent there"),
          new MouseGesture("drag its start", "Cut, or uncover; notes stay"),
          new MouseGesture("press twice", "Open it on the bench"),
          new MouseGesture("Shift+press", "Select it too, or no more"),
          new MouseGesture("drag beside", "Draw a box round clips"),
          new MouseGesture("press beside", "Play from there"),
          new MouseGesture("Ctrl+drag beside", "Make an empty clip"),
          new MouseGesture("right button", "What can be done there"),
          new MouseGesture("drag, clip in hand", "Lay it down again and again"));
}
