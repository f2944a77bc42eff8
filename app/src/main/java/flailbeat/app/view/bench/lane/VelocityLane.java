package flailbeat.app.view.bench.lane;

import flailbeat.app.control.Hairline;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.app.view.bench.hand.HeldNotes;
import flailbeat.app.view.bench.hand.Stroke;
import flailbeat.app.view.bench.surface.RollScale;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.shapes.Curve;
import flailbeat.core.edit.shapes.Louder;
import flailbeat.core.edit.shapes.VelocityDrawn;
import flailbeat.core.model.Note;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.session.bench.LaneActions;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongPredicate;
import java.util.function.ToIntFunction;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/**
 * How hard the chosen track's notes are struck: a stem for each, which can be dragged. Where there
 * is none, a drag draws over the stems that it passes. The stems of a chord lie on one another;
 * they fan out when the mouse is near.
 */
final class VelocityLane extends Lane {
  private static final double HEAD = 3;
  private static final double REACH = 6;
  private static final double FAN = 7;
  private static final double CORNER = 10;
  private static final double FAR = -1000;

  /** With more notes in sight than this, chords are too near to one another to be fanned out. */
  private static final int MOST_FANNED = 1500;

  private Set<NoteId> reached = Set.of();
  private boolean ramps;
  private double mouseX = FAR;

  VelocityLane(On bench, LaneActions.Shown shown) {
    super(bench, shown);
    setId("velocity-lane");
  }

  /**
   * A corner of the selection: dragged, the selected notes lie on a line from the other corner.
   *
   * @param own the note that it stands beside
   * @param other the note at the other corner
   * @param x where it stands
   */
  private record Corner(Note own, Note other, double x) {}

  /** The corners of what is selected on the track: beside its first note and its last. */
  private List<Corner> corners() {
    List<Note> notes =
        NoteEdits.find(session.document().track(), session.document().scope().selected().notes());
    if (notes.size() < 2 || notes.getFirst().onset() == notes.getLast().onset()) {
      return List.of();
    }
    Note first = notes.getFirst();
    Note last = notes.getLast();
    RollScale scale = viewport.scale();
    return List.of(
        new Corner(first, last, scale.xOf(first.onset()) - CORNER),
        new Corner(last, first, scale.xOf(last.onset()) + CORNER));
  }

  private void drawCorners(GraphicsContext g) {
    if (gesture.get().isOn()) {
      return;
    }
    List<Corner> corners = corners();
    if (corners.isEmpty()) {
      return;
    }
    g.setStroke(palette.color(Ink.WHEAT, 0.6));
    g.setLineDashes(3, 3);
    g.strokeLine(
        corners.get(0).x(),
        yOf(corners.get(0).own().velocity()),
        corners.get(1).x(),
        yOf(corners.get(1).own().velocity()));
    g.setLineDashes();
    g.setFill(palette.color(Ink.WHEAT));
    for (Corner corner : corners) {
      g.fillRect(corner.x() - HEAD, yOf(corner.own().velocity()) - HEAD, 2 * HEAD, 2 * HEAD);
    }
  }

  private Optional<Corner> cornerAt(MouseEvent e) {
    return corners().stream()
        .filter(c -> Math.abs(c.x() - e.getX()) <= REACH)
        .filter(c -> Math.abs(yOf(c.own().velocity()) - e.getY()) <= REACH)
        .findFirst();
  }

  /** A note's stem. */
  private record Stem(Note note, double x) {}

  private double yOf(int velocity) {
    return yOfShare(velocity / 127.0);
  }

  @Override
  protected void draw(GraphicsContext g) {
    ground(g);
    Hairline.across(g, palette.color(Ink.RULE), yOf(64), 0, getWidth());
    Track track = shownTrack();
    HeldNotes hand = HeldNotes.of(gesture.get(), session.song());
    LongPredicate selected = session.document().selection().noteTest();
    int[] highest = new int[(int) getWidth() + 2];
    TickRange sight = viewport.inSight(0);
    drawCorners(g);
    if (track.mostNotesIn(sight) > MOST_FANNED) {
      crowded(g, track, hand, selected, highest);
      return;
    }
    for (Stem stem : stems(track.tangible(sight))) {
      Note note =
          hand.holds().test(stem.note().idNumber())
              ? hand.change().apply(stem.note())
              : stem.note();
      int x = (int) stem.x();
      boolean isSelected = selected.test(note.idNumber());
      boolean hidden = x < 0 || x >= highest.length || highest[x] >= note.velocity();
      if (x >= 0 && x < highest.length && (isSelected || !hidden)) {
        highest[x] = Math.max(highest[x], note.velocity());
        stem(g, x, yOf(note.velocity()), isSelected);
      }
    }
  }

  /** Of a great many, the loudest in each column of pixels; of selected ones, the loudest too. */
  private void crowded(
      GraphicsContext g, Track track, HeldNotes hand, LongPredicate selected, int[] highest) {
    int[] chosen = new int[highest.length];
    ToIntFunction<Note> held =
        gesture.get().edit().orElse(null) instanceof VelocityDrawn drawn
            ? drawn::velocityOf
            : n -> hand.change().apply(n).velocity();
    RollScale scale = viewport.scale();
    track.layOut(
        viewport.inSight(0),
        (n, clip, round) -> {
          int x = (int) scale.xOf(n.onset());
          if (round > 0 || x < 0 || x >= highest.length) {
            return;
          }
          long id = n.idNumber();
          int velocity = hand.holds().test(id) ? held.applyAsInt(n) : n.velocity();
          int[] of = selected.test(id) ? chosen : highest;
          of[x] = Math.max(of[x], velocity);
        });
    for (int x = 0; x < highest.length; x++) {
      if (highest[x] > 0) {
        stem(g, x, yOf(highest[x]), false);
      }
      if (chosen[x] > 0) {
        stem(g, x, yOf(chosen[x]), true);
      }
    }
  }

