package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Hairline;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.surface.RollScale;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.pitch.Pitch;
import java.util.function.IntFunction;
import java.util.function.IntPredicate;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.TextAlignment;

/** Draws the rows of the roll, and the rail at its left that names them. */
final class RowPainter {
  private static final double LEAST_DRUM_ROW = 9;

  private final Palette palette;
  private final RollScale scale;
  private final double width;
  private final double height;

  RowPainter(Palette palette, RollScale scale, double width, double height) {
    this.palette = palette;
    this.scale = scale;
    this.width = width;
    this.height = height;
  }

  /** Rows of black notes shaded, and a rule between B and C; of drums every other. */
  void rows(GraphicsContext g, boolean kit) {
    g.setFill(palette.color(Ink.RAISED));
    g.fillRect(0, 0, width, height);
    for (int row = lowest(); row <= highest(); row++) {
      int pitch = scale.rows().pitchAt(row);
      double y = scale.yOfRow(row);
      int fromTop = scale.rows().count() - 1 - row;
      if (kit ? fromTop % 2 == 1 : Pitch.isBlack(pitch)) {
        g.setFill(palette.color(Ink.ROW_DARK));
        g.fillRect(0, y, width, scale.rowHeight());
      }
      if (kit ? row == 0 : pitch % Pitch.OCTAVE == 0) {
        double line = Math.round(y + scale.rowHeight());
        Hairline.across(g, palette.color(Ink.RULE), line, 0, width);
      }
    }
  }

  /** The piano on its side: names on C, and on every natural where they fit. */
  void rail(GraphicsContext g, double railWidth) {
    double row = beginRail(g, railWidth, TextAlignment.RIGHT);
    for (int at = lowest(); at <= highest(); at++) {
      int pitch = scale.rows().pitchAt(at);
      double y = scale.yOfRow(at);
      boolean black = Pitch.isBlack(pitch);
      if (black) {
        g.setFill(palette.color(Ink.CAP_DARK));
        g.fillRect(0, y + 0.5, railWidth * 0.55, row - 1);
      }
      boolean isC = pitch % Pitch.OCTAVE == 0;
      if (isC || !black && row >= 11) {
        g.setFill(palette.color(isC ? Ink.INK : Ink.INK_SOFT));
        g.fillText(
            isC ? Pitch.name(pitch, OctaveNames.MIDDLE_C4) : Pitch.className(pitch),
            railWidth - 5,
            y + row / 2);
      }
      if (isC || pitch % Pitch.OCTAVE == 5) {
        Ink ink = isC ? Ink.RULE_STRONG : Ink.RULE;
        Hairline.across(g, palette.color(ink), Math.round(y + row), 0, railWidth);
      }
    }
    Hairline.down(g, palette.color(Ink.RULE_STRONG), railWidth - 1, 0, height);
  }

  /**
   * The drums of a kit, each by its row; those that have notes stand out.
   *
   * @param names what drums are called, by pitch
   */
  void drums(GraphicsContext g, double railWidth, IntPredicate used, IntFunction<String> names) {
    double row = beginRail(g, railWidth, TextAlignment.LEFT);
    for (int at = lowest(); at <= highest() && row >= LEAST_DRUM_ROW; at++) {
      int pitch = scale.rows().pitchAt(at);
      g.setFill(palette.color(used.test(pitch) ? Ink.INK : Ink.INK_SOFT));
      g.fillText(names.apply(pitch), 6, scale.yOfRow(at) + row / 2, railWidth - 10);
      Hairline.across(g, palette.color(Ink.RULE), Math.round(scale.yOfRow(at) + row), 0, railWidth);
    }
    Hairline.down(g, palette.color(Ink.RULE_STRONG), railWidth - 1, 0, height);
  }

  private double beginRail(GraphicsContext g, double railWidth, TextAlignment align) {
    g.setFill(palette.color(Ink.RAISED));
    g.fillRect(0, 0, railWidth, height);
    g.setTextBaseline(VPos.CENTER);
    g.setTextAlign(align);
    double row = scale.rowHeight();
    g.setFont(palette.fitted(Math.clamp(row, 9, 12), Math.max(9, 0.9 * row)));
    return row;
  }

  private int lowest() {
    return Math.max(0, scale.rowAt(height) - 1);
  }

  private int highest() {
    return Math.min(scale.rows().count() - 1, scale.rowAt(0) + 1);
  }
}
