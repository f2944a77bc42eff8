package flailbeat.app.view.bench;

import flailbeat.app.control.Hairline;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.VelocityShift;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Track;
import flailbeat.core.session.Session;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongPredicate;
import java.util.function.Supplier;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;

/** How hard the chosen track's notes are struck: a stem for each, which can be dragged. */
final class VelocityLane extends Lane {
  private static final double HEAD = 3;
  private static final double REACH = 6;
  private static final double TOP = 4;

  private final Session session;
  private final Palette palette;
  private final Viewport viewport;
  private final Supplier<Gesture> gesture;

  VelocityLane(
      Region owner,
      Session session,
      Palette palette,
      Viewport viewport,
      Supplier<Gesture> gesture) {
    super(owner);
    this.session = session;
    this.palette = palette;
    this.viewport = viewport;
    this.gesture = gesture;
    setId("velocity-lane");
  }

  @Override
  String title() {
    return "Velocity";
  }

  private double yOf(int velocity) {
    return getHeight() - (getHeight() - TOP) * velocity / 127;
  }

  @Override
  void draw(GraphicsContext g) {
    g.setFill(palette.color(Ink.RAISED));
    g.fillRect(0, 0, getWidth(), getHeight());
    Hairline.across(g, palette.color(Ink.RULE_STRONG), 0, 0, getWidth());
    Hairline.across(g, palette.color(Ink.RULE), yOf(64), 0, getWidth());
    Track track =
        gesture.get().applyTo(session.song()).track(session.document().track().id()).orElseThrow();
    LongPredicate selected = session.document().selection().noteTest();
    int[] highest = new int[(int) getWidth() + 2];
    for (Note note : track.placed(viewport.inSight(0)).notes()) {
      int x = (int) viewport.scale().xOf(note.onset());
      boolean isSelected = selected.test(note.idNumber());
      boolean hidden = x < 0 || x >= highest.length || highest[x] >= note.velocity();
      if (x >= 0 && x < highest.length && (isSelected || !hidden)) {
        highest[x] = Math.max(highest[x], note.velocity());
        stem(g, x, yOf(note.velocity()), isSelected);
      }
    }
  }

  private void stem(GraphicsContext g, int x, double y, boolean selected) {
    g.setFill(palette.color(selected ? Ink.WHEAT : Ink.INK_SOFT));
    g.fillRect(x, y, selected ? 2 : 1, getHeight() - y);
    g.fillRect(x - HEAD / 2, y - HEAD / 2, selected ? HEAD + 2 : HEAD, HEAD);
  }

  /** Takes hold of the selection, or else of the note whose stem is there. */
  @Override
  Gesture press(MouseEvent e) {
    Optional<Note> hit = stemAt(e.getX(), e.getY());
    Set<NoteId> selected = session.document().scope().selected().notes();
    if (hit.isPresent() && !selected.contains(hit.get().id())) {
      session.document().select(Selection.of(List.of(hit.get())));
    }
    Set<NoteId> held = session.document().scope().selected().notes();
    return hit.isEmpty() || held.isEmpty()
        ? new Gesture.None()
        : new Gesture.Loudness(e.getY(), new VelocityShift(held, 0));
  }

  @Override
  Gesture drag(Gesture held, MouseEvent e) {
    return held instanceof Gesture.Loudness loudness
        ? loudness.by((int) Math.round((loudness.fromY() - e.getY()) * 127 / (getHeight() - TOP)))
        : held;
  }

  /** The note whose stem is nearest; of several, a selected one, then the one whose head is. */
  private Optional<Note> stemAt(double x, double y) {
    Set<NoteId> selected = session.document().scope().selected().notes();
    return session.document().track().placed(viewport.inSight(0)).notes().stream()
        .filter(n -> Math.abs(viewport.scale().xOf(n.onset()) - x) <= REACH)
        .min(
            Comparator.comparing((Note n) -> !selected.contains(n.id()))
                .thenComparingDouble(n -> Math.abs(yOf(n.velocity()) - y)));
  }
}
