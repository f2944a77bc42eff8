package flailbeat.app.control;

import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.CubicCurve;
import javafx.scene.shape.Ellipse;
import javafx.scene.shape.Line;
import javafx.scene.text.Text;

/** A note as it is written: its head, stem and flags, the dot, and the 3 of a triplet. */
public final class NoteSymbol extends Pane {
  private static final double WIDTH = 26;
  private static final double HEIGHT = 26;
  private static final double HEAD_X = 8;
  private static final double HEAD_Y = 20.5;
  private static final double STEM_X = 12;
  private static final double STEM_TOP = 3;
  private static final double FLAG_GAP = 4;

  public NoteSymbol() {
    getStyleClass().add("note-symbol");
    setMinSize(WIDTH, HEIGHT);
    setPrefSize(WIDTH, HEIGHT);
    setMaxSize(WIDTH, HEIGHT);
    setMouseTransparent(true);
  }

  /**
   * Shows a note value.
   *
   * @param denominator 1, 2, 4 to 64; 0 for one that has no symbol
   */
  public void show(int denominator, boolean dotted, boolean triplet) {
    Group all = new Group();
    if (denominator > 0) {
      Ellipse head = new Ellipse(HEAD_X, HEAD_Y, denominator == 1 ? 5.2 : 4.4, 3.2);
      head.setRotate(denominator == 1 ? 0 : -20);
      head.getStyleClass().add(denominator <= 2 ? "note-hollow" : "note-solid");
      all.getChildren().add(head);
    }
    if (denominator > 1) {
      all.getChildren().add(stroke(new Line(STEM_X, HEAD_Y - 1, STEM_X, STEM_TOP)));
    }
    for (int flag = 0; denominator >> flag > 4; flag++) {
      double y = STEM_TOP + flag * FLAG_GAP;
      all.getChildren()
          .add(
              stroke(
                  new CubicCurve(
                      STEM_X, y, STEM_X + 1, y + 4, STEM_X + 7, y + 4, STEM_X + 5, y + 10)));
    }
    if (dotted) {
      Circle dot = new Circle(HEAD_X + 8.5, HEAD_Y, 1.7);
      dot.getStyleClass().add("note-solid");
      all.getChildren().add(dot);
    }
    if (triplet) {
      Text three = new Text(WIDTH - 7, HEIGHT - 2, "3");
      three.getStyleClass().add("note-three");
      all.getChildren().add(three);
    }
    getChildren().setAll(all);
  }

  private static Node stroke(javafx.scene.shape.Shape shape) {
    shape.getStyleClass().add("note-stroke");
    return shape;
  }
}
