package flailbeat.app.view.row;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.KeyTexts;
import flailbeat.app.control.Menus;
import flailbeat.app.control.NoteSymbol;
import flailbeat.app.control.Segments;
import flailbeat.app.control.WrapRow;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Narrowness;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.VelocityMark;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.StepEntry;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.step.Step;
import flailbeat.core.step.StepLength;
import flailbeat.core.step.StepSettings;
import flailbeat.core.step.StepWords;
import flailbeat.core.time.Meter;
import flailbeat.core.time.NoteValue.Division;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.apache.commons.numbers.fraction.BigFraction;

/**
 * Says in words what the next key does while the Keys switch stands at Steps: how long the step is,
 * where it goes, and what was entered last. Its parts can be clicked.
 */
public final class StepStrip extends VBox {
  private static final int RECENT = 3;

  /** A narrower one leaves out what can be done without. */
  private static final double WIDE = 1170;

  private final Session session;
  private final StepEntry steps;
  private final NoteSymbol symbol = new NoteSymbol();
  private final MenuButton length;
  private final EntryField beats;
  private final Label ticks = Form.figure();
  private final ToggleButton dot;
  private final ToggleButton triplet;
  private final MenuButton velocity;
  private final Segments<Boolean> adds;
  private final ToggleButton finds;
  private final ToggleButton rhythm;
  private final MenuButton position;
  private final Label left = new Label();
  private final MenuButton more;
  private final CheckMenuItem hears = new CheckMenuItem("Hear each step");
  private final CheckMenuItem wraps = new CheckMenuItem("Go on at the loop's start past its end");
  private final EntryField gate;
  private final Label says = new Label();
  private final HBox recent = new HBox(4);
  private final Label recentLabel = label("Last");
  private final List<Button> recentSteps = new ArrayList<>();
  private final PatternRow pattern;
  private Narrowness narrowness;
  private List<Step> shownRecent = List.of();
  private StepLength shownLength;
  private String said = "";

  public StepStrip(Session session) {
    this.session = session;
    steps = session.steps();
    getStyleClass().add("step-strip");
    setId("step-strip");
    setMinHeight(USE_PREF_SIZE);
    length = Menus.button("step-length", "How long the next step is");
    length.getStyleClass().add("step-length");
    length.setGraphic(symbol);
    length.setMinWidth(USE_PREF_SIZE);
    for (int denominator = 1; denominator <= 64; denominator *= 2) {
      StepLength value = StepLength.of(denominator);
      length.getItems().add(Menus.item("1/" + denominator, () -> steps.chooseLength(value)));
    }
    beats =
        new EntryField(
            "step-beats", 4, "How long the step is, as a fraction of a beat", this::setBeats);
    ticks.setId("step-ticks");
    dot = toggle("step-dot", "Dot", "Half as long again ({step-dot})");
    dot.setOnAction(e -> steps.changeLength(StepLength::dotted));
    triplet = toggle("step-triplet", "Triplet", "Three in the place of two ({step-triplet})");
    triplet.setOnAction(e -> steps.changeLength(StepLength::triplet));
    velocity = Menus.button("step-velocity", "How hard the next note is struck");
    velocity.setMinWidth(USE_PREF_SIZE);
    for (VelocityMark mark : VelocityMark.values()) {
      velocity
          .getItems()
          .add(
              Menus.item(
                  mark.text() + "  " + mark.velocity(),
                  () -> session.performer().setVelocity(mark.velocity())));
    }
    adds =
        new Segments<Boolean>(value -> steps.set(settings().withAdds(value)))
            .add(false, "Replace", "A step takes the place of what stands there ({step-add})")
            .add(true, "Add", "A step is added to what stands there ({step-add})");
    adds.setId("step-adds");
    adds.setMinWidth(USE_PREF_SIZE);
    adds.setMaxHeight(USE_PREF_SIZE);
    finds =
        toggle("step-finds", "Find first", "Keys only sound until you enter them ({step-find})");
    finds.setOnAction(e -> steps.set(settings().withFindsFirst(finds.isSelected())));
    rhythm =
        toggle(
            "step-rhythm",
            "Onto rhythm",
            "Keys give their pitches to the notes that are there ({step-rhythm})");
    rhythm.setOnAction(e -> steps.set(settings().withOntoRhythm(rhythm.isSelected())));
    gate =
        Form.number(
            "step-gate",
            "How much of its step a note lasts, in per cent",
            value -> steps.set(settings().withGate(value)));
    position = Menus.button("step-position", "Where the next step goes");
    position.getStyleClass().add("figures");
    position.setMinWidth(USE_PREF_SIZE);
    left.setId("step-left");
    left.setMinWidth(USE_PREF_SIZE);
    more = Menus.button("step-more", "More about steps");
    more.setText("More");
    more.setMinWidth(USE_PREF_SIZE);
    pattern = new PatternRow(steps);
    fillMenus();
    build();
    Follow.changes(this, session, this::onChange);
    refresh();
  }

