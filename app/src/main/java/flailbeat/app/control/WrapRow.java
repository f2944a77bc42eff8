package flailbeat.app.control;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.HPos;
import javafx.geometry.Insets;
import javafx.geometry.Orientation;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.layout.HBox;

/**
 * A row that goes on in another line where it is too narrow for what stands in it. Where there is
 * room it is as any other; in several lines nothing grows.
 */
public class WrapRow extends HBox {
  private static final double BETWEEN_LINES = 2;

  /** Of nodes, in order. */
  public WrapRow(Node... nodes) {
    super(nodes);
  }

  @Override
  public Orientation getContentBias() {
    return Orientation.HORIZONTAL;
  }

  @Override
  protected double computeMinWidth(double height) {
    return 0;
  }

  @Override
  protected double computePrefHeight(double width) {
    if (width < 0 || fits(width)) {
      return super.computePrefHeight(width);
    }
    Insets around = getInsets();
    List<List<Node>> lines = lines(width);
    double sum = (lines.size() - 1) * BETWEEN_LINES;
    for (List<Node> line : lines) {
      sum += heightOf(line);
    }
    return around.getTop() + snapSizeY(sum) + around.getBottom();
  }

  @Override
  protected double computeMinHeight(double width) {
    return width < 0 || fits(width) ? super.computeMinHeight(width) : computePrefHeight(width);
  }

  private boolean fits(double width) {
    return super.computePrefWidth(-1) <= width;
  }

  private static double widthOf(Node node) {
    return Math.max(node.minWidth(-1), Math.min(node.prefWidth(-1), node.maxWidth(-1)));
  }

  private static double heightOf(List<Node> line) {
    return line.stream().mapToDouble(n -> n.prefHeight(-1)).max().orElse(0);
  }

  private List<List<Node>> lines(double width) {
    double room = width - getInsets().getLeft() - getInsets().getRight();
    List<List<Node>> lines = new ArrayList<>();
    double left = -1;
    for (Node node : getManagedChildren()) {
      double wanted = widthOf(node);
      if (wanted > left) {
        lines.add(new ArrayList<>());
        left = room;
      }
      lines.getLast().add(node);
      left -= wanted + getSpacing();
    }
    return lines;
  }

  @Override
  protected void layoutChildren() {
    if (fits(getWidth())) {
      super.layoutChildren();
      return;
    }
    double y = snappedTopInset();
    for (List<Node> line : lines(getWidth())) {
      double height = heightOf(line);
      double x = snappedLeftInset();
      for (Node node : line) {
        double width = Math.min(widthOf(node), getWidth() - x - snappedRightInset());
        layoutInArea(node, x, y, width, height, 0, HPos.LEFT, VPos.CENTER);
        x += snapSizeX(width) + getSpacing();
      }
      y += snapSizeY(height) + BETWEEN_LINES;
    }
  }
}
