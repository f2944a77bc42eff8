package flailbeat.app.view.track;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Hints;
import flailbeat.app.control.Nodes;
import flailbeat.app.control.Palette.Ink;
import flailbeat.core.edit.tracks.TrackEdits;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.track.TrackTraits;
import flailbeat.core.session.Session;
import java.util.Locale;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Circle;

/**
 * The tab of one track, or of a group that is folded. The chosen one shows its sound and its
 * switches; the others show them as they are pointed at.
 */
final class TrackTab extends StackPane {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
  private static final double LONGEST_NAME = 130;

  /** Room for a dot and some letters. */
  private static final double LEAST = 66;

  /** Room for the buttons, and for a dot and some of a name beside them. */
  private static final double WITH_BUTTONS = 124;

  private static final double DOT = 22;
  private static final double LOUD_DB = 48;

  private final Session session;
  private final Runnable onStrip;
  private final HBox row = new HBox();
  private final Region level = new Region();
  private final Circle dot = new Circle(5);
  private final Label name = new Label();
  private Track track;
  private boolean chosen;

  TrackTab(Session session, Runnable onStrip) {
    this.session = session;
    this.onStrip = onStrip;
    row.getStyleClass().add("track-row");
    getStyleClass().add("track-tab");
    name.getStyleClass().add("track-name");
    name.setMaxWidth(LONGEST_NAME);
    name.setMinWidth(0);
    level.getStyleClass().add("tab-level");
    level.setManaged(false);
    level.setMouseTransparent(true);
    getChildren().addAll(row, level);
    addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
    setOnMouseEntered(e -> showSwitches());
    setOnMouseExited(e -> row.getChildren().removeIf(n -> !n.isManaged()));
  }

  @Override
  protected double computePrefWidth(double height) {
    return Math.max(chosen ? 0 : WITH_BUTTONS, super.computePrefWidth(height));
  }

  /** Shows a track as it is now. */
  void show(Track value, boolean isChosen) {
    track = value;
    chosen = isChosen;
    pseudoClassStateChanged(CHOSEN, chosen);
    fill();
  }

  Track track() {
    return track;
  }

  private void pressed(MouseEvent e) {
    session.document().chooseTrack(track.id());
    boolean twice = e.getButton() == MouseButton.PRIMARY && e.getClickCount() == 2;
    if (twice && e.getTarget() instanceof Node target && !isInButton(target)) {
      editName();
      e.consume();
    }
  }

  private static boolean isInButton(Node node) {
    return Nodes.isWithin(node, n -> n instanceof Button || n instanceof ToggleButton);
  }

  private void fill() {
    setMinWidth(chosen ? USE_PREF_SIZE : LEAST);
    String title = title(session.song(), track);
    name.setText(title);
    Hints.on(name, title + ", " + track.instrument().title() + " ({track-rename} names it)");
    dot.getStyleClass().setAll(ink(session.song(), track));
    row.getChildren().setAll(dot, name);
    if (isGroup()) {
      row.getChildren().add(0, unfold());
    }
    if (chosen) {
      row.getChildren().addAll(soundButton(), stripButton(), arm(), mute(), solo());
    } else {
      marks();
    }
  }

  private boolean isGroup() {
    return track.personal().folded();
  }

