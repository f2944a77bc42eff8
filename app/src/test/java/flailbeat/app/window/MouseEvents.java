package flailbeat.app.window;

import javafx.event.Event;
import javafx.event.EventType;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;

/** Events of a mouse at a place of a node, as the toolkit would give them. */
final class MouseEvents {
  /** What is held on the keyboard meanwhile. */
  record Modifiers(boolean shift, boolean control, boolean alt) {}

  private MouseEvents() {}

  /** An event says where it is in the scene. */
  static void fire(
      Node node,
      EventType<MouseEvent> type,
      Point2D at,
      MouseButton button,
      int clicks,
      Modifiers held) {
    Point2D in = node.localToScene(at);
    boolean down = type == MouseEvent.MOUSE_PRESSED || type == MouseEvent.MOUSE_DRAGGED;
    Event.fireEvent(
        node,
        new MouseEvent(
            type,
            in.getX(),
            in.getY(),
            in.getX(),
            in.getY(),
            button,
            clicks,
            held.shift(),
            held.control(),
            held.alt(),
            false,
            down && button == MouseButton.PRIMARY,
            false,
            down && button == MouseButton.SECONDARY,
            false,
            false,
            false,
            null));
  }

  static void scroll(Node node, Point2D at, double amount, Modifiers held) {
    Point2D in = node.localToScene(at);
    Event.fireEvent(
        node,
        new ScrollEvent(
            ScrollEvent.SCROLL,
            in.getX(),
            in.getY(),
            in.getX(),
            in.getY(),
            held.shift(),
            held.control(),
            held.alt(),
            false,
            false,
            false,
            0,
            amount,
            0,
            amount,
            ScrollEvent.HorizontalTextScrollUnits.NONE,
            0,
            ScrollEvent.VerticalTextScrollUnits.NONE,
            0,
            0,
            null));
  }
}