  private static ToggleButton toggle(String id, String text, String hint) {
    ToggleButton button = Buttons.toggle(text, hint);
    button.setId(id);
    return button;
  }

  private void fillMenus() {
    position
        .getItems()
        .addAll(
            Menus.item("To the next line", () -> steps.moveToLine(1)),
            Menus.item("To the line before", () -> steps.moveToLine(-1)),
            Menus.item("To the next bar", () -> steps.moveByBar(1)),
            Menus.item("To the bar before", () -> steps.moveByBar(-1)),
            new SeparatorMenuItem(),
            Menus.item("To the start of the clip", steps::moveToClipStart),
            Menus.item("To the end of the clip", steps::moveToClipEnd),
            Menus.item("To where playing starts", steps::moveToPlayStart));
    hears.setOnAction(e -> steps.set(settings().withSounds(hears.isSelected())));
    wraps.setOnAction(e -> steps.set(settings().withWraps(wraps.isSelected())));
    more.getItems()
        .addAll(
            hears,
            wraps,
            new SeparatorMenuItem(),
            Menus.item("Repeat the last steps as a pattern...", this::openPattern));
  }

  private void build() {
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    Label beatsLabel = label("Beats");
    Label gateLabel = label("Gate %");
    HBox parts =
        new WrapRow(
            length,
            ticks,
            dot,
            triplet,
            beatsLabel,
            beats,
            velocity,
            gateLabel,
            gate,
            adds,
            finds,
            rhythm,
            more,
            gap,
            position,
            left);
    parts.getStyleClass().add("step-row");
    setMinWidth(0);
    narrowness =
        new Narrowness(
            this,
            session,
            WIDE,
            text -> {
              for (Node node : List.of(ticks, beatsLabel, gateLabel, gate)) {
                Form.show(node, !narrowness.isNarrow());
              }
              showVelocity();
              shownRecent = List.of();
              showRecent();
            });
    says.getStyleClass().add("step-says");
    says.setId("step-says");
    says.setMinWidth(0);
    says.setWrapText(true);
    says.setMinHeight(USE_PREF_SIZE);
    HBox.setHgrow(says, Priority.ALWAYS);
    says.setMaxWidth(Double.MAX_VALUE);
    recent.setId("step-recent");
    recent.setMinWidth(USE_PREF_SIZE);
    recent.setAlignment(javafx.geometry.Pos.CENTER_RIGHT);
    recentLabel.setVisible(false);
    recent.getChildren().add(recentLabel);
    for (int i = 0; i < RECENT; i++) {
      Button button = Buttons.text("", "Back to this step", () -> {});
      button.getStyleClass().add("recent");
      Form.show(button, false);
      recentSteps.add(button);
      recent.getChildren().add(button);
    }
    HBox words = new HBox(says, recent);
    words.getStyleClass().add("step-row");
    words.setMinHeight(24);
    getChildren().addAll(parts, words, pattern);
  }

