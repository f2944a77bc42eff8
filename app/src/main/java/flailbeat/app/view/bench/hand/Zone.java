package flailbeat.app.view.bench.hand;

import javafx.scene.Cursor;

/** A part of a note, or of a clip, that the mouse does something of its own with. */
public enum Zone {
  START(Cursor.W_RESIZE),
  BODY(Cursor.OPEN_HAND),
  END(Cursor.E_RESIZE);

  private final Cursor cursor;

  Zone(Cursor cursor) {
    this.cursor = cursor;
  }

  /** What the pointer looks like there. */
  public Cursor cursor() {
    return cursor;
  }
}
