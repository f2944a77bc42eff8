package flailbeat.app.view.bench.lane;

import flailbeat.app.control.Hairline;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.app.view.bench.hand.MouseTarget;
import flailbeat.app.view.bench.paint.TimeLines;
import flailbeat.app.view.bench.surface.Layer;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.edit.Edit;
import flailbeat.core.edit.notes.NotesEdit;
import flailbeat.core.edit.shapes.ControlDrawn;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.LaneActions;
import flailbeat.core.time.Ticks;
import java.util.function.Supplier;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;

/**
 * A strip under the roll that shows one thing of its notes or controllers over the same stretch of
 * time. What the mouse does in it is a gesture like any on the bench.
 */
public abstract class Lane extends Layer implements MouseTarget {
  /** Room above the largest value, and below the smallest. */
  static final double EDGE = 4;

  /** Room for what is set again after what is drawn. */
  private static final long AFTER = 1000;

  final Session session;
  final Palette palette;
  final Viewport viewport;

  /** What the mouse holds anywhere on the bench. */
  final Supplier<Gesture> gesture;

  private final LaneActions.Shown shown;

  /**
   * The bench that lanes stand on.
   *
   * @param owner who lays them out
   */
  public record On(
      Region owner,
      Session session,
      Palette palette,
      Viewport viewport,
      Supplier<Gesture> gesture) {}

  Lane(On bench, LaneActions.Shown shown) {
    super(bench.owner());
    this.session = bench.session();
    this.palette = bench.palette();
    this.viewport = bench.viewport();
    this.gesture = bench.gesture();
    this.shown = shown;
  }

  /** What it shows. */
  final LaneActions.Shown shown() {
    return shown;
  }

  /** Nothing is taken hold of here while a recording runs. */
  @Override
  public final Gesture press(MouseEvent e) {
    return session.runControl().transport().isRecording() ? new Gesture.None() : pressed(e);
  }

  /** The mouse is pressed in it. */
  protected abstract Gesture pressed(MouseEvent e);

  /** What passes under the mouse may be shaded as the song plays. */
  @Override
  public void hover(MouseEvent e, boolean isOver) {
    if (isOver) {
      session.shading().point(shown, shareAt(e));
    } else {
      session.shading().leave();
    }
  }

  /** The tick under the mouse, in the song. */
  final long tickAt(MouseEvent e) {
    return Math.clamp(Math.round(viewport.scale().tickAt(e.getX())), 0, Ticks.LAST - AFTER);
  }

  /** How high a share of all values stands. */
  final double yOfShare(double share) {
    return getHeight() - EDGE - (getHeight() - 2 * EDGE) * share;
  }

  /** The share of all values that the mouse is at, 0 to 1. */
  final double shareAt(MouseEvent e) {
    double share = (getHeight() - EDGE - e.getY()) / (getHeight() - 2 * EDGE);
    return Math.clamp(share, 0, 1);
  }

  /**
   * The chosen track as it will be once what passes is shaded and the mouse lets go; but for what
   * changes notes or a controller by itself, which a lane draws as it goes.
   */
  final Track shownTrack() {
    Edit edit = gesture.get().edit().orElse(null);
    boolean apart = edit instanceof NotesEdit || edit instanceof ControlDrawn;
    return shaded(apart ? session.song() : gesture.get().applyTo(session.song()));
  }

  /** The chosen track of a song once what passes is shaded. */
  final Track shaded(Song song) {
    return session.shading().applyTo(song).track(session.document().track().id()).orElseThrow();
  }

  /** The ground, with bars where there is room for them. */
  final void ground(GraphicsContext g) {
    g.setFill(palette.color(Ink.RAISED));
    g.fillRect(0, 0, getWidth(), getHeight());
    new TimeLines(palette, viewport.scale(), getWidth(), getHeight())
        .bars(g, session.song().meters());
    Hairline.across(g, palette.color(Ink.RULE_STRONG), 0, 0, getWidth());
  }

  @Override
  protected abstract void draw(GraphicsContext g);
}
