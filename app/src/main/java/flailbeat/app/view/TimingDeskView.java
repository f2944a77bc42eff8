package flailbeat.app.view;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.control.Histogram;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Segments;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.Timing;
import flailbeat.core.session.Aspect;
import flailbeat.core.session.Notice;
import flailbeat.core.session.Session;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** How far the notes in hand are from the grid, and what to do about it. */
public final class TimingDeskView extends VBox {
  private static final double WIDTH = 292;
  private static final double NAME_WIDTH = 54;
  private static final int[] DENOMINATORS = {4, 8, 16, 32};

  private final Session session;
  private final Label scope = new Label();
  private final Label lag = new Label();
  private final Label details = new Label();
  private final Histogram histogram;
  private final Segments<Grid> straight;
  private final Segments<Grid> triplet;
  private final Slider strength =
      Form.slider("strength", 0, 100, v -> set(settings().withStrength(v)));
  private final Slider swing = Form.slider("swing", 50, 75, v -> set(settings().withSwing(v)));
  private final Label strengthText = Form.figure();
  private final Label swingText = Form.figure();
  private final Segments<QuantizeSettings.Ends> ends;
  private final Segments<QuantizeSettings.Method> method;
  private final Button apply;

  public TimingDeskView(Session session, Palette palette) {
    this.session = session;
    getStyleClass().add("desk");
    setId("timing-desk");
    setMinWidth(WIDTH);
    setPrefWidth(WIDTH);
    setMaxWidth(WIDTH);
    histogram = new Histogram(palette, WIDTH - 26, 74);
    straight = new Segments<>(session::setGrid);
    triplet = new Segments<>(session::setGrid);
    for (int d : DENOMINATORS) {
      straight.add(Grid.of(NoteValue.straight(d)), "1/" + d, "Lines 1/" + d + " apart");
      triplet.add(Grid.of(NoteValue.triplet(d)), "1/" + d + "T", "Triplets of 1/" + d);
    }
    ends =
        new Segments<QuantizeSettings.Ends>(e -> set(settings().withEnds(e)))
            .add(
                QuantizeSettings.Ends.KEEP, "Keep length", "Notes stay as long as they were played")
            .add(QuantizeSettings.Ends.SNAP, "Snap ends", "Ends go to a line as well");
    method =
        new Segments<QuantizeSettings.Method>(m -> set(settings().withMethod(m)))
            .add(QuantizeSettings.Method.NEAREST, "Nearest", "Each note to the nearest line")
            .add(
                QuantizeSettings.Method.FIT,
                "Fit",
                "The likeliest lines for the whole: finds the lag, follows a drift")
            .named("method");
    apply = Buttons.text("Quantize", "Move the notes to their lines (Ctrl+T)", session::quantize);
    apply.getStyleClass().add("primary");
    apply.setId("quantize");
    apply.setMaxWidth(Double.MAX_VALUE);
    build();
    session
        .changes()
        .listen(
            aspect -> {
              if (aspect == Aspect.TIMING) {
                refresh();
              }
            });
    refresh();
  }

  private void build() {
    scope.getStyleClass().addAll("soft", "small");
    scope.setId("scope");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox head = new HBox(8, lag, gap, scope);
    head.setAlignment(Pos.BASELINE_LEFT);
    lag.getStyleClass().add("lag");
    lag.setId("lag");
    details.getStyleClass().addAll("soft", "small");
    details.setId("timing-details");
    details.setWrapText(true);
    details.setMinHeight(16);
    details.setAlignment(Pos.TOP_LEFT);
    getChildren()
        .addAll(
            head,
            histogram,
            details,
            buttons(),
            row("Grid", straight),
            row("", triplet),
            row("Method", method),
            row("Strength", strength, strengthText),
            row("Swing", swing, swingText),
            row("Ends", ends));
  }

  private HBox buttons() {
    Button hold =
        Buttons.text(
            "Hold: as played", "Hear and see the notes as played (Ctrl+Shift+T)", () -> {});
    hold.setId("as-played");
    hold.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> session.hearAsPlayed(true));
    hold.addEventHandler(MouseEvent.MOUSE_RELEASED, e -> session.hearAsPlayed(false));
    HBox.setHgrow(apply, Priority.ALWAYS);
    HBox row = new HBox(8, apply, hold);
    row.setPadding(new javafx.geometry.Insets(0, 0, 4, 0));
    return row;
  }

  private static HBox row(String name, Node... nodes) {
    return Form.row(NAME_WIDTH, name, nodes);
  }

  private QuantizeSettings settings() {
    return session.timing().settings();
  }

  private void set(QuantizeSettings value) {
    session.timing().setSettings(value);
  }

  private void refresh() {
    QuantizeSettings now = settings();
    straight.show(now.grid());
    triplet.show(now.grid());
    ends.show(now.ends());
    method.show(now.method());
    strength.setValue(now.strength());
    swing.setValue(now.swing());
    strengthText.setText(String.format(Locale.ROOT, "%.0f %%", now.strength()));
    swingText.setText(
        now.swing() == 50 ? "even" : String.format(Locale.ROOT, "%.0f %%", now.swing()));
    QuantizePlan plan = session.timing().plan();
    scope.setText(scopeText(plan));
    showLag(plan.timing());
    details.setText(detailText(plan));
    double halfGap = session.song().tempos().millisBetween(0, now.grid().finestTicks()) / 2;
    histogram.show(plan.timing(), halfGap);
    apply.setText(plan.moved() == 0 ? "Quantize" : "Quantize " + Notice.notes(plan.moved()));
    apply.setDisable(plan.moved() == 0);
  }

  private String scopeText(QuantizePlan plan) {
    int n = plan.notes().size();
    boolean selected = !session.document().selection().isEmpty();
    return selected ? n + " selected" : n == 0 ? "no notes yet" : "the clip, " + Notice.notes(n);
  }

  private void showLag(Timing timing) {
    lag.getStyleClass().removeAll("early", "late");
    if (timing.count() == 0) {
      lag.setText("Nothing to measure yet");
      return;
    }
    double ms = timing.lagMs();
    if (Math.abs(ms) < 1) {
      lag.setText("On the line");
      return;
    }
    lag.getStyleClass().add(ms > 0 ? "late" : "early");
    lag.setText(
        String.format(Locale.ROOT, "Lag: %.0f ms %s", Math.abs(ms), ms > 0 ? "late" : "early"));
  }

  private static String detailText(QuantizePlan plan) {
    if (plan.notes().isEmpty()) {
      return "Record or open something, and see here how early or late it is.";
    }
    String text = String.format(Locale.ROOT, "Spread %.0f ms", plan.timing().spreadMs());
    if (plan.doubtful() > 0) {
      text += "; " + plan.doubtful() + " doubtful (forked on the bench)";
    }
    for (QuantizePlan.OtherReading other : plan.otherReadings()) {
      text +=
          String.format(
              Locale.ROOT,
              "; or everything %.0f ms %s (%.0f %%)",
              Math.abs(other.lagMs()),
              other.lagMs() < 0 ? "early" : "late",
              100 * other.probability());
    }
    int taken = plan.count(NotePlan.Outcome.LINE_TAKEN);
    if (taken > 0) {
      text += "; " + taken + (taken == 1 ? " stays" : " stay") + ", line taken";
    }
    return text + ".";
  }
}
