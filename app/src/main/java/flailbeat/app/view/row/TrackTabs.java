package flailbeat.app.view.row;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.control.Hints;
import flailbeat.app.control.Menus;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.base.Follow;
import flailbeat.audio.sound.Sound;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import javafx.css.PseudoClass;
import javafx.geometry.Bounds;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.HBox;
import javafx.scene.shape.Circle;

/**
 * One tab for each track: its colour and name, and what is set on it. The chosen one shows its
 * sound and its switches as well. What does not fit beside one another is gone through by the wheel
 * and by two buttons; the chosen one always comes into sight.
 */
public final class TrackTabs extends HBox {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
  private static final double LONGEST_NAME = 130;
  private static final double STEP = 240;

  /** Wide enough for a tab's buttons. */
  private static final double LEAST_TAB = 92;

  private static final double DOT = 22;
  private static final int CHANNELS = 16;

  private final Session session;
  private final HBox tabs = new HBox();
  private final ScrollPane scroll = new ScrollPane(tabs);
  private final Button back;
  private final Button on;
  private List<Track> shown = List.of();
  private TrackId chosen;

  public TrackTabs(Session session) {
    this.session = session;
    getStyleClass().add("tabs");
    setMinHeight(USE_PREF_SIZE);
    tabs.getStyleClass().add("tab-row");
    scroll.getStyleClass().add("tab-scroll");
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setFitToHeight(true);
    scroll.setFocusTraversable(false);
    scroll.setMinSize(0, 0);
    scroll.addEventFilter(ScrollEvent.SCROLL, this::wheel);
    back = Buttons.text("\u2039", "The tabs before", () -> scrollBy(-STEP));
    on = Buttons.text("\u203A", "The tabs after", () -> scrollBy(STEP));
    back.getStyleClass().add("quiet");
    on.getStyleClass().add("quiet");
    Button add = Buttons.text("+ Track", "Add a track ({track-add})", this::addTrack);
    add.setId("add-track");
    add.getStyleClass().add("quiet");
    getChildren().addAll(back, scroll, on, add);
    scroll.viewportBoundsProperty().addListener(x -> showEnds());
    tabs.widthProperty().addListener(x -> showEnds());
    scroll.hvalueProperty().addListener(x -> showEnds());
    Follow.changes(this, session, this::refresh, Aspect.SONG, Aspect.CHOICE);
  }

  private static Circle dot(int index) {
    Circle dot = new Circle(5);
    dot.getStyleClass().add(Ink.ofTrack(index).name().toLowerCase(Locale.ROOT).replace('_', '-'));
    return dot;
  }

  private void wheel(ScrollEvent e) {
    scrollBy(-(e.getDeltaX() == 0 ? e.getDeltaY() : e.getDeltaX()));
    e.consume();
  }

  private double hidden() {
    return Math.max(0, tabs.getWidth() - scroll.getViewportBounds().getWidth());
  }

  private void scrollBy(double pixels) {
    if (hidden() > 0) {
      scroll.setHvalue(Math.clamp(scroll.getHvalue() + pixels / hidden(), 0, 1));
    }
  }

  private void showEnds() {
    boolean overflows = hidden() > 0.5;
    Form.show(back, overflows);
    Form.show(on, overflows);
    back.setDisable(scroll.getHvalue() <= 0);
    on.setDisable(scroll.getHvalue() >= 1);
  }

  @Override
  protected void layoutChildren() {
    super.layoutChildren();
    if (chosen == null || !chosen.equals(session.document().track().id())) {
      chosen = session.document().track().id();
      scroll.applyCss();
      scroll.layout();
      bringIntoSight(session.song().tracks().indexOf(session.document().track()));
    }
  }

  private void bringIntoSight(int index) {
    if (index < 0 || index >= tabs.getChildren().size() || hidden() <= 0) {
      return;
    }
    Bounds tab = tabs.getChildren().get(index).getBoundsInParent();
    double view = scroll.getViewportBounds().getWidth();
    double left = scroll.getHvalue() * hidden();
    double wanted = Math.clamp(left, Math.min(tab.getMaxX() - view, tab.getMinX()), tab.getMinX());
    scroll.setHvalue(Math.clamp(wanted / hidden(), 0, 1));
  }

  private void refresh() {
    List<Track> tracks = session.song().tracks().stream().map(t -> t.withClips(List.of())).toList();
    TrackId now = session.document().track().id();
    if (tracks.equals(shown) && now.equals(chosen)) {
      return;
    }
    shown = tracks;
    chosen = null;
    tabs.getChildren().clear();
    for (int i = 0; i < tracks.size(); i++) {
      Track track = tracks.get(i);
      HBox tab = track.id().equals(now) ? chosenTab(track, i) : plainTab(track, i);
      tab.getStyleClass().add("track-tab");
      tab.setId("track-tab-" + (i + 1));
      tab.pseudoClassStateChanged(CHOSEN, track.id().equals(now));
      tabs.getChildren().add(tab);
    }
    requestLayout();
  }

