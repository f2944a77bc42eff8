package flailbeat.app.view.bench;

import flailbeat.app.control.Palette;
import flailbeat.app.view.bench.hand.SongMouse;
import flailbeat.app.view.bench.paint.BoxLayer;
import flailbeat.app.view.bench.paint.ChordLayer;
import flailbeat.app.view.bench.paint.GroundLayer;
import flailbeat.app.view.bench.paint.NotesLayer;
import flailbeat.app.view.bench.paint.RailLayer;
import flailbeat.app.view.bench.paint.RulerLayer;
import flailbeat.app.view.bench.surface.Layer;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.session.Session;
import flailbeat.core.session.person.Folds.Extra;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.Region;

/** The pictures of the bench: rows and lines, notes, the box, the ruler and the rail. */
final class RollLayers {
  private final Session session;
  private final Layer ground;
  private final Layer ruler;
  private final Layer chords;
  private final Layer rail;
  private final NotesLayer notes;
  private final Layer box;
  private List<Object> shownLines = List.of();

  RollLayers(Region owner, Session session, Palette palette, Viewport viewport, SongMouse mouse) {
    this.session = session;
    ground = new GroundLayer(owner, session, palette, viewport);
    ruler = new RulerLayer(owner, session, palette, viewport);
    rail = new RailLayer(owner, session, palette, viewport);
    notes = new NotesLayer(owner, session, palette, viewport, mouse::shown);
    box = new BoxLayer(owner, palette, mouse::shown);
    chords = new ChordLayer(owner, session, palette, viewport);
    chords.setId("chord-strip");
    chords.setVisible(false);
    ruler.setId("ruler");
    rail.setId("rail");
  }

  /** Those that lie on the roll, the lowest first. */
  List<Node> onRoll() {
    return List.of(ground, notes.picture(), notes, box);
  }

  Layer ruler() {
    return ruler;
  }

  Layer rail() {
    return rail;
  }

  /** The chord strip; it takes no room while it is not wanted. */
  Layer chords() {
    return chords;
  }

  /** Whether the chord strip is wanted. */
  boolean hasChords() {
    return session.person().folds().isOpen(Extra.CHORDS);
  }

  /** What lies above the roll: the ruler, and the chord strip where it is wanted. */
  double top() {
    return RulerLayer.HEIGHT + (hasChords() ? ChordLayer.HEIGHT : 0);
  }

  void markChords() {
    if (hasChords()) {
      chords.mark();
    }
  }

  private List<Layer> all() {
    return List.of(ground, ruler, chords, rail, notes, box);
  }

  void markAll() {
    all().forEach(Layer::mark);
  }

  void markGround() {
    ground.mark();
  }

  void markRuler() {
    ruler.mark();
  }

  void markRail() {
    rail.mark();
  }

  /** Other notes, or the mouse does something else to them. */
  void markNotes() {
    notes.mark();
    box.mark();
  }

  /** The lines under the notes, and the bars, stay where they were when only notes are others. */
  void markLines() {
    List<Object> lines =
        List.of(
            session.timing().settings(),
            session.song().meters(),
            session.song().tempos(),
            session.document().track().instrument());
    if (!lines.equals(shownLines)) {
      shownLines = lines;
      ground.mark();
      ruler.mark();
    }
  }

  /** Takes the size of the roll, with a rail of a width at its left. */
  void size(double width, double height, double railWidth) {
    List.of(ground, notes, box).forEach(l -> l.size(width, height));
    ruler.size(width, RulerLayer.HEIGHT);
    chords.size(width, hasChords() ? ChordLayer.HEIGHT : 0);
    rail.size(railWidth, height);
  }

  /** Draws what was marked; says whether anything was. */
  boolean drawIfMarked() {
    boolean drawn = false;
    for (Layer layer : all()) {
      drawn |= layer.drawIfMarked();
    }
    return drawn;
  }
}
