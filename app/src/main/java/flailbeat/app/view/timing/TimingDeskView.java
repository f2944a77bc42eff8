package flailbeat.app.view.timing;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Histogram;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Segments;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.base.PageBox;
import flailbeat.core.edit.Scope;
import flailbeat.core.edit.Selection;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.Timing;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.quantize.lag.LagPrior;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.timing.DoubtWalk;
import flailbeat.core.session.timing.QuantizePreview;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * How far the notes in hand are from the grid, and what to do about it: what is seen stays at the
 * top, with the commands; what is set lies in parts below.
 */
public final class TimingDeskView extends PageBox {
  /** What can be set, part by part. */
  public enum Part {
    LINES,
    FINER,
    FEEL,
    BEAT
  }

  private static final double INNER = 266;

  private final Session session;
  private final Label scope = new Label();
  private final Label lag = new Label();
  private final Label details = new Label();
  private final Histogram histogram;
  private Offers offers = new Offers(List.of(), false);
  private final FlowPane readings = new FlowPane(4, 4);
  private final Button apply;
  private final Button walk;
  private final ToggleButton rounds =
      Buttons.toggle(
          "Compare", "One round of the loop as played, the next as quantized ({rounds})");
  private final Map<Part, TimingPart> parts = new EnumMap<>(Part.class);
  private final Function<Part, TimingPart> makePart;
  private final Segments<Part> chooser = new Segments<>(this::show);
  private final VBox place = new VBox();
  private Part shown = Part.LINES;

  /** Its page. */
  public Page page() {
    return new Page(
        "timing",
        "Timing",
        "",
        "How early or late it is, and quantizing",
        "F5",
        "M2 16 V11 M8 16 V6 M14 16 V2 M20 16 V8",
        () -> this,
        () -> session.doubts().left() > 0);
  }

  /**
   * Makes the desk.
   *
   * @param grooves opens and saves grooves
   */
  public TimingDeskView(Session session, Palette palette, GrooveFiles grooves) {
    super("timing-desk");
    this.session = session;
    histogram = new Histogram(palette, INNER, 30, this::brushed);
    histogram.setId("histogram");
    apply =
        Buttons.text(
            "Quantize", "Move the notes to their lines ({quantize})", this::applyOrWorkOut);
    apply.getStyleClass().add("primary");
    apply.setId("quantize");
    apply.setMaxWidth(Double.MAX_VALUE);
    walk =
        Buttons.text("", "Hear each doubtful note and decide ({decide})", session.doubts()::start);
    walk.setId("walk-doubtful");
    walk.setMaxWidth(Double.MAX_VALUE);
    rounds.setId("rounds");
    rounds.setMinWidth(USE_PREF_SIZE);
    rounds.setOnAction(e -> session.run().compareRounds());
    this.makePart =
        part ->
            switch (part) {
              case LINES -> new LinesPart(session);
              case FINER -> new FinerPart(session);
              case FEEL -> new FeelPart(session, palette, INNER, grooves);
              case BEAT -> new BeatPart(session);
            };
    chooser
        .add(Part.LINES, "Lines", "Which lines, and how far towards them")
        .add(Part.FINER, "Finer", "Which notes, their ends, chords and lag")
        .add(Part.FEEL, "Feel", "Where in the bar you are early or late; grooves and presets")
        .add(Part.BEAT, "Beat", "Find the beat of what was played with no click")
        .named("part");
    build();
    Follow.changes(
        this,
        session,
        change -> {
          if (change.isOf(Aspect.TIMING)) {
            refresh();
          } else if (change.isOf(Aspect.SETTINGS)) {
            part(shown).refresh();
          }
          if (change.isOf(Aspect.TRANSPORT)) {
            rounds.setSelected(session.runControl().isComparing());
          }
        });
    show(Part.LINES);
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
    details.setMinHeight(Region.USE_PREF_SIZE);
    readings.setId("readings");
    place.setPadding(new Insets(2, 0, 0, 0));
    HBox seen = new HBox(6, walk, rounds);
    HBox.setHgrow(walk, Priority.ALWAYS);
    getChildren().addAll(head, histogram, details, readings, buttons(), seen, chooser, place);
  }

