package flailbeat.app.view.row;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.Segments;
import flailbeat.app.view.base.Follow;
import flailbeat.core.edit.notes.NoteField;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.ExactValues;
import flailbeat.core.session.document.Aspect;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;

/**
 * Exact values of the notes in scope, as a sentence over the bench: each number in it can be typed
 * over, also by a change such as +10, and goes up and down by arrow keys and the wheel.
 */
public final class NotePanel extends FlowPane {
  private static final String CHANGES = "; also +10, -10, *0.9, 90%; arrows and wheel step";

  private static final double GAP = 3;
  private static final int LEAST_COLUMNS = 2;
  private static final double UNIT_WIDTH = 90;

  private final ExactValues values;
  private final Label of = StepStrip.label("");
  private final Map<NoteField, EntryField> fields = new EnumMap<>(NoteField.class);
  private final List<EntryField> inOrder = new ArrayList<>();
  private final Segments<Boolean> unit;
  private boolean shown;

  public NotePanel(Session session) {
    this.values = session.values();
    getStyleClass().add("note-panel");
    setId("note-panel");
    of.setId("values-of");
    of.setMinWidth(USE_PREF_SIZE);
    getChildren().add(new HBox(of, new Label(",")));
    add("", NoteField.PITCH, "pitch", "Which pitch, as F#4 or a number", ",");
    add("from", NoteField.START, "start", "Where they begin, bar.beat.tick", "");
    add("to", NoteField.END, "end", "Where they end, bar.beat.tick", ",");
    add("", NoteField.LENGTH, "length", "How long they are, in ticks", "long,");
    add("", NoteField.VELOCITY, "velocity", "How hard they are struck, 1 to 127", "loud,");
    add(
        "played",
        NoteField.AS_PLAYED,
        "played",
        "How long after its place it was played, in ticks",
        "after its place");
    unit =
        new Segments<Boolean>(values::setInMillis)
            .add(false, "ticks", "Times in bars, beats and ticks")
            .add(true, "ms", "Times in milliseconds")
            .named("value-unit");
    unit.setMinWidth(UNIT_WIDTH);
    getChildren().addAll(unit, Buttons.text("Close", "Put this row away", () -> show(false)));
    addEventFilter(KeyEvent.KEY_PRESSED, this::goOn);
    Follow.changes(this, session, this::refresh, Aspect.SONG, Aspect.CHOICE, Aspect.SETTINGS);
    show(false);
  }

  /** A value with the words that stand before and behind it. */
  private void add(String before, NoteField field, String name, String hint, String behind) {
    EntryField entry =
        new EntryField(
                "value-" + name, LEAST_COLUMNS, hint + CHANGES, typed -> values.enter(field, typed))
            .stepping(by -> values.step(field, by));
    fields.put(field, entry);
    inOrder.add(entry);
    HBox words = new HBox(GAP);
    words.setAlignment(Pos.CENTER_LEFT);
    if (!before.isEmpty()) {
      words.getChildren().add(new Label(before));
    }
    words.getChildren().add(entry);
    if (!behind.isEmpty()) {
      Label label = new Label(behind);
      HBox.setMargin(label, new Insets(0, 0, 0, behind.equals(",") ? -GAP : 0));
      words.getChildren().add(label);
    }
    getChildren().add(words);
  }

  /** Tab goes from field to field. */
  private void goOn(KeyEvent e) {
    if (e.getCode() != KeyCode.TAB) {
      return;
    }
    for (int i = 0; i < inOrder.size(); i++) {
      if (inOrder.get(i).isEdited()) {
        int way = e.isShiftDown() ? -1 : 1;
        inOrder.get(Math.floorMod(i + way, inOrder.size())).edit();
        e.consume();
        return;
      }
    }
  }

  /** Opens it with the caret in its first field; when it is open, puts it away. */
  public void toggle() {
    show(!shown);
    if (shown) {
      inOrder.getFirst().edit();
    }
  }

  private void show(boolean value) {
    shown = value;
    Form.show(this, value);
    refresh();
  }

  private void refresh() {
    if (!shown) {
      return;
    }
    of.setText(values.of());
    fields.forEach(
        (field, entry) -> {
          String text = values.text(field);
          entry.show(text);
          entry.setColumns(Math.max(LEAST_COLUMNS, text.length()));
          entry.setDisable(text.isEmpty());
        });
    unit.show(values.isInMillis());
  }
}
