package flailbeat.app.view.sound;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.control.KeyTexts;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.base.PageBox;
import flailbeat.audio.AudioEngine;
import flailbeat.audio.midi.MidiMonitor;
import flailbeat.audio.midi.MidiMonitor.Entry;
import flailbeat.audio.midi.MidiWords;
import flailbeat.core.pitch.OctaveNames;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

/** What comes in and goes out by MIDI, decoded. */
public final class MonitorPage extends PageBox {
  private static final double ROW = 34;
  private static final int MOST_SHOWN = 400;
  private static final double NANOS = 1e9;

  /** As often as eyes can read. */
  private static final Duration EVERY = Duration.millis(120);

  private final MidiMonitor monitor;
  private final AudioEngine engine;
  private final ListView<Entry> list = new ListView<>();
  private final Label in = new Label();
  private final Label out = new Label();
  private final CheckBox holds;
  private final Timeline follow = new Timeline(new KeyFrame(EVERY, e -> refresh()));
  private long seen;
  private long zeroNanos;
  private long lastIn;
  private long lastOut;

  /**
   * The page.
   *
   * @param engine has the outputs and the monitor
   */
  public static Page page(AudioEngine engine) {
    return new Page(
        "midi",
        "MIDI",
        "",
        "What comes in and goes out, decoded",
        "",
        "M4 4 H18 V14 H4 Z M7 8 H8 M10.5 8 H11.5 M14 8 H15 M8.5 11 H9.5 M12.5 11 H13.5",
        () -> new MonitorPage(engine));
  }

  private MonitorPage(AudioEngine engine) {
    super("midi-page");
    this.engine = engine;
    this.monitor = engine.monitor();
    list.setId("midi-list");
    list.setAccessibleText("What came in and went out");
    list.setFixedCellSize(ROW);
    list.setFocusTraversable(false);
    list.setCellFactory(l -> new Row());
    Label none = Form.remark("");
    KeyTexts.set(
        none,
        "Nothing yet. Send a track to a MIDI output on its strip ({track-strip}): the simulated"
            + " port is always there. Or play a MIDI keyboard, chosen on the page Recording.");
    list.setPlaceholder(none);
    VBox.setVgrow(list, Priority.ALWAYS);
    in.setId("midi-in");
    out.setId("midi-out");
    holds = Form.check("midi-hold", "Hold still", "Nothing moves while you read", on -> refresh());
    Button clear = Buttons.text("Clear", "Begins anew, and counts the time from now", this::clear);
    clear.setId("midi-clear");
    HBox head = new HBox(8, in, out, holds, clear);
    head.setAlignment(Pos.CENTER_LEFT);
    getChildren().addAll(Form.heading("In and out by MIDI"), head, list);
    follow.setCycleCount(Animation.INDEFINITE);
    sceneProperty()
        .addListener(
            (property, before, now) -> {
              if (now == null) {
                follow.stop();
              } else {
                follow.play();
              }
            });
    zeroNanos = System.nanoTime();
    refresh();
  }

  /** Begins anew. */
  private void clear() {
    monitor.clear();
    list.getItems().clear();
    seen = monitor.count();
    zeroNanos = System.nanoTime();
  }

  private void refresh() {
    List<Entry> come = monitor.since(seen);
    for (Entry entry : come) {
      lastIn = entry.in() ? entry.atNanos() : lastIn;
      lastOut = entry.in() ? lastOut : entry.atNanos();
    }
    light(in, "In", lastIn);
    light(out, "Out", lastOut);
    Set<String> missing = engine.ports().missing();
    if (!missing.isEmpty()) {
      out.setText("\u25CB Out: " + String.join(", ", missing) + " not plugged in");
    }
    if (come.isEmpty() || holds.isSelected()) {
      return;
    }
    seen = come.getLast().number();
    List<Entry> all = new ArrayList<>(come.reversed());
    all.addAll(list.getItems());
    list.getItems().setAll(all.subList(0, Math.min(MOST_SHOWN, all.size())));
    list.scrollTo(0);
  }

  /** A light that is on while something comes. */
  private static void light(Label label, String name, long lastNanos) {
    boolean on = lastNanos != 0 && System.nanoTime() - lastNanos < 300_000_000;
    label.setText((on ? "\u25CF " : "\u25CB ") + name);
  }

  private final class Row extends ListCell<Entry> {
    private final Label when = new Label();
    private final Label bytes = new Label();
    private final Label what = new Label();
    private final Label where = new Label();
    private final VBox box;

    Row() {
      when.getStyleClass().addAll("figures", "small", "soft");
      bytes.getStyleClass().addAll("figures", "small");
      where.getStyleClass().addAll("small", "soft");
      HBox first = new HBox(8, when, what);
      HBox second = new HBox(8, bytes, where);
      box = new VBox(first, second);
      // As wide as the list, and no wider: what does not fit ends in dots.
      setPrefWidth(0);
    }

    @Override
    protected void updateItem(Entry item, boolean isEmpty) {
      super.updateItem(item, isEmpty);
      setGraphic(isEmpty || item == null ? null : box);
      if (item != null && !isEmpty) {
        when.setText(String.format(Locale.ROOT, "%8.3f", (item.atNanos() - zeroNanos) / NANOS));
        what.setText(
            MidiWords.of(item.status(), item.data1(), item.data2(), OctaveNames.MIDDLE_C4));
        bytes.setText(MidiWords.bytes(item.status(), item.data1(), item.data2()));
        where.setText(
            (item.in() ? "\u2192 " : "\u2190 ")
                + "channel "
                + ((item.status() & 0xF) + 1)
                + ", "
                + item.device());
      }
    }
  }
}
