package flailbeat.app.view.track;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.control.Nodes;
import flailbeat.app.view.base.Follow;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.tracks.TrackActions;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.IntToDoubleFunction;
import javafx.css.PseudoClass;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/**
 * One tab for each track: its colour and name, and what is set on it. They shrink as there are more
 * of them; what still does not fit beside one another is gone through by the wheel and by two
 * buttons, and the chosen one always comes into sight. One that is dragged changes its place.
 */
public final class TrackTabs extends HBox {
  private static final double STEP = 240;

  /** A press that moves so far is a drag. */
  private static final double DRAG = 6;

  private static final int NOWHERE = -1;
  private static final PseudoClass DROP_BEFORE = PseudoClass.getPseudoClass("drop-before");
  private static final PseudoClass DROP_AFTER = PseudoClass.getPseudoClass("drop-after");

  private final Session session;
  private final Runnable onStrip;
  private final HBox tabs = new HBox();
  private final ScrollPane scroll = new ScrollPane(tabs);
  private final Button back;
  private final Button on;
  private List<Track> shown = List.of();
  private TrackId chosen;
  private Optional<TrackTab> inHand = Optional.empty();
  private double pressedAt;
  private boolean dragging;

  /**
   * The tabs.
   *
   * @param onStrip opens the strip of the chosen track, or puts it away
   * @param onMenu shows what can be done to the chosen track
   */
  public TrackTabs(Session session, Runnable onStrip, Consumer<ContextMenuEvent> onMenu) {
    this.session = session;
    this.onStrip = onStrip;
    getStyleClass().add("tabs");
    setMinHeight(USE_PREF_SIZE);
    tabs.getStyleClass().add("tab-row");
    scroll.getStyleClass().add("tab-scroll");
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setFitToHeight(true);
    scroll.setFitToWidth(true);
    setHgrow(scroll, Priority.SOMETIMES);
    scroll.setFocusTraversable(false);
    Nodes.drawDirectly(scroll);
    scroll.setMinSize(0, 0);
    scroll.addEventFilter(ScrollEvent.SCROLL, this::wheel);
    back = Buttons.text("\u2039", "The tabs before", () -> scrollBy(-STEP));
    on = Buttons.text("\u203A", "The tabs after", () -> scrollBy(STEP));
    back.getStyleClass().add("quiet");
    on.getStyleClass().add("quiet");
    Button add = Buttons.text("+ Track", "Add a track ({track-add})", session.tracks()::addLike);
    add.setId("add-track");
    add.getStyleClass().add("quiet");
    getChildren().addAll(back, scroll, on, add);
    tabs.addEventFilter(MouseEvent.MOUSE_PRESSED, this::pressed);
    tabs.addEventFilter(MouseEvent.MOUSE_DRAGGED, this::dragged);
    tabs.addEventFilter(MouseEvent.MOUSE_RELEASED, this::released);
    tabs.setOnContextMenuRequested(onMenu::accept);
    scroll.viewportBoundsProperty().addListener(x -> showEnds());
    tabs.widthProperty().addListener(x -> showEnds());
    scroll.hvalueProperty().addListener(x -> showEnds());
    Follow.changes(this, session, this::refresh, Aspect.SONG, Aspect.CHOICE);
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
      bringIntoSight(shown.stream().map(Track::id).toList().indexOf(chosen));
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

  /** Tabs stay what they are as long as their tracks are there: one of them may be in hand. */
  private void refresh() {
    List<Track> tracks = TrackActions.shown(session.song());
    List<Track> bare = tracks.stream().map(t -> t.withClips(List.of())).toList();
    TrackId now = session.document().track().id();
    if (bare.equals(shown) && now.equals(chosen)) {
      return;
    }
    shown = bare;
    chosen = null;
    Map<TrackId, TrackTab> before = new HashMap<>();
    tabs.getChildren().forEach(n -> before.put(((TrackTab) n).track().id(), (TrackTab) n));
    List<TrackTab> wanted = new ArrayList<>();
    for (Track track : tracks) {
      TrackTab tab = before.get(track.id());
      tab = tab == null ? new TrackTab(session, onStrip) : tab;
      tab.show(track, track.id().equals(now));
      tab.setId("track-tab-" + (session.song().indexOf(track.id()) + 1));
      wanted.add(tab);
    }
    if (!wanted.equals(tabs.getChildren())) {
      tabs.getChildren().setAll(wanted);
    }
    requestLayout();
  }

  /** Puts the caret where the name of the chosen track is typed. */
  public void editName() {
    tabOf(session.document().track().id()).ifPresent(TrackTab::editName);
  }

  private Optional<TrackTab> tabOf(TrackId id) {
    return tabs.getChildren().stream()
        .map(TrackTab.class::cast)
        .filter(t -> t.track().id().equals(id))
        .findFirst();
  }

  /**
   * Shows how loud each track is.
   *
   * @param levels 0 to 1, by the part of a track
   */
  public void showLevels(IntToDoubleFunction levels) {
    for (Node node : tabs.getChildren()) {
      TrackTab tab = (TrackTab) node;
      session
          .document()
          .parts()
          .of(tab.track())
          .ifPresent(part -> tab.showLevel((float) levels.applyAsDouble(part)));
    }
  }

  private void pressed(MouseEvent e) {
    inHand = e.getButton() == MouseButton.PRIMARY ? tabAt(e.getX()) : Optional.empty();
    pressedAt = e.getX();
    dragging = false;
  }

  /** A tab that is dragged goes where it is let go. */
  private void dragged(MouseEvent e) {
    dragging |= Math.abs(e.getX() - pressedAt) > DRAG;
    inHand
        .filter(t -> dragging)
        .ifPresent(
            t -> {
              showPlace(placeAt(e.getX()));
              e.consume();
            });
  }

  private void released(MouseEvent e) {
    showPlace(NOWHERE);
    inHand.filter(t -> dragging).ifPresent(t -> drop(t, placeAt(e.getX())));
    inHand = Optional.empty();
    dragging = false;
  }

  private void drop(TrackTab tab, int place) {
    Song song = session.song();
    int from = song.indexOf(tab.track().id());
    int to = place >= shown.size() ? song.tracks().size() : song.indexOf(shown.get(place).id());
    if (from >= 0 && to >= 0) {
      session.tracks().move(tab.track().id(), to > from ? to - 1 : to);
    }
  }

  private Optional<TrackTab> tabAt(double x) {
    return tabs.getChildren().stream()
        .map(TrackTab.class::cast)
        .filter(t -> t.getBoundsInParent().contains(x, t.getBoundsInParent().getCenterY()))
        .findFirst();
  }

  /** Before which of the tabs something is let go. */
  private int placeAt(double x) {
    int place = 0;
    for (Node tab : tabs.getChildren()) {
      place += x > tab.getBoundsInParent().getCenterX() ? 1 : 0;
    }
    return place;
  }

  private void showPlace(int place) {
    for (int i = 0; i < tabs.getChildren().size(); i++) {
      Node tab = tabs.getChildren().get(i);
      boolean last = i == tabs.getChildren().size() - 1;
      tab.pseudoClassStateChanged(DROP_BEFORE, i == place);
      tab.pseudoClassStateChanged(DROP_AFTER, last && place > i);
    }
  }
}
