package flailbeat.app.view.page;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.Segments;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.base.PageBox;
import flailbeat.core.capture.Calibration;
import flailbeat.core.capture.RecordingMode;
import flailbeat.core.playback.ClickSound;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.session.run.RecordSettings;
import flailbeat.core.session.run.RunControl;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.HBox;

/** How recordings are made: mode, click, early notes, the person's lag, the MIDI input. */
public final class RecordingPage extends PageBox {
  private final Session session;
  private final RunControl runControl;
  private final Segments<RecordingMode> mode;
  private final Label modeHint = Form.remark("");
  private final CheckBox always;
  private final CheckBox quantize;
  private final EntryField catchMs;
  private final Segments<ClickSound> clickSound;
  private final Slider clickLevel;
  private final Label clickText = Form.figure();
  private final Label offset = new Label();
  private final Label taps = Form.remark("");
  private final Button calibrate;
  private final Button take;
  private final Button forget;
  private final Label learned = Form.remark("");
  private final Button unlearn;

  /**
   * The page.
   *
   * @param content makes what is on it
   */
  public static Page page(Supplier<RecordingPage> content) {
    return new Page(
        "recording",
        "Recording",
        "",
        "Modes, click, early notes, your lag",
        "F7",
        "M5 9 A6 6 0 1 0 17 9 A6 6 0 1 0 5 9 M10 9 A1 1 0 1 0 12 9 A1 1 0 1 0 10 9",
        content);
  }

  public RecordingPage(Session session, InputMenu input, SoundPart sound) {
    super("recording-page");
    this.session = session;
    this.runControl = session.runControl();
    mode = new Segments<>(m -> set(settings().withMode(m)));
    for (RecordingMode each : RecordingMode.values()) {
      mode.add(each, each.title(), each.hint() + " ({mode-next} goes on to the next)");
    }
    mode.named("mode");
    modeHint.setId("mode-hint");
    always =
        Form.check(
            "always-replace",
            "Clear it though nothing is played",
            "Otherwise what is there is cleared from the first note you play on",
            on -> set(settings().withAlwaysReplace(on)));
    quantize =
        Form.check(
            "quantize-recording",
            "Quantize as it is recorded",
            "As the timing desk says; it can be put back to as played ({quantize-recording})",
            on -> set(settings().withQuantize(on)));
    catchMs =
        Form.number(
            "catch",
            "How early a note may come before the first beat and still count, 0 to 500 ms",
            n -> set(settings().withCatchMs(n)));
    clickSound = new Segments<>(s -> set(play().withClick(s, play().clickLevel())));
    for (ClickSound each : ClickSound.values()) {
      clickSound.add(each, each.title(), "What the click sounds like");
    }
    clickSound.named("click");
    clickLevel = Form.slider("click-level", 0, 100, v -> setClickLevel((int) v));
    offset.setId("input-offset");
    taps.setId("calibration-result");
    taps.getStyleClass().add("two-lines");
    taps.setAlignment(javafx.geometry.Pos.TOP_LEFT);
    calibrate =
        Buttons.text("Calibrate", "Tap along to eight bars of click", session.run()::calibrate);
    calibrate.setId("calibrate");
    take =
        Buttons.text(
            "Use this offset", "Move what you record by this much", session.run()::takeOffset);
    take.setId("take-offset");
    take.getStyleClass().add("primary");
    forget = Buttons.text("None", "Take nothing off", () -> set(settings().withOffsetMs(0)));
    forget.setId("no-offset");
    learned.setId("learned-lag");
    unlearn =
        Buttons.text(
            "Forget it",
            "What was learned from parts that you quantized: for another person, or another chair",
            session.lags()::forget);
    unlearn.setId("forget-lag");
    getChildren()
        .addAll(
            Form.heading("Recording"),
            Form.row("Mode", mode),
            modeHint,
            always,
            quantize,
            Form.row("Early notes", catchMs, Form.remark("ms before the first beat")),
            Form.heading("Click"),
            Form.row("Sound", clickSound),
            Form.row("Level", clickLevel, clickText),
            Form.heading("Your lag"),
            offset,
            taps,
            new HBox(6, calibrate, take, forget),
            learned,
            unlearn,
            Form.heading("MIDI input"),
            input,
            sound);
    Follow.changes(this, session, this::refresh, Aspect.SETTINGS, Aspect.TRANSPORT);
  }

  private RecordSettings settings() {
    return runControl.recordSettings();
  }

  private PlaySettings play() {
    return runControl.settings();
  }

  private void set(RecordSettings value) {
    runControl.setRecordSettings(value);
  }

  private void set(PlaySettings value) {
    runControl.setSettings(value);
  }

  private void setClickLevel(int level) {
    if (level != play().clickLevel()) {
      set(play().withClick(play().clickSound(), level));
    }
  }

  private void refresh() {
    RecordSettings now = settings();
    mode.show(now.mode());
    modeHint.setText(now.mode().hint() + ".");
    always.setSelected(now.alwaysReplace());
    Form.show(always, now.mode() == RecordingMode.REPLACE);
    quantize.setSelected(now.quantize());
    catchMs.show(String.valueOf(now.catchMs()));
    clickSound.show(play().clickSound());
    clickLevel.setValue(play().clickLevel());
    clickText.setText(play().clickLevel() + " %");
    offset.setText(
        now.offsetMs() == 0
            ? "Nothing is taken off what you play."
            : "Taken off what you play: " + lateness(now.offsetMs()) + ".");
    learned.setText(
        session
            .lags()
            .inWords()
            .map(words -> words + ", by " + session.lags().input() + ". Fit expects that.")
            .orElse("Fit learns how late you usually are from parts that you quantize and keep."));
    unlearn.setDisable(session.lags().all().isEmpty());
    showCalibration();
  }

  private void showCalibration() {
    Optional<Calibration> calibration = runControl.calibration();
    boolean usable = calibration.map(c -> c.result().isUsable()).orElse(false);
    taps.setText(
        calibration
            .map(RecordingPage::said)
            .orElse("Tap a note key along to eight bars of click, and see how early or late."));
    take.setDisable(!usable);
    forget.setDisable(settings().offsetMs() == 0);
    calibrate.setText(runControl.isCalibrating() ? "Again" : "Calibrate");
  }

  private static String said(Calibration calibration) {
    Calibration.Result r = calibration.result();
    if (!r.isEnough()) {
      return calibration.taps() + " taps so far; " + Calibration.LEAST_TAPS + " say something.";
    }
    if (!r.isUsable()) {
      return "Your taps were too far from the click to say anything. Try again.";
    }
    String leftOut = r.leftOut() == 0 ? "" : ", " + r.leftOut() + " slips left out";
    return String.format(
        Locale.ROOT,
        "You tap %s, spread %.0f ms (%d taps%s).",
        lateness(r.offsetMs()),
        r.spreadMs(),
        r.taps(),
        leftOut);
  }

  private static String lateness(double ms) {
    return String.format(Locale.ROOT, "%.0f ms %s", Math.abs(ms), ms < 0 ? "early" : "late");
  }
}