  private void addTrack() {
    session.editing().addTrack(Sound.ACOUSTIC_PIANO.instrument());
  }

  private static Label name(Track track) {
    Label name = new Label(track.name());
    name.getStyleClass().add("track-name");
    name.setMaxWidth(LONGEST_NAME);
    Hints.on(name, track.name());
    return name;
  }

  private HBox plainTab(Track track, int index) {
    HBox tab = new HBox(dot(index), name(track));
    if (track.armed()) {
      tab.getChildren().add(mark("\u25CF", "arm"));
    }
    if (track.muted()) {
      tab.getChildren().add(mark("M", "mute"));
    }
    if (track.solo()) {
      tab.getChildren().add(mark("S", "solo"));
    }
    tab.setMinWidth(LEAST_TAB);
    tab.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> session.document().chooseTrack(track.id()));
    tab.setOnMouseEntered(e -> showSwitches(tab, track));
    tab.setOnMouseExited(e -> tab.getChildren().removeIf(n -> !n.isManaged()));
    return tab;
  }

  /** Pointed at, a tab shows its buttons, over its right end: nothing beside it moves. */
  private void showSwitches(HBox tab, Track track) {
    HBox switches = new HBox(arm(track), mute(track), solo(track));
    switches.getStyleClass().add("tab-switches");
    switches.setManaged(false);
    tab.getChildren().add(switches);
    switches.applyCss();
    switches.autosize();
    double x = Math.max(DOT, tab.getWidth() - switches.getWidth() - 2);
    switches.relocate(x, (tab.getHeight() - switches.getHeight()) / 2);
  }

  private static Label mark(String text, String style) {
    Label mark = new Label(text);
    mark.getStyleClass().addAll("tab-mark", style);
    mark.setMinWidth(USE_PREF_SIZE);
    return mark;
  }

  private HBox chosenTab(Track track, int index) {
    return new HBox(
        dot(index), name(track), soundMenu(track), arm(track), mute(track), solo(track));
  }

  private ToggleButton arm(Track track) {
    ToggleButton arm =
        toggle(
            "\u25CF",
            "arm",
            "Armed: played and recorded along with the chosen track",
            track.armed());
    arm.setOnAction(e -> change(track, "Arm " + track.name(), t -> t.withArmed(!t.armed())));
    return arm;
  }

  private ToggleButton mute(Track track) {
    ToggleButton mute = toggle("M", "mute", "Mute", track.muted());
    mute.setOnAction(e -> change(track, "Mute " + track.name(), t -> t.withMuted(!t.muted())));
    return mute;
  }

  private ToggleButton solo(Track track) {
    ToggleButton solo = toggle("S", "solo", "Solo: only soloed tracks sound", track.solo());
    solo.setOnAction(e -> change(track, "Solo " + track.name(), t -> t.withSolo(!t.solo())));
    return solo;
  }

  private static ToggleButton toggle(String text, String style, String hint, boolean on) {
    ToggleButton button = Buttons.toggle(text, hint);
    button.getStyleClass().addAll("tab-switch", style);
    button.setSelected(on);
    return button;
  }

  private MenuButton soundMenu(Track track) {
    MenuButton menu = new MenuButton(Sound.playing(track.instrument()).title());
    menu.getStyleClass().addAll("quiet", "small");
    menu.setFocusTraversable(false);
    menu.setMinWidth(36);
    Hints.on(menu, "The sound that " + track.name() + " plays with");
    for (Sound sound : Sound.values()) {
      MenuItem item = new MenuItem(sound.title());
      item.setOnAction(
          e -> {
            session.document().chooseTrack(track.id());
            session
                .editing()
                .edit(
                    "Sound " + sound.title(),
                    s -> SongEdits.setInstrument(s, track.id(), sound.instrument()));
          });
      menu.getItems().add(item);
    }
    menu.getItems().addAll(new SeparatorMenuItem(), channelMenu(track));
    return menu;
  }

  private Menu channelMenu(Track track) {
    Menu channels = new Menu("MIDI channel " + (track.channel() + 1));
    for (int channel = 1; channel <= CHANNELS; channel++) {
      String number = Integer.toString(channel);
      channels.getItems().add(Menus.item(number, () -> session.values().enterChannel(number)));
    }
    return channels;
  }

  private void change(Track track, String label, UnaryOperator<Track> change) {
    UnaryOperator<Song> edit = song -> song.withTrack(track.id(), change);
    session.editing().edit(label, edit);
    shown = List.of();
    refresh();
  }
}
