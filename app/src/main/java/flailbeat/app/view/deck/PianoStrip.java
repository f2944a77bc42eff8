package flailbeat.app.view.deck;

import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.core.keys.Hands;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.session.Session;
import flailbeat.core.session.hands.Performer;
import java.util.List;
import java.util.Set;
import javafx.geometry.VPos;
import javafx.scene.Group;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.TextAlignment;

/**
 * The piano over the whole MIDI range, with the reach as a bracket over the notes under the
 * fingers. It plays under the mouse: the lower down a key is struck, the louder.
 */
final class PianoStrip extends Region {
  private static final int UNDRAWN = -1;
  private static final int WHITES = 75;
  private static final double BRACKET = 9;

  /** Keys that the hands do not reach stand back. */
  private static final double OUT_OF_REACH = 0.35;

  private static final double BLACK_LENGTH = 0.6;
  private static final int[] WHITE_INDEX = {0, 0, 1, 1, 2, 3, 3, 4, 4, 5, 5, 6};

  private final Performer performer;
  private final Palette palette;
  private final Canvas canvas = new Canvas();
  private final Group lights = new Group();
  private Set<Integer> lit = Set.of();
  private int drawnReach = UNDRAWN;
  private boolean dragsReach;

  PianoStrip(Session session, Palette palette) {
    this.performer = session.performer();
    this.palette = palette;
    setId("piano-strip");
    setMinHeight(40);
    setPrefHeight(44);
    lights.setManaged(false);
    lights.setMouseTransparent(true);
    getChildren().addAll(canvas, lights);
    palette.onChange(
        () -> {
          drawnReach = UNDRAWN;
          refresh();
        });
    setOnMousePressed(this::pressed);
    setOnMouseDragged(this::dragged);
    setOnMouseReleased(
        e -> {
          dragsReach = false;
          performer.releasePointer(System.nanoTime());
        });
  }

  @Override
  protected void layoutChildren() {
    if (canvas.getWidth() != getWidth() || canvas.getHeight() != getHeight()) {
      canvas.setWidth(getWidth());
      canvas.setHeight(getHeight());
      drawnReach = UNDRAWN;
      refresh();
    }
  }

  /** Draws when the reach has changed; lights the keys that sound, each as a node of its own. */
  void refresh() {
    Hands hands = performer.hands();
    int reach = hands.lowest() << 7 | hands.highest();
    if (reach != drawnReach && getWidth() > 0) {
      drawnReach = reach;
      draw(hands);
    }
    Set<Integer> sounding = hands.soundingPitches();
    if (!sounding.equals(lit)) {
      lit = sounding;
      light();
    }
  }

  /** A white key lights up where no black one covers it. */
  private void light() {
    lights.getChildren().clear();
    double length = getHeight() - BRACKET;
    for (int pitch : lit) {
      boolean black = Pitch.isBlack(pitch);
      double top = BRACKET + (black ? 1 : length * BLACK_LENGTH);
      double height = length * (black ? BLACK_LENGTH : 1 - BLACK_LENGTH) - 1;
      Rectangle light = new Rectangle(left(pitch) + 1, top, keyWidth(pitch) - 1, height);
      light.setFill(palette.color(Ink.WHEAT));
      lights.getChildren().add(light);
    }
  }

  private double whiteWidth() {
    return getWidth() / WHITES;
  }

  private static int whiteIndex(int pitch) {
    return pitch / Pitch.OCTAVE * 7 + WHITE_INDEX[pitch % Pitch.OCTAVE];
  }

  private double left(int pitch) {
    double x = whiteIndex(pitch) * whiteWidth();
    return Pitch.isBlack(pitch) ? x + whiteWidth() * 0.68 : x;
  }

  private double keyWidth(int pitch) {
    return whiteWidth() * (Pitch.isBlack(pitch) ? 0.64 : 1);
  }

  private void draw(Hands hands) {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.clearRect(0, 0, getWidth(), getHeight());
    for (int pitch = 0; pitch < 128; pitch++) {
      if (!Pitch.isBlack(pitch)) {
        drawKey(g, pitch, hands, getHeight() - BRACKET);
      }
    }
    for (int pitch = 0; pitch < 128; pitch++) {
      if (Pitch.isBlack(pitch)) {
        drawKey(g, pitch, hands, (getHeight() - BRACKET) * BLACK_LENGTH);
      }
    }
    drawBracket(g, hands);
  }