  private HBox buttons() {
    Button hold =
        Buttons.text("Hold: as played", "Hear and see the notes as played ({as-played})", () -> {});
    hold.setId("as-played");
    Buttons.whileHeld(
        hold, () -> session.run().hearAsPlayed(true), () -> session.run().hearAsPlayed(false));
    HBox.setHgrow(apply, Priority.ALWAYS);
    return new HBox(6, apply, hold);
  }

  /** A part, which is made when it is first turned to. */
  private TimingPart part(Part wanted) {
    return parts.computeIfAbsent(wanted, makePart);
  }

  /** Turns to a part. */
  public void show(Part part) {
    shown = part;
    chooser.show(part);
    place.getChildren().setAll(part(part));
    part(part).refresh();
  }

  /** Ranks the grids, and shows them. */
  public void askWhichGrid() {
    show(Part.LINES);
    ((LinesPart) part(Part.LINES)).askWhichGrid();
  }

  /** Looks for the beat, and shows what was found. */
  public void findBeat() {
    show(Part.BEAT);
    session.beat().find();
  }

  /** Looks for tempo, meter and bars of all tracks. */
  public void findSongBeat() {
    show(Part.BEAT);
    session.beat().findInSong();
  }

  /** A stretch of the histogram selects its notes; a click there takes the whole clip again. */
  private void brushed(double fromMs, double toMs) {
    if (fromMs == toMs) {
      session.document().select(Selection.NONE);
    } else {
      session.timing().selectDeviating(fromMs, toMs);
    }
  }

  private void refresh() {
    Optional<QuantizePlan> preview = session.timing().preview();
    QuantizePlan plan = preview.orElse(QuantizePlan.NONE);
    scope.setText(scopeText());
    if (preview.isPresent()) {
      showLag(plan.timing());
      details.setText(detailText(plan));
    } else {
      showWorking();
    }
    showReadings(plan);
    double finest = session.timing().settings().grid().finestTicks();
    double halfGap = session.song().tempos().millisBetween(0, Math.round(finest)) / 2;
    histogram.show(plan.timing(), halfGap);
    showApply(plan);
    showWalk();
    rounds.setSelected(session.runControl().isComparing());
    rounds.setDisable(plan.notes().isEmpty());
    part(shown).refresh();
  }

  private void applyOrWorkOut() {
    if (session.timing().isLeftOff()) {
      session.timing().workOutAgain();
    } else {
      session.quantizing().quantize();
    }
  }

  private void showApply(QuantizePlan plan) {
    boolean leftOff = session.timing().isLeftOff();
    apply.setText(
        leftOff
            ? "Work it out"
            : plan.moved() == 0 ? "Quantize" : "Quantize " + Notice.notes(plan.moved()));
    apply.setDisable(plan.moved() == 0 && !leftOff);
  }

  private void showWalk() {
    DoubtWalk doubts = session.doubts();
    int left = doubts.left();
    walk.setText(
        doubts.isOn()
            ? doubts.place() + ", " + left + " left"
            : left == 0 ? "No doubtful notes" : doubts.offer());
    walk.setDisable(left == 0 && !doubts.isOn());
    if (left > 0 && !walk.getStyleClass().contains("calls")) {
      walk.getStyleClass().add("calls");
    } else if (left == 0) {
      walk.getStyleClass().remove("calls");
    }
  }

  /** Figures of other notes than those that are there would mislead. */
  private void showWorking() {
    lag.getStyleClass().removeAll("early", "late");
    lag.setText("...");
    details.setText(
        session.timing().isLeftOff()
            ? "Left off: what quantizing would do is not worked out."
            : "Working it out ...");
  }

  private String scopeText() {
    int n = session.document().scope().notes().size();
    boolean selected = session.document().scope().kind() == Scope.Kind.SELECTION;
    return selected ? n + " selected" : n == 0 ? "no notes yet" : "the clip, " + Notice.notes(n);
  }