  /** The style of the colour of a track. */
  static String ink(Song song, Track track) {
    String ink = Ink.ofTrack(TrackEdits.color(song, track)).name();
    return ink.toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** What it is called: a folded group by its own name, with how many it has. */
  static String title(Song song, Track track) {
    TrackTraits personal = track.personal();
    return personal.folded()
        ? personal.group() + " (" + TrackEdits.group(song, personal.group()).size() + ")"
        : track.name();
  }

  /** Puts a field in the name's place, with the caret. */
  void editName() {
    EntryField field = new EntryField("track-name-field", 12, "What it is called", this::take);
    field.show(isGroup() ? track.personal().group() : track.name());
    int at = isGroup() ? 2 : 1;
    row.getChildren().set(at, field);
    setMinWidth(USE_PREF_SIZE);
    field.whenLeft(this::fill);
    field.edit();
  }

  private void take(String typed) {
    if (isGroup()) {
      session.tracks().renameGroup(track.personal().group(), typed);
    } else {
      session.tracks().rename(track.id(), typed);
    }
  }

  private Button unfold() {
    Button unfold =
        Buttons.text(
            "\u25B8",
            "Shows the tracks of the group ({track-fold})",
            () -> session.tracks().fold(track.id()));
    unfold.getStyleClass().addAll("quiet", "tab-fold");
    return unfold;
  }

  private void marks() {
    if (track.armed()) {
      row.getChildren().add(mark("\u25CF", "arm"));
    }
    if (track.muted()) {
      row.getChildren().add(mark("M", "mute"));
    }
    if (track.solo()) {
      row.getChildren().add(mark("S", "solo"));
    }
  }

  private static Label mark(String text, String style) {
    Label mark = new Label(text);
    mark.getStyleClass().addAll("tab-mark", style);
    mark.setMinWidth(USE_PREF_SIZE);
    return mark;
  }

  /** Pointed at, a tab shows its buttons, over its right end: nothing beside it moves. */
  private void showSwitches() {
    if (chosen || getWidth() < WITH_BUTTONS - 1) {
      return;
    }
    HBox switches = new HBox(arm(), mute(), solo());
    switches.getStyleClass().add("tab-switches");
    switches.setManaged(false);
    row.getChildren().add(switches);
    switches.applyCss();
    switches.autosize();
    double x = Math.max(DOT, row.getWidth() - switches.getWidth() - 2);
    switches.relocate(x, (row.getHeight() - switches.getHeight()) / 2);
  }

  private Button soundButton() {
    Button sound =
        Buttons.text(
            track.instrument().title() + " \u25BE",
            "The sound that " + track.name() + " plays with ({sound-choose})",
            session.sounds()::open);
    sound.setId("track-sound");
    sound.getStyleClass().addAll("quiet", "small");
    return sound;
  }

  private Button stripButton() {
    Button strip =
        Buttons.text("\u2630", "Level, pan, tone and more of the track ({track-strip})", onStrip);
    strip.setId("track-strip-button");
    strip.getStyleClass().addAll("quiet", "small");
    return strip;
  }

  private ToggleButton arm() {
    ToggleButton arm =
        toggle(
            "\u25CF",
            "arm",
            "Armed: played and recorded along with the chosen track ({track-arm})",
            track.armed());
    arm.setOnAction(e -> session.tracks().arm(track.id()));
    return arm;
  }

  private ToggleButton mute() {
    ToggleButton mute = toggle("M", "mute", "Mute ({mute})", track.muted());
    mute.setOnAction(e -> session.tracks().mute(track.id()));
    return mute;
  }

  private ToggleButton solo() {
    ToggleButton solo =
        toggle(
            "S",
            "solo",
            "Solo: only soloed tracks sound ({solo}); with Shift this one alone ({solo-alone})",
            track.solo());
    boolean[] shift = {false};
    solo.addEventFilter(MouseEvent.MOUSE_PRESSED, e -> shift[0] = e.isShiftDown());
    solo.setOnAction(
        e -> {
          if (shift[0]) {
            session.tracks().soloAlone(track.id());
          } else {
            session.tracks().solo(track.id());
          }
        });
    return solo;
  }

  private static ToggleButton toggle(String text, String style, String hint, boolean on) {
    ToggleButton button = Buttons.toggle(text, hint);
    button.getStyleClass().addAll("tab-switch", style);
    button.setSelected(on);
    return button;
  }

  /**
   * Shows how loud the track is, as a line at its foot.
   *
   * @param peak 0 to 1
   */
  void showLevel(float peak) {
    double db = 20 * Math.log10(Math.max(1e-6, peak));
    double share = Math.clamp(1 + db / LOUD_DB, 0, 1);
    level.resizeRelocate(0, getHeight() - 3, Math.rint(share * getWidth()), 3);
  }
}
