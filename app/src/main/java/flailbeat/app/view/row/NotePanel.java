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
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;

/**
 * Exact values of the notes in scope, in a row over the bench: each can be typed over, also by a
 * change such as +10, and goes up and down by arrow keys and the wheel.
 */
public final class NotePanel extends FlowPane {
  private static final String CHANGES = "; also +10, -10, *0.9, 90%; arrows and wheel step";

  private static final double GAP = 5;
  private static final double UNIT_WIDTH = 90;

  private final ExactValues values;
  private final Label of = StepStrip.label("");
  private final Map<NoteField, EntryField> fields = new EnumMap<>(NoteField.class);
  private final List<EntryField> inOrder = new ArrayList<>();
  private final EntryField channel;
  private final Segments<Boolean> unit;
  private boolean shown;

  public NotePanel(Session session) {
    this.values = session.values();
    getStyleClass().add("note-panel");
    setId("note-panel");
    of.setId("values-of");
    of.setMinWidth(USE_PREF_SIZE);
    getChildren().add(of);
    add(NoteField.START, "start", 8, "Where they begin, bar.beat.tick");
    add(NoteField.LENGTH, "length", 7, "How long they are, in ticks");
    add(NoteField.END, "end", 8, "Where they end, bar.beat.tick");
    add(NoteField.PITCH, "pitch", 6, "Which pitch, as F#4 or a number");
    add(NoteField.VELOCITY, "velocity", 6, "How hard they are struck, 1 to 127");
    add(NoteField.AS_PLAYED, "played", 6, "How long after its place it was played, in ticks");
    channel =
        new EntryField(
            "value-channel", 2, "The track's MIDI channel, 1 to 16", values::enterChannel);
    inOrder.add(channel);
    getChildren().add(named("channel", channel));
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

  private void add(NoteField field, String label, int columns, String hint) {
    EntryField entry =
        new EntryField(
                "value-" + label, columns, hint + CHANGES, typed -> values.enter(field, typed))
            .stepping(by -> values.step(field, by));
    fields.put(field, entry);
    inOrder.add(entry);
    getChildren().add(named(label, entry));
  }

  private static HBox named(String label, EntryField entry) {
    HBox both = new HBox(GAP, StepStrip.label(label), entry);
    both.setAlignment(Pos.CENTER_LEFT);
    return both;
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
          entry.setDisable(text.isEmpty());
        });
    channel.show(values.channel());
    unit.show(values.isInMillis());
  }
}