  /** The stems of some notes; those of a chord that the mouse is near stand apart, by pitch. */
  private List<Stem> stems(List<Note> notes) {
    List<Stem> result = new ArrayList<>(notes.size());
    for (int from = 0; from < notes.size(); ) {
      double x = viewport.scale().xOf(notes.get(from).onset());
      int end = from + 1;
      boolean fans = notes.size() <= MOST_FANNED && Math.abs(x - mouseX) <= 2 * REACH;
      while (end < notes.size()
          && viewport.scale().xOf(notes.get(end).onset()) - x < (fans ? 2 : 0)) {
        end++;
      }
      List<Note> chord = notes.subList(from, end);
      if (fans && chord.size() > 1) {
        chord = chord.stream().sorted(Comparator.comparingInt(Note::pitch)).toList();
      }
      double apart = fans ? FAN : 0;
      for (int i = 0; i < chord.size(); i++) {
        double off = (i - (chord.size() - 1) / 2.0) * apart;
        double own = viewport.scale().xOf(chord.get(i).onset());
        result.add(new Stem(chord.get(i), (chord.size() > 1 && fans ? x : own) + off));
      }
      from = end;
    }
    return result;
  }

  private void stem(GraphicsContext g, int x, double y, boolean selected) {
    g.setFill(palette.color(selected ? Ink.WHEAT : Ink.INK_SOFT));
    g.fillRect(x, y, selected ? 2 : 1, getHeight() - y);
    g.fillRect(x - HEAD / 2, y - HEAD / 2, selected ? HEAD + 2 : HEAD, HEAD);
  }

  @Override
  public void hover(MouseEvent e, boolean isOver) {
    super.hover(e, isOver);
    double x = isOver ? e.getX() : FAR;
    if (x != mouseX) {
      mouseX = x;
      mark();
      setCursor(
          isOver && (cornerAt(e).isPresent() || stemAt(e).isPresent())
              ? Cursor.V_RESIZE
              : Cursor.CROSSHAIR);
    }
  }

  /** Takes hold of the selection, or else of the note whose stem is there, or draws over stems. */
  @Override
  protected Gesture pressed(MouseEvent e) {
    if (e.getButton() != MouseButton.PRIMARY) {
      return new Gesture.None();
    }
    Optional<Corner> corner = cornerAt(e);
    ramps = corner.isPresent();
    if (ramps) {
      reached = session.lanes().reached();
      Note fixed = corner.get().other();
      Note own = corner.get().own();
      return sketch(
          new Stroke(
              fixed.onset(),
              fixed.velocity(),
              own.onset(),
              Curve.between(fixed.onset(), fixed.velocity(), own.onset(), own.velocity(), 0)));
    }
    Optional<Note> hit = e.isShiftDown() || e.isShortcutDown() ? Optional.empty() : stemAt(e);
    if (hit.isEmpty()) {
      reached = session.lanes().reached();
      return sketch(Stroke.at(tickAt(e), shareAt(e) * 127));
    }
    Set<NoteId> selected = session.document().scope().selected().notes();
    if (!selected.contains(hit.get().id())) {
      session.document().select(Selection.of(List.of(hit.get())));
    }
    Set<NoteId> held = session.document().scope().selected().notes();
    return new Gesture.Loudness(e.getY(), Louder.by(held, 0));
  }

  private Gesture sketch(Stroke stroke) {
    return new Gesture.Sketch(stroke, new VelocityDrawn(reached, stroke.curve()));
  }

  @Override
  public Gesture drag(Gesture held, MouseEvent e) {
    return switch (held) {
      case Gesture.Loudness loudness ->
          loudness.by(
              (int) Math.round((loudness.fromY() - e.getY()) * 127 / (getHeight() - 2 * EDGE)));
      case Gesture.Sketch sketch ->
          sketch(
              ramps
                  ? sketch.stroke().withEnd(shareAt(e) * 127)
                  : sketch.stroke().to(tickAt(e), shareAt(e) * 127, e));
      default -> held;
    };
  }

  /**
   * The note whose stem is there, from its foot to a little above its head; of several, a selected
   * one, then the one whose head is nearest.
   */
  private Optional<Note> stemAt(MouseEvent e) {
    mouseX = e.getX();
    Set<NoteId> selected = session.document().scope().selected().notes();
    List<Note> inSight = session.document().track().tangible(viewport.inSight(0));
    return stems(inSight).stream()
        .filter(s -> Math.abs(s.x() - e.getX()) <= REACH)
        .filter(s -> e.getY() >= yOf(s.note().velocity()) - 2 * REACH)
        .min(
            Comparator.comparing((Stem s) -> !selected.contains(s.note().id()))
                .thenComparingDouble(s -> Math.abs(s.x() - e.getX()) > FAN / 2 ? 1 : 0)
                .thenComparingDouble(s -> Math.abs(yOf(s.note().velocity()) - e.getY())))
        .map(Stem::note);
  }
}
