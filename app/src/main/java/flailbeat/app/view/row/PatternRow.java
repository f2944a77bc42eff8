package flailbeat.app.view.row;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.KeyTexts;
import flailbeat.core.session.bench.StepEntry;
import flailbeat.core.step.PatternFill;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;

/** What a pattern is, and the button that fills it in. */
final class PatternRow extends HBox {
  private final StepEntry steps;
  private final EntryField count;
  private final EntryField times;
  private final EntryField semitones;

  PatternRow(StepEntry steps) {
    this.steps = steps;
    getStyleClass().add("step-row");
    setId("step-pattern");
    count =
        Form.number(
            "pattern-steps",
            "How many of the last steps, 1 to 16",
            n -> steps.setPattern(new PatternFill(n, now().times(), now().semitones())));
    times =
        new EntryField(
            "pattern-times",
            3,
            "How often; \"end\" goes on to the end of the clip",
            this::setTimes);
    semitones =
        Form.number(
            "pattern-semitones",
            "How many semitones higher each time, -24 to 24",
            n -> steps.setPattern(new PatternFill(now().steps(), now().times(), n)));
    Button fill =
        Buttons.text("Repeat", "Repeat them behind the cursor ({step-fill})", steps::fill);
    fill.setId("pattern-fill");
    fill.getStyleClass().add("primary");
    Button close = Buttons.text("Close", "Put this row away", () -> show(false));
    Label hint = Form.remark("{step-fill} repeats them, whether this is open or not");
    KeyTexts.set(hint, "{step-fill} repeats them, whether this row is open or not");
    getChildren()
        .addAll(
            StepStrip.label("Repeat the last"),
            count,
            StepStrip.label("steps, times"),
            times,
            StepStrip.label("semitones higher each time"),
            semitones,
            fill,
            close,
            hint);
    show(false);
  }

  private PatternFill now() {
    return steps.pattern();
  }

  private void setTimes(String text) {
    int value;
    try {
      value = text.equalsIgnoreCase("end") ? PatternFill.TO_THE_END : Integer.parseInt(text);
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException("A whole number, or \"end\"", e);
    }
    if (value == PatternFill.TO_THE_END && !text.equalsIgnoreCase("end")) {
      throw new IllegalArgumentException("A pattern is repeated once at least");
    }
    steps.setPattern(new PatternFill(now().steps(), value, now().semitones()));
  }

  void open() {
    show(true);
    count.edit();
  }

  private void show(boolean shown) {
    Form.show(this, shown);
  }

  void refresh() {
    count.show(Integer.toString(now().steps()));
    times.show(now().times() == PatternFill.TO_THE_END ? "end" : Integer.toString(now().times()));
    semitones.show(Integer.toString(now().semitones()));
  }
}