  private void showLag(Timing timing) {
    lag.getStyleClass().removeAll("early", "late");
    if (timing.count() == 0) {
      lag.setText(
          session.timing().plan().notes().isEmpty() ? "Nothing to measure yet" : "Not played");
      return;
    }
    double ms = timing.lagMs();
    if (Math.abs(ms) < 1) {
      lag.setText("On the line");
      return;
    }
    lag.getStyleClass().add(ms > 0 ? "late" : "early");
    lag.setText("Lag: " + QuantizePreview.inWords(ms));
  }

  /** Another way to understand the whole, to be taken or to be heard first. */
  private HBox offer(QuantizePlan.WholeReading other) {
    String words =
        String.format(
            Locale.ROOT,
            other.lines().isPresent() ? "Or %s (%d %%)" : "Or all %s (%d %%)",
            QuantizePreview.inWords(other),
            other.percent());
    Button take =
        Buttons.text(
            words,
            "The same sound, understood otherwise: take it ({other-reading})",
            () -> session.timing().takeReading(other));
    Button hold =
        Buttons.text("Hold: hear", "Hear and see it quantized so ({hear-other})", () -> {});
    hold.getStyleClass().add("hear-other");
    Buttons.whileHeld(
        hold,
        () -> session.quantizing().hearOtherwise(other),
        () -> session.quantizing().hearAsItStands());
    take.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(take, Priority.ALWAYS);
    HBox row = new HBox(6, take, hold);
    row.prefWidthProperty().bind(readings.widthProperty());
    return row;
  }

  /** Whose lag was expected, where it was not anybody's. */
  private static String goneBy(LagPrior expected) {
    return switch (expected.source()) {
      case ANYBODY, GIVEN -> "";
      case PERSON -> ", expecting " + inWords(expected) + " as you usually are";
      case PARTS -> ", expecting " + inWords(expected) + " as beside it";
    };
  }

  private static String inWords(LagPrior expected) {
    return QuantizePreview.inWords(expected.meanMs());
  }

  private static String detailText(QuantizePlan plan) {
    if (plan.notes().isEmpty()) {
      return "Record or open something, and see here how early or late it is.";
    }
    if (plan.timing().count() == 0) {
      return "These notes were drawn or stepped in: they stand where they were put.";
    }
    String text = String.format(Locale.ROOT, "As played: spread %.0f ms", plan.timing().spreadMs());
    text += goneBy(plan.expectedLag());
    if (plan.doubtful() > 0) {
      text += "; " + plan.doubtful() + " doubtful (forked)";
    }
    if (plan.doubtfulEnds() > 0) {
      text += "; " + plan.doubtfulEnds() + (plan.doubtfulEnds() == 1 ? " end" : " ends");
      text += " doubtful (ringed)";
    }
    int taken = plan.count(NotePlan.Outcome.LINE_TAKEN);
    if (taken > 0) {
      text += "; " + taken + (taken == 1 ? " stays" : " stay") + ", line taken";
    }
    if (plan.trimmed() > 0) {
      text += "; " + Notice.notes(plan.trimmed()) + " cut short by the next";
    }
    return text + ".";
  }

  /** What is offered; a button stays in its place while it is held. */
  private record Offers(List<QuantizePlan.WholeReading> others, boolean given) {}

  /** Other ways to understand the whole are offered, and the way back is. */
  private void showReadings(QuantizePlan plan) {
    boolean given = session.timing().settings().lag() instanceof Lag.Millis;
    Offers wanted = new Offers(plan.otherReadings(), given);
    if (wanted.equals(offers)) {
      return;
    }
    offers = wanted;
    readings.getChildren().clear();
    for (QuantizePlan.WholeReading other : plan.otherReadings()) {
      readings.getChildren().add(offer(other));
    }
    if (given) {
      readings
          .getChildren()
          .add(
              Buttons.text(
                  "Find the lag again",
                  "The lag is given: let it be found from the notes instead",
                  () ->
                      session
                          .timing()
                          .setSettings(session.timing().settings().withLag(new Lag.Auto()))));
    }
    readings.setManaged(!readings.getChildren().isEmpty());
  }
}
