package flailbeat.app.view.page;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.Hints;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.base.PageBox;
import flailbeat.core.keys.BendSettings;
import flailbeat.core.keys.Touch;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.hands.Performer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.controlsfx.control.RangeSlider;

/** How keys are struck and bent, and what is known of the person's keyboard. */
public final class HandsPage extends PageBox {
  private final Performer performer;
  private final RangeSlider range = new RangeSlider(1, 127, 1, 127);
  private final Label rangeText = Form.figure();
  private final EntryField step;
  private final EntryField accent;
  private final Slider sway;
  private final Slider beats;
  private final Label swayText = Form.figure();
  private final Label beatsText = Form.figure();
  private final EntryField semitones;
  private final EntryField glide;
  private boolean showing;

  /** The page. */
  public static Page page(Session session) {
    return new Page(
        "hands",
        "Hands",
        "",
        "How keys are struck and bent; your keyboard",
        "F6",
        "M1 3 H7 V15 H1 Z M8 3 H14 V15 H8 Z M15 3 H21 V15 H15 Z",
        () -> new HandsPage(session),
        () -> session.keyboard().check().filter(c -> !c.blocked().isEmpty()).isPresent());
  }

  public HandsPage(Session session) {
    super("hands-page");
    this.performer = session.performer();
    range.setId("velocity-range");
    range.setFocusTraversable(false);
    Hints.on(range, "Everything played is at least as loud as the one, at most as the other");
    HBox.setHgrow(range, Priority.ALWAYS);
    range.lowValueProperty().addListener((property, before, now) -> setRange());
    range.highValueProperty().addListener((property, before, now) -> setRange());
    step =
        Form.number(
            "velocity-step",
            "How much Up and Down change the velocity, 1 to 32",
            n -> set(touch().withStep(n)));
    accent =
        Form.number(
            "accent",
            "How much harder a note struck with Shift is, 0 to 64",
            n -> set(touch().withAccent(n)));
    sway = Form.slider("sway", 0, Touch.MOST_SWAY, v -> set(touch().withSway((int) v)));
    beats =
        Form.slider(
            "beat-accent", 0, Touch.MOST_BEAT_ACCENT, v -> set(touch().withBeatAccent((int) v)));
    semitones =
        Form.number(
            "bend-range",
            "How far the bend goes, 1 to 24 semitones",
            n -> set(bend().withSemitones(n)));
    glide =
        Form.number(
            "bend-glide",
            "How long the bend takes, 10 to 2000 ms",
            n -> set(bend().withGlideMs(n)));
    Button learn =
        Buttons.text(
            "Learn my keyboard",
            "Press the keys as they light up: for any layout",
            session.keyboard()::learn);
    learn.setId("learn-keyboard");
    Button check =
        Buttons.text(
            "Chord check",
            "Find out which keys yours lets through together",
            session.keyboard()::checkChord);
    check.setId("chord-check");
    getChildren()
        .addAll(
            Form.heading("Velocity"),
            Form.row("Range", range, rangeText),
            Form.row("Step", step, new Label("Accent"), accent),
            Form.heading("Sway"),
            Form.row("Spread", sway, swayText),
            Form.row("On the beat", beats, beatsText),
            Form.heading("Bend"),
            Form.row("Range", semitones, Form.remark("semitones either way")),
            Form.row("Glide", glide, Form.remark("ms to the end of the range")),
            Form.heading("Your keyboard"),
            new HBox(8, learn, check));
    Follow.changes(this, session, this::refresh, Aspect.SETTINGS);
  }

  private Touch touch() {
    return performer.hands().touch();
  }

  private BendSettings bend() {
    return performer.pedals().settings();
  }

  private void setRange() {
    int low = (int) Math.rint(range.getLowValue());
    int high = (int) Math.rint(range.getHighValue());
    if (low <= high) {
      set(touch().withRange(low, high));
    }
  }

  private void set(Touch value) {
    if (!showing && !value.equals(touch())) {
      performer.setTouch(value);
    }
  }

  private void set(BendSettings value) {
    performer.setBend(value);
  }

  private void refresh() {
    showing = true;
    Touch touch = touch();
    range.setHighValue(touch.ceiling());
    range.setLowValue(touch.floor());
    rangeText.setText(
        touch.floor() == touch.ceiling()
            ? String.valueOf(touch.floor())
            : touch.floor() + "-" + touch.ceiling());
    step.show(String.valueOf(touch.step()));
    accent.show(String.valueOf(touch.accent()));
    sway.setValue(touch.sway());
    beats.setValue(touch.beatAccent());
    swayText.setText(touch.sway() == 0 ? "none" : "\u00b1" + touch.sway());
    beatsText.setText(touch.beatAccent() == 0 ? "none" : "+" + touch.beatAccent());
    semitones.show(String.valueOf(bend().semitones()));
    glide.show(String.valueOf(bend().glideMs()));
    showing = false;
  }
}
