package flailbeat.app.view.row;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.LevelMeter;
import flailbeat.app.control.Menus;
import flailbeat.app.control.Palette;
import flailbeat.app.control.RepeatValues;
import flailbeat.app.control.WrapRow;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.MiddleView;
import flailbeat.app.view.base.Narrowness;
import flailbeat.core.capture.RecordingMode;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.session.run.Repeater;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.javafx.FontIcon;
import org.kordamp.ikonli.remixicon.RemixiconAL;
import org.kordamp.ikonli.remixicon.RemixiconMZ;

/** Play, record, where we are, tempo, meter, click, level: by the hands. */
public final class RunRow extends WrapRow {
  /** In a narrower window, what also has a key, and the level, make room. */
  private static final double WIDE_ENOUGH = 1190;

  private static final double PLACE = 136;
  private static final double NARROW_PLACE = 108;
  private static final PseudoClass ACTIVE = PseudoClass.getPseudoClass("active");

  private final Session session;
  private final Button play;
  private final Button record;
  private final Label position = new Label();
  private final Label bars = new Label();
  private final EntryField tempo;
  private final EntryField meter;
  private final ToggleButton clickInPlay = Buttons.toggle("play", "Click while playing");
  private final ToggleButton clickInRecord = Buttons.toggle("record", "Click while recording");
  private final MenuButton countIn;
  private final MenuButton mode;
  private final ToggleButton loop;
  private final ToggleButton repeat;
  private final MenuButton repeatValue;
  private final LevelMeter level;
  private Narrowness narrowness;
  private long shownTick = Long.MIN_VALUE;
  private int shownBar = Integer.MIN_VALUE;

  public RunRow(Session session, Supplier<MiddleView> middle, Palette palette) {
    this.session = session;
    getStyleClass().add("run-row");
    setMinWidth(0);
    setMinHeight(USE_PREF_SIZE);
    play = Buttons.text("Play", "Play or stop ({play})", session.run()::playOrStop);
    play.setGraphic(new FontIcon(RemixiconMZ.PLAY_FILL));
    play.getStyleClass().addAll("run-button", "play");
    play.setId("play");
    record = Buttons.text("Record", "Record or stop ({record})", session.run()::recordOrStop);
    record.setGraphic(new FontIcon(RemixiconMZ.RECORD_CIRCLE_FILL));
    record.getStyleClass().addAll("run-button", "record");
    record.setId("record");
    tempo =
        new EntryField("tempo", 4, "Tempo in quarter notes a minute, 20 to 400", this::setTempo);
    meter = new EntryField("meter", 3, "Meter, such as 4/4 or 6/8", this::setMeter);
    countIn = menu("count-in", "What is counted before a recording begins");
    for (CountIn each : CountIn.choices()) {
      countIn.getItems().add(Menus.item(each.toString(), () -> set(settings().withCountIn(each))));
    }
    mode = menu("mode-menu", "What a recording does with what is there ({mode-next})");
    for (RecordingMode each : RecordingMode.values()) {
      mode.getItems()
          .add(
              Menus.item(
                  each.title() + ": " + each.hint().toLowerCase(Locale.ROOT), () -> setMode(each)));
    }
    loop = Buttons.toggle("Loop", "Go round the loop ({loop}). Drag on the ruler to choose it");
    loop.setId("loop");
    loop.setOnAction(
        e -> {
          session.run().toggleLoop();
          refresh();
        });
    loop.getStyleClass().add("run-button");
    repeat = Buttons.toggle("Repeat", "Held notes are struck again and again ({repeat})");
    repeat.setId("repeat");
    repeat.setOnAction(
        e -> setRepeat(repeat.isSelected(), session.runControl().repeater().value()));
    repeatValue = menu("repeat-value", "How far apart the strokes are ({repeat-value})");
    for (NoteValue each : RepeatValues.all()) {
      repeatValue.getItems().add(Menus.item(RepeatValues.name(each), () -> setRepeat(true, each)));
    }
    level = new LevelMeter(palette, 90, 8);
    build(middle);
    Follow.changes(this, session, this::onChange);
    refresh();
  }

