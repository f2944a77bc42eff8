package flailbeat.app.view.bench.hand;

import flailbeat.app.view.bench.surface.Rows;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.edit.Selection;
import flailbeat.core.session.Session;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/**
 * The mouse on the rail: a press plays a pitch, and a drag selects the notes of all pitches that it
 * goes over; with Shift it adds them, and a press alone takes one pitch out again, or in. With Alt
 * a drum's row is dragged elsewhere. The right button holds a pitch.
 */
public final class RailMouse {
  private final Session session;
  private final Viewport viewport;
  private Rows rows = Rows.PIANO;
  private Selection before = Selection.NONE;
  private int fromRow;
  private boolean selects;
  private boolean movesRow;

  public RailMouse(Session session, Viewport viewport) {
    this.session = session;
    this.viewport = viewport;
  }

  public void install(Node rail) {
    rail.setOnMousePressed(this::pressed);
    rail.setOnMouseDragged(this::dragged);
    rail.setOnMouseReleased(this::released);
  }

  private boolean isRecording() {
    return session.runControl().transport().isRecording();
  }

  private void pressed(MouseEvent e) {
    rows = viewport.scale().rows();
    fromRow = viewport.scale().rowAt(e.getY());
    before = session.document().selection();
    selects = false;
    movesRow = e.isAltDown() && e.getButton() == MouseButton.PRIMARY && session.rows().areOfKit();
    if (e.getButton() == MouseButton.SECONDARY) {
      session
          .performer()
          .latch(
              List.of(viewport.scale().pitchAt(e.getY())),
              session.performer().hands().velocity(),
              System.nanoTime());
    } else if (!movesRow && !e.isShiftDown()) {
      play(e);
    }
  }

  private void play(MouseEvent e) {
    int pitch = viewport.scale().pitchAt(e.getY());
    if (!session.performer().hands().soundingPitches().contains(pitch)) {
      int velocity = session.performer().hands().velocity();
      session.performer().press(List.of(pitch), velocity, System.nanoTime());
    }
  }

  private void dragged(MouseEvent e) {
    if (e.getButton() == MouseButton.SECONDARY) {
      return;
    }
    int row = viewport.scale().rowAt(e.getY());
    if (movesRow) {
      show(session.rows().shownWith(rows.pitchAt(fromRow), rows.pitchAt(row)));
      return;
    }
    if (!e.isShiftDown() || isRecording()) {
      play(e);
    }
    if (!isRecording() && (selects || row != fromRow)) {
      selects = true;
      session.document().select(e.isShiftDown() ? before : Selection.NONE);
      session.selecting().pitches(between(fromRow, row), true);
    }
  }

  private void show(List<Integer> fromTop) {
    viewport.change(s -> s.withRows(Rows.of(fromTop)));
  }

  private Set<Integer> between(int one, int other) {
    Set<Integer> pitches = new HashSet<>();
    for (int row = Math.min(one, other); row <= Math.max(one, other); row++) {
      pitches.add(rows.pitchAt(row));
    }
    return pitches;
  }

  private void released(MouseEvent e) {
    session.performer().releasePointer(System.nanoTime());
    if (movesRow) {
      movesRow = false;
      show(session.rows().shown());
      session.rows().move(rows.pitchAt(fromRow), rows.pitchAt(viewport.scale().rowAt(e.getY())));
    } else if (e.getButton() == MouseButton.PRIMARY
        && e.isShiftDown()
        && !selects
        && !isRecording()) {
      session.selecting().togglePitch(viewport.scale().pitchAt(e.getY()));
    }
  }

  public boolean isHolding() {
    return movesRow;
  }

  /** A row that is dragged is put back. */
  public boolean cancel() {
    boolean held = movesRow;
    movesRow = false;
    if (held) {
      show(session.rows().shown());
    }
    return held;
  }
}