  private void drawKey(GraphicsContext g, int pitch, Hands hands, double length) {
    boolean black = Pitch.isBlack(pitch);
    boolean reached = pitch >= hands.lowest() && pitch <= hands.highest();
    double clear = reached ? 1 : OUT_OF_REACH;
    double x = black ? left(pitch) : Math.floor(left(pitch));
    double w = black ? keyWidth(pitch) : Math.floor(left(pitch) + keyWidth(pitch)) - x + 1;
    g.setFill(palette.color(black ? Ink.CAP_DARK : Ink.RULE_STRONG, clear));
    g.fillRect(x, BRACKET, w, length);
    if (!black) {
      g.setFill(palette.color(Ink.CAP, clear));
      g.fillRect(x + 1, BRACKET, w - 2, length - 1);
      if (pitch % Pitch.OCTAVE == 0) {
        g.setFill(palette.color(reached ? Ink.INK : Ink.INK_SOFT));
        g.setFont(palette.fitted(9, Math.max(9, 0.8 * whiteWidth())));
        g.setTextBaseline(VPos.BOTTOM);
        g.setTextAlign(TextAlignment.CENTER);
        String name = Pitch.name(pitch, OctaveNames.MIDDLE_C4);
        double middle = left(pitch) + whiteWidth() / 2;
        g.fillText(name, Math.max(8, middle), getHeight() - 2, whiteWidth());
      }
    }
  }

  private void drawBracket(GraphicsContext g, Hands hands) {
    int top = hands.highest();
    double from = left(hands.lowest());
    double to = left(top) + keyWidth(top);
    g.setStroke(palette.color(Ink.WHEAT));
    g.setLineWidth(3);
    g.strokePolyline(
        new double[] {from + 1.5, from + 1.5, to - 1.5, to - 1.5},
        new double[] {BRACKET, 2, 2, BRACKET},
        4);
    g.setLineWidth(1);
  }

  /** The bracket is dragged; Ctrl+click brings the reach to a key; else the key sounds. */
  private void pressed(MouseEvent e) {
    dragsReach = e.getY() < BRACKET && e.getButton() == MouseButton.PRIMARY;
    if (e.getButton() == MouseButton.SECONDARY) {
      latch(e);
    } else if (e.isControlDown()) {
      performer.centreReach(Math.clamp(pitchAt(e.getX(), getHeight()), 0, 127));
    } else if (!dragsReach) {
      play(e);
    }
  }

  private void dragged(MouseEvent e) {
    if (dragsReach) {
      performer.centreReach(Math.clamp(pitchAt(e.getX(), getHeight()), 0, 127));
    } else if (!e.isControlDown() && e.getButton() == MouseButton.PRIMARY) {
      play(e);
    }
  }

  /** A right click leaves a key down, so that a chord can be built; another lets it go. */
  private void latch(MouseEvent e) {
    int pitch = pitchAt(e.getX(), e.getY());
    if (Pitch.isValid(pitch)) {
      performer.latch(List.of(pitch), velocityAt(e, pitch), System.nanoTime());
    }
  }

  private int velocityAt(MouseEvent e, int pitch) {
    double length = getHeight() - BRACKET;
    double keyLength = Pitch.isBlack(pitch) ? length * BLACK_LENGTH : length;
    return KeyDeck.velocityAt(e.getY() - BRACKET, keyLength);
  }

  private void play(MouseEvent e) {
    long now = System.nanoTime();
    int pitch = pitchAt(e.getX(), e.getY());
    if (Pitch.isValid(pitch) && !performer.hands().soundingPitches().contains(pitch)) {
      performer.press(List.of(pitch), velocityAt(e, pitch), now);
    }
  }

  private int pitchAt(double x, double y) {
    boolean high = y - BRACKET < (getHeight() - BRACKET) * BLACK_LENGTH;
    int found = -1;
    for (int pitch = 0; pitch < 128; pitch++) {
      boolean inside = x >= left(pitch) && x < left(pitch) + keyWidth(pitch);
      if (inside && (found < 0 || high && Pitch.isBlack(pitch))) {
        found = pitch;
      }
    }
    return found;
  }
}