  private void build(Supplier<MiddleView> middle) {
    Button toStart =
        Buttons.icon(
            RemixiconMZ.SKIP_BACK_FILL, "To the start (Home)", () -> session.runControl().seek(0));
    position.getStyleClass().add("position");
    position.setId("position");
    bars.getStyleClass().add("group-label");
    bars.setId("bar-count");
    Pane place = new Pane(position, bars);
    position.setManaged(false);
    bars.setManaged(false);
    clickInPlay.setOnAction(e -> setClicks());
    clickInRecord.setOnAction(e -> setClicks());
    HBox clicks = new HBox(clickInPlay, clickInRecord);
    clicks.getStyleClass().add("segments");
    clickInPlay.getStyleClass().add("first");
    clickInRecord.getStyleClass().add("last");
    clickInPlay.getStyleClass().add("small-switch");
    clickInRecord.getStyleClass().add("small-switch");
    HBox repeats = new HBox(repeat, repeatValue);
    repeats.getStyleClass().add("segments");
    repeat.getStyleClass().add("first");
    repeat.getStyleClass().add("small-switch");
    HBox recording = new HBox(record, mode);
    recording.getStyleClass().add("record-with-mode");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox zoom = zoomButtons(middle);
    VBox meterGroup = group("Level", level);
    narrowness =
        new Narrowness(
            this,
            session,
            WIDE_ENOUGH,
            text -> {
              for (Node node : List.of(toStart, zoom, meterGroup)) {
                Form.show(node, !narrowness.isNarrow());
              }
              showPlace(place, text);
            });
    showPlace(place, 1);
    getChildren()
        .addAll(
            toStart,
            play,
            recording,
            loop,
            place,
            group("Tempo", tempo),
            group("Meter", meter),
            group("Click in", clicks),
            group("Count-in", countIn),
            group("Note repeat", repeats),
            group("Snap", new MouseMenu(session)),
            gap,
            zoom,
            meterGroup);
  }

  private void showPlace(Pane place, double text) {
    double width = (narrowness.isNarrow() ? NARROW_PLACE : PLACE) * text;
    place.setMinSize(width, 36 * text);
    place.setPrefSize(width, 36 * text);
    position.resizeRelocate(0, -3, width, 26 * text);
    bars.resizeRelocate(0, 20 * text, width, 18 * text);
  }

  private static MenuButton menu(String id, String hint) {
    MenuButton menu = Menus.button(id, hint);
    menu.setMinWidth(USE_PREF_SIZE);
    return menu;
  }

  private void setMode(RecordingMode value) {
    session.runControl().setRecordSettings(session.runControl().recordSettings().withMode(value));
  }

  private void setRepeat(boolean on, NoteValue value) {
    session.runControl().setRepeat(on, value);
  }

  private static HBox zoomButtons(Supplier<MiddleView> middle) {
    Button out =
        Buttons.icon(
            RemixiconMZ.ZOOM_OUT_LINE,
            "Smaller ({smaller}, or Ctrl and the wheel)",
            () -> middle.get().zoom(0.8));
    Button in =
        Buttons.icon(
            RemixiconMZ.ZOOM_IN_LINE,
            "Larger ({larger}, or Ctrl and the wheel)",
            () -> middle.get().zoom(1.25));
    Button fit =
        Buttons.icon(RemixiconAL.FULLSCREEN_LINE, "Show the whole part", () -> middle.get().fit());
    for (Button b : new Button[] {out, in, fit}) {
      b.getStyleClass().add("quiet");
    }
    HBox box = new HBox(out, in, fit);
    box.setAlignment(Pos.CENTER);
    return box;
  }

  private static VBox group(String name, Node node) {
    Label label = new Label(name);
    label.getStyleClass().add("group-label");
    label.setMinWidth(USE_PREF_SIZE);
    VBox group = new VBox(1, label, node);
    group.setAlignment(Pos.CENTER_LEFT);
    return group;
  }

