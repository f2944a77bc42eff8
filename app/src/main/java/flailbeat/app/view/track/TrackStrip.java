package flailbeat.app.view.track;

import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.Hints;
import flailbeat.app.control.LevelMeter;
import flailbeat.app.control.Menus;
import flailbeat.app.control.Palette;
import flailbeat.app.view.base.Follow;
import flailbeat.core.edit.tracks.StartValues;
import flailbeat.core.model.Track;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.model.sound.TrackSound;
import flailbeat.core.model.track.HandTraits;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.tracks.TrackDials;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.IntToDoubleFunction;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Slider;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/**
 * The strip of the chosen track: how loud, from where and how bright it is heard, and where it
 * goes. It opens from the tab.
 */
public final class TrackStrip extends FlowPane {
  private static final int REST_CLICKS = 2;
  private static final int CHANNELS = 16;
  private static final double METER_WIDTH = 84;

  private final Session session;
  private final TrackDials dials;
  private final Map<Dial, Slider> sliders = new EnumMap<>(Dial.class);
  private final Map<Dial, Label> figures = new EnumMap<>(Dial.class);
  private final Map<Dial, Label> names = new EnumMap<>(Dial.class);
  private final LevelMeter meter;
  private final EntryField transpose;
  private final EntryField floor;
  private final EntryField ceiling;
  private final MenuButton channel = Menus.button("strip-channel", "The MIDI channel");
  private final MenuButton output =
      Menus.button("strip-output", "What plays it: the sounds here, or a MIDI output");
  private final Consumer<Consumer<List<String>>> lookForOutputs;
  private boolean showing;
  private boolean open;

  /**
   * The strip, which is put away.
   *
   * @param lookForOutputs looks for the MIDI outputs, and gives their names when it has found them
   */
  public TrackStrip(
      Session session, Palette palette, Consumer<Consumer<List<String>>> lookForOutputs) {
    this.session = session;
    this.dials = session.dials();
    this.lookForOutputs = lookForOutputs;
    getStyleClass().add("track-strip");
    setId("track-strip");
    meter = new LevelMeter(palette, METER_WIDTH, 6);
    transpose =
        Form.number(
            "strip-transpose",
            "Sounds so many semitones higher, or lower; its notes stay as they are ({track-transpose})",
            this::setTranspose);
    floor =
        Form.number(
            "strip-floor", "The softest that it is played, 1 to 127", n -> setRange(n, true));
    ceiling =
        Form.number(
            "strip-ceiling", "The loudest that it is played, 1 to 127", n -> setRange(n, false));
    List.of(transpose, floor, ceiling).forEach(f -> f.setColumns(3));
    for (Dial dial : Dial.values()) {
      getChildren().add(cell(dial));
    }
    fillChannels();
    output.setOnShowing(e -> this.lookForOutputs.accept(this::offer));
    offer(List.of());
    getChildren()
        .addAll(
            named("Higher by", transpose),
            named("Velocities", floor, new Label("to"), ceiling),
            named("Channel", channel),
            named("Plays on", output));
    Form.show(this, false);
    Follow.changes(this, session, this::refresh, Aspect.SONG, Aspect.CHOICE, Aspect.KEYS);
  }

  private static VBox named(String name, Node... nodes) {
    Label label = new Label(name);
    label.getStyleClass().addAll("soft", "small");
    HBox row = new HBox(4, nodes);
    row.setAlignment(Pos.CENTER_LEFT);
    VBox cell = new VBox(1, label, row);
    cell.getStyleClass().add("strip-cell");
    return cell;
  }