  public static Label label(String text) {
    Label label = new Label(text);
    label.getStyleClass().add("group-label");
    label.setMinWidth(USE_PREF_SIZE);
    return label;
  }

  private StepSettings settings() {
    return steps.settings();
  }

  private void setBeats(String text) {
    steps.chooseLength(StepLength.parseBeats(text, meter()));
    showLength();
  }

  private Meter meter() {
    return session.song().meters().meterAt(steps.place().cursorTick());
  }

  /** Asks for the pattern that is to be repeated. */
  public void openPattern() {
    pattern.open();
  }

  private void onChange(Change change) {
    if (change.isOf(
        Aspect.STEPS, Aspect.SONG, Aspect.KEYS, Aspect.CHOICE, Aspect.SETTINGS, Aspect.LOOP)) {
      refresh();
    }
  }

  private void refresh() {
    boolean shown = session.performer().keysMode() == KeysMode.STEPS;
    Form.show(this, shown);
    if (!shown) {
      return;
    }
    showLength();
    showVelocity();
    adds.show(settings().adds());
    finds.setSelected(settings().findsFirst());
    rhythm.setSelected(settings().ontoRhythm());
    hears.setSelected(settings().sounds());
    wraps.setSelected(settings().wraps());
    gate.show(Integer.toString(settings().gate()));
    StepWords words = steps.words();
    set(position, words.position());
    if (!left.getText().equals(words.left())) {
      left.setText(words.left());
    }
    say(words.next());
    showRecent();
    pattern.refresh();
  }

  private void say(String text) {
    if (!said.equals(text)) {
      said = text;
      KeyTexts.set(says, text);
    }
  }

  private void showVelocity() {
    int loud = session.performer().hands().velocity();
    set(
        velocity,
        (narrowness.isNarrow() ? "" : "Velocity ")
            + loud
            + " "
            + VelocityMark.nearest(loud).text());
  }

  private static void set(MenuButton button, String text) {
    if (!button.getText().equals(text)) {
      button.setText(text);
    }
  }

  private void showLength() {
    StepLength now = session.steps().nextLength();
    beats.show(inBeats(now));
    if (now.equals(shownLength)) {
      showDivision(now);
      return;
    }
    shownLength = now;
    length.setText(now.toString());
    symbol.show(
        now.isWritten() ? now.of() : 0,
        now.division() == Division.DOTTED,
        now.division() == Division.TRIPLET);
    ticks.setText(number(now.ticks()) + " ticks");
    ticks.setMinWidth(USE_PREF_SIZE);
    showDivision(now);
  }

  private void showDivision(StepLength now) {
    dot.setSelected(now.division() == Division.DOTTED);
    triplet.setSelected(now.division() == Division.TRIPLET);
  }

  private String inBeats(StepLength value) {
    return number(value.ticks().multiply(meter().unit()).divide(Ticks.WHOLE));
  }

  private static String number(BigFraction value) {
    return value.getDenominator().equals(java.math.BigInteger.ONE)
        ? value.getNumerator().toString()
        : value.getNumerator() + "/" + value.getDenominator();
  }

  /** The last three steps; a click goes back to one. */
  private void showRecent() {
    List<Step> all = steps.place().recent();
    int most = narrowness.isNarrow() ? 1 : RECENT;
    List<Step> last = all.subList(Math.max(0, all.size() - most), all.size());
    if (last.equals(shownRecent)) {
      return;
    }
    shownRecent = List.copyOf(last);
    recentLabel.setVisible(!last.isEmpty());
    for (int i = 0; i < RECENT; i++) {
      Button button = recentSteps.get(i);
      boolean shown = i < last.size();
      Form.show(button, shown);
      if (shown) {
        Step step = last.get(i);
        button.setText(steps.words().of(step));
        button.setOnAction(e -> steps.moveTo(step.onsetTick()));
      }
    }
  }
}