  /** Puts the caret where the tempo is typed. */
  public void editTempo() {
    tempo.edit();
  }

  /** Puts the caret where the meter is typed. */
  public void editMeter() {
    meter.edit();
  }

  private void setTempo(String text) {
    double bpm;
    try {
      bpm = Double.parseDouble(text.replace(',', '.'));
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException("Tempo is a number, such as 96", e);
    }
    Tempo value = Tempo.ofBpm(bpm);
    requireNoRecording("tempo");
    session.editing().edit("Tempo " + value, s -> SongEdits.setTempo(s, value));
    tempo.show(session.song().tempos().tempoAt(0).toString());
  }

  private void setMeter(String text) {
    Meter value = Meter.parse(text);
    requireNoRecording("meter");
    session.editing().edit("Meter " + value, s -> SongEdits.setMeter(s, value));
    meter.show(session.song().meters().meterAt(0).toString());
  }

  private void requireNoRecording(String what) {
    if (session.runControl().transport().isRecording()) {
      throw new IllegalArgumentException(
          "The " + what + " stays as it is while recording: stop, then change it");
    }
  }

  private void setClicks() {
    set(
        settings()
            .withClickInPlay(clickInPlay.isSelected())
            .withClickInRecord(clickInRecord.isSelected()));
  }

  private PlaySettings settings() {
    return session.runControl().settings();
  }

  private void set(PlaySettings value) {
    session.runControl().setSettings(value);
  }

  private void onChange(Change change) {
    if (change.isOf(Aspect.SONG, Aspect.TRANSPORT, Aspect.SETTINGS, Aspect.LOOP)) {
      refresh();
    }
    if (change.isOf(Aspect.KEYS)) {
      showRepeat();
    }
  }

  private void refresh() {
    boolean running = session.runControl().transport().isRunning();
    boolean recording = session.runControl().transport().isRecording();
    play.setText(running ? "Stop" : "Play");
    ((FontIcon) play.getGraphic())
        .setIconCode(running ? RemixiconMZ.STOP_FILL : RemixiconMZ.PLAY_FILL);
    play.pseudoClassStateChanged(ACTIVE, running && !recording);
    record.pseudoClassStateChanged(ACTIVE, recording);
    tempo.show(session.song().tempos().tempoAt(0).toString());
    meter.show(session.song().meters().meterAt(0).toString());
    PlaySettings settings = settings();
    clickInPlay.setSelected(settings.clickInPlay());
    clickInRecord.setSelected(settings.clickInRecord());
    countIn.setText(settings.countIn().toString());
    mode.setText(session.runControl().recordSettings().mode().title());
    mode.setDisable(recording);
    loop.setSelected(session.runControl().looping().isOn());
    showRepeat();
    shownTick = Long.MIN_VALUE;
    shownBar = Integer.MIN_VALUE;
    showPosition(session.runControl().positionTicks());
  }

  private void showRepeat() {
    Repeater repeater = session.runControl().repeater();
    repeat.setSelected(repeater.isOn());
    repeatValue.setText(RepeatValues.name(repeater.value()));
  }

  /** Called for each frame. */
  public void showPosition(long tick) {
    if (tick == shownTick) {
      return;
    }
    shownTick = tick;
    MeterMap meters = session.song().meters();
    position.setText(meters.positionAt(tick).toString());
    int bar = meters.barAt(tick) + 1;
    if (bar != shownBar) {
      shownBar = bar;
      showBars(bar);
    }
  }

  private void showBars(int bar) {
    MeterMap meters = session.song().meters();
    long end = meters.wholeBars(new TickRange(0, Math.max(1, session.song().end()))).end();
    int last = meters.barAt(end - 1) + 1;
    bars.setText(session.song().end() == 0 ? "bar.beat.tick" : "bar " + bar + " of " + last);
  }

  /** Called for each frame. */
  public void showLevel(float peak) {
    level.show(peak);
  }
}
