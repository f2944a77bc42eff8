package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Hairline;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.harmony.ChordSpan;
import flailbeat.core.harmony.Figured;
import flailbeat.core.session.Session;
import flailbeat.core.session.person.Folds.Extra;
import flailbeat.core.work.InOrder;
import java.util.List;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;
import javafx.scene.text.TextAlignment;

/**
 * The chord strip: one name for each change, over the notes that it is found from. What is less
 * likely is fainter; what a person said has a line below it.
 */
public final class ChordLayer extends SessionLayer {
  public static final double HEIGHT = 20;

  private static final double LIKELY = 0.6;
  private static final double LEAST_ROOM = 14;
  private static final double LETTER = 7.2;

  public ChordLayer(Region owner, Session session, Palette palette, Viewport viewport) {
    super(owner, session, palette, viewport);
  }

  @Override
  protected void draw(GraphicsContext g) {
    g.setFill(palette.color(Ink.SUNK));
    g.fillRect(0, 0, getWidth(), getHeight());
    g.setTextBaseline(VPos.CENTER);
    g.setTextAlign(TextAlignment.LEFT);
    g.setFont(palette.figures(12));
    List<ChordSpan> spans = session.chords().harmony().found().spans();
    long first = (long) Math.max(0, viewport.scale().tickAt(0));
    long last = (long) viewport.scale().tickAt(getWidth()) + 1;
    int from =
        Math.max(
            0,
            InOrder.firstFailing(0, spans.size(), i -> spans.get(i).range().start() <= first) - 1);
    for (int i = from; i < spans.size() && spans.get(i).range().start() <= last; i++) {
      draw(g, spans.get(i));
    }
    Hairline.across(g, palette.color(Ink.RULE), HEIGHT - 1, 0, getWidth());
  }

  private String name(ChordSpan span) {
    return session.person().folds().isOpen(Extra.NUMERALS)
        ? session
            .chords()
            .harmony()
            .keyAt(span.range().start())
            .map(k -> Figured.numeral(span.chord(), k))
            .orElseGet(() -> span.chord().name())
        : span.chord().name();
  }

  private void draw(GraphicsContext g, ChordSpan span) {
    double x = viewport.scale().xOf(span.range().start());
    double end = viewport.scale().xOf(span.range().end());
    Hairline.down(g, palette.color(Ink.RULE_STRONG), Math.round(x) + 0.5, 3, HEIGHT - 3);
    if (!span.hasChord() || end - x < LEAST_ROOM) {
      return;
    }
    // A name that began out of sight is told where it comes into sight.
    double at = Math.max(4, x + 5);
    String name = name(span);
    int room = (int) ((end - at - 2) / LETTER);
    if (room < 1) {
      return;
    }
    String shown =
        name.length() <= room ? name : name.substring(0, Math.max(1, room - 1)) + "\u2026";
    boolean sure = span.byHand() || span.share() >= LIKELY;
    g.setFill(palette.color(sure ? Ink.INK : Ink.INK_SOFT));
    g.fillText(shown, at, HEIGHT / 2);
    if (span.byHand()) {
      g.setFill(palette.color(Ink.WHEAT));
      g.fillRect(at, HEIGHT - 4, Math.min(end - at - 3, shown.length() * LETTER), 2);
    }
  }
}