  private VBox cell(Dial dial) {
    Slider slider =
        Form.slider(
            "strip-" + dial.name().toLowerCase(Locale.ROOT), 0, 127, v -> turn(dial, (int) v));
    slider.getStyleClass().add("strip-slider");
    slider.setOnMouseReleased(e -> dials.letGo());
    slider.setOnMouseClicked(
        e -> {
          if (e.getButton() == MouseButton.PRIMARY && e.getClickCount() == REST_CLICKS) {
            dials.reset(track().id(), dial);
          }
        });
    Hints.on(
        slider,
        dial.title() + " (controller " + dial.controller().number() + "); twice puts it to rest");
    slider.setAccessibleText(dial.title());
    Label name = new Label(dial.title());
    name.getStyleClass().addAll("soft", "small");
    Label figure = new Label();
    figure.getStyleClass().addAll("figures", "small");
    sliders.put(dial, slider);
    figures.put(dial, figure);
    names.put(dial, name);
    HBox head = new HBox(6, name, figure);
    VBox cell = new VBox(1, head, slider);
    if (dial == Dial.LEVEL) {
      cell.getChildren().add(meter);
    }
    cell.getStyleClass().addAll("strip-cell", "strip-dial");
    return cell;
  }

  private Track track() {
    return session.document().track();
  }

  private void turn(Dial dial, int value) {
    if (showing) {
      return;
    }
    dials.turn(track().id(), dial, value);
    figures.get(dial).setText(TrackDials.words(dial, value));
    if (!sliders.get(dial).isPressed()) {
      dials.letGo();
    }
  }

  private void setTranspose(int semitones) {
    int most = TrackSound.MOST_SEMITONES;
    if (Math.abs(semitones) > most) {
      throw new IllegalArgumentException("From -" + most + " to " + most);
    }
    session.tracks().transpose(track().id(), semitones);
  }

  private void setRange(int value, boolean isFloor) {
    HandTraits now = session.trackHands().chosenTraits();
    int least = isFloor ? value : orUsual(now.floor(), usualFloor());
    int most = isFloor ? orUsual(now.ceiling(), usualCeiling()) : value;
    if (value < 1 || value > 127 || least > most) {
      throw new IllegalArgumentException("From 1 to 127, and the softest first");
    }
    session.trackHands().setRange(least, most);
  }

  private int usualFloor() {
    return session.performer().hands().touch().floor();
  }

  private int usualCeiling() {
    return session.performer().hands().touch().ceiling();
  }

  private static int orUsual(int own, int usual) {
    return own == HandTraits.USUAL ? usual : own;
  }

  private void fillChannels() {
    for (int number = 1; number <= CHANNELS; number++) {
      String typed = Integer.toString(number);
      channel.getItems().add(Menus.item(typed, () -> session.values().enterChannel(typed)));
    }
  }

  private void offer(List<String> found) {
    output
        .getItems()
        .setAll(Menus.item("Sounds here", () -> session.tracks().output(track().id(), "")));
    for (String name : found) {
      output.getItems().add(Menus.item(name, () -> session.tracks().output(track().id(), name)));
    }
    if (found.isEmpty()) {
      MenuItem none = new MenuItem("No MIDI output found yet");
      none.setDisable(true);
      output.getItems().add(none);
    }
  }

  /** Opens it, or puts it away. */
  public void toggle() {
    open = !open;
    Form.show(this, open);
    refresh();
  }

  /** Whether it is in sight. */
  public boolean isOpen() {
    return open;
  }

  /**
   * Shows how loud the track is.
   *
   * @param levels 0 to 1, by the part of a track
   */
  public void showLevels(IntToDoubleFunction levels) {
    if (open) {
      session
          .document()
          .parts()
          .of(track())
          .ifPresent(part -> meter.show((float) levels.applyAsDouble(part)));
    }
  }

  private void refresh() {
    if (!open) {
      return;
    }
    showing = true;
    Track track = track();
    for (Dial dial : Dial.values()) {
      int value = dials.value(track, dial);
      sliders.get(dial).setValue(value);
      boolean moves = StartValues.movesLater(track, dial);
      figures.get(dial).setText(TrackDials.words(dial, value));
      names.get(dial).setText(dial.title() + (moves ? " at first" : ""));
    }
    transpose.show(Integer.toString(track.sound().transpose()));
    transpose.setDisable(track.instrument().kit());
    HandTraits hands = session.trackHands().chosenTraits();
    floor.show(Integer.toString(orUsual(hands.floor(), usualFloor())));
    ceiling.show(Integer.toString(orUsual(hands.ceiling(), usualCeiling())));
    channel.setText(Integer.toString(track.channel() + 1));
    output.setText(track.sound().port().isEmpty() ? "Sounds here" : track.sound().port());
    showing = false;
  }
}
