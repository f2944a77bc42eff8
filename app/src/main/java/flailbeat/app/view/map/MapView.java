package flailbeat.app.view.map;

import flailbeat.app.control.Palette;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.MiddleView;
import flailbeat.app.view.base.Playhead;
import flailbeat.app.view.base.TimeRuler;
import flailbeat.app.view.bench.BenchScroll;
import flailbeat.app.view.bench.PageTurner;
import flailbeat.app.view.bench.hand.RulerMouse;
import flailbeat.app.view.bench.hand.SongMouse;
import flailbeat.app.view.bench.paint.RulerLayer;
import flailbeat.app.view.bench.surface.Layer;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Clip;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.time.TickRange;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import javafx.geometry.Orientation;
import javafx.geometry.Point2D;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollBar;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;

/**
 * The large song map: a lane for each track, high enough to see what is in its clips, in which
 * clips are taken in hand. It stands in the window's middle in place of the bench, and scrolls and
 * zooms as that does.
 */
public final class MapView extends Region implements MiddleView {
  private static final double NAMES = 150;
  private static final double BAR = 12;
  private static final int LEAST_BARS = 16;
  private final Session session;
  private final Viewport viewport = new Viewport();
  private final MapLanes lanes;
  private final SongMouse mouse;
  private final ClipGestures gestures;
  private final MapLayer clips;
  private final NamesLayer names;
  private final RulerLayer ruler;
  private final Pane field = new Pane();
  private final Playhead playhead;
  private final Line stepCursor = new Line();
  private final Rectangle pass = new Rectangle();
  private final MapTip tip;
  private final Label empty =
      new Label(
          "No clip yet. Record, enter steps, or draw an empty clip along a lane with Ctrl held.");
  private final BenchScroll scroll;
  private final ScrollBar upDown = new ScrollBar();
  private final PageTurner turner;
  private int shownOpening;
  private boolean fitted;
  private boolean isOver;
  private double lastX;
  private double lastY;

  /** Where the short menu was asked for, until the mouse is over the map again. */
  private double menuAt = Double.NaN;

  /**
   * The map.
   *
   * @param open opens a clip on the bench
   * @param menu shows the short menu of what can be done where the right button was pressed, and
   *     gets whether a clip is there
   */
  public MapView(
      Session session,
      Palette palette,
      SongMouse mouse,
      Consumer<Clip> open,
      BiConsumer<ContextMenuEvent, Boolean> menu) {
    this.session = session;
    playhead = new Playhead(session);
    this.mouse = mouse;
    lanes = new MapLanes(session, viewport);
    gestures = new ClipGestures(session, lanes::scale, open);
    clips = new MapLayer(this, session, palette, mouse, lanes::scale);
    names = new NamesLayer(this, session, palette, lanes::scale);
    ruler = new RulerLayer(this, session, palette, viewport);
    tip = new MapTip(session);
    shownOpening = session.document().openings();
    scroll = new BenchScroll(viewport);
    turner = new PageTurner(session, viewport, scroll);
    getStyleClass().add("large-map");
    setId("large-map");
    field.setId("map-field");
    names.setId("map-names");
    ruler.setId("map-ruler");
    setMinSize(200, 80);
    build(menu);
    viewport.onChange(this::markAll);
    palette.onChange(this::markAll);
    Follow.changes(this, session, this::onChange);
  }

  private void build(BiConsumer<ContextMenuEvent, Boolean> menu) {
    stepCursor.setMouseTransparent(true);
    stepCursor.setManaged(false);
    stepCursor.getStyleClass().add("step-cursor");
    pass.getStyleClass().add("map-pass");
    pass.setMouseTransparent(true);
    pass.setManaged(false);
    pass.setVisible(false);
    upDown.setOrientation(Orientation.VERTICAL);
    upDown.setFocusTraversable(false);
    upDown
        .valueProperty()
        .addListener(
            (property, before, now) -> {
              if (Math.abs(now.doubleValue() - lanes.scrolled()) > 0.5) {
                lanes.scrollTo(now.doubleValue());
                markAll();
              }
            });
    empty.getStyleClass().addAll("soft", "map-empty");
    empty.setId("map-empty");
    empty.setWrapText(true);
    empty.setMouseTransparent(true);
    empty.setManaged(false);
    field.getChildren().addAll(clips, pass, stepCursor, playhead, empty, tip);
    Layer.clip(field);
    getChildren().addAll(field, names, ruler, scroll.across(), upDown);
    field.addEventHandler(ScrollEvent.SCROLL, this::scrolled);
    names.addEventHandler(ScrollEvent.SCROLL, this::scrolled);
    field.addEventFilter(MouseEvent.ANY, this::moved);
    mouse.install(field, gestures);
    mouse.onChange(this::mouseDid);
    new RulerMouse(session, viewport::scale).install(ruler);
    names.setOnMousePressed(this::chooseTrack);
    field.setOnContextMenuRequested(
        e -> {
          // By the menu key it is about what is selected, wherever the mouse is.
          boolean byKey = e.isKeyboardTrigger();
          menuAt = byKey ? Double.NaN : lastX;
          menu.accept(
              e,
              byKey
                  ? !session.document().selection().clips().isEmpty()
                  : gestures.hits().at(lastX, lastY).isPresent());
        });
    names.setOnContextMenuRequested(e -> menu.accept(e, false));
  }

  private void moved(MouseEvent e) {
    isOver = e.getEventType() != MouseEvent.MOUSE_EXITED;
    menuAt = isOver ? Double.NaN : menuAt;
    lastX = e.getX();
    lastY = e.getY();
  }

  /** A press chooses the track, twice all of its clips. */
  private void chooseTrack(MouseEvent e) {
    gestures
        .hits()
        .trackAt(e.getY())
        .ifPresent(
            i -> {
              session.document().chooseTrack(session.song().tracks().get(i).id());
              if (e.getClickCount() == 2) {
                session.clips().choice().selectTrack();
              }
            });
  }

  private void onChange(Change change) {
    if (change.isOf(Aspect.SONG) && change.before() != change.after() && mouse.cancel()) {
      session
          .notices()
          .tell("The song changed while the mouse held something: that was left as it was");
    }
    if (session.document().openings() != shownOpening) {
      shownOpening = session.document().openings();
      fitted = false;
      requestLayout();
    }
    if (change.isOf(Aspect.CHOICE)) {
      bringChosenIntoSight();
    }
    if (change.isOf(Aspect.SONG, Aspect.CHOICE, Aspect.LOOP, Aspect.SETTINGS)) {
      markAll();
    }
    if (change.isOf(Aspect.TRANSPORT)) {
      ruler.mark();
    }
    if (change.isOf(Aspect.STEPS, Aspect.KEYS)) {
      showStepCursor();
    }
  }

  private void bringChosenIntoSight() {
    if (!mouse.gesture().isOn()) {
      lanes.bringIntoSight(session.song().tracks().indexOf(session.document().track()));
    }
  }

  private void markAll() {
    clips.mark();
    names.mark();
    ruler.mark();
  }

  private void mouseDid() {
    if (getScene() == null) {
      return;
    }
    clips.mark();
    tip.show(mouse.gesture(), lastX, lastY, field.getWidth(), field.getHeight());
  }

  /** Where a tick on the lane of a track, by its number, is drawn: the middle of the lane. */
  public Point2D placeOf(long tick, int track) {
    LaneScale scale = lanes.scale();
    return new Point2D(scale.xOf(tick), scale.laneTop(track) + scale.laneHeight() / 2);
  }

  @Override
  public String name() {
    return "map";
  }

  @Override
  public Region node() {
    return this;
  }

  @Override
  public void showPosition(long tick) {
    turner.follow(tick);
    double x = Math.round(viewport.scale().xOf(tick));
    playhead.setTranslateX(x);
    showPass(tick);
  }

  /** What is being recorded grows with the playhead, on the lane that it is recorded onto. */
  private void showPass(long tick) {
    boolean recording =
        session.runControl().pass().isPresent() && session.runControl().transport().isRecording();
    pass.setVisible(recording);
    if (recording) {
      LaneScale scale = lanes.scale();
      double from = scale.xOf(session.runControl().playStartTicks());
      double to = scale.xOf(tick);
      pass.setX(Math.min(from, to));
      pass.setWidth(Math.abs(to - from));
      pass.setY(scale.laneTop(session.song().tracks().indexOf(session.document().track())) + 5);
      pass.setHeight(scale.laneHeight() - 10);
    }
  }

  private void showStepCursor() {
    boolean steps = session.performer().keysMode() == KeysMode.STEPS;
    stepCursor.setVisible(steps);
    if (steps) {
      LaneScale scale = lanes.scale();
      double top = scale.laneTop(session.song().tracks().indexOf(session.document().track()));
      stepCursor.setStartY(top);
      stepCursor.setEndY(top + scale.laneHeight());
      stepCursor.setTranslateX(Math.round(scale.xOf(session.steps().place().cursorTick())));
    }
  }

  /** Shows the whole song. */
  @Override
  public void fit() {
    if (viewport.hasSize()) {
      fitted = true;
      long least = session.song().meters().barStart(LEAST_BARS);
      long end =
          session.song().tracks().stream()
              .flatMap(t -> t.clips().stream())
              .mapToLong(Clip::end)
              .max()
              .orElse(0);
      show(new TickRange(0, Math.max(least, end)));
      lanes.fit();
      markAll();
    }
  }

  /** Shows a stretch of the song. */
  @Override
  public void show(TickRange range) {
    long around = range.length() / 40;
    viewport.turn(
        s ->
            s.fit(
                Math.max(0, range.start() - around),
                range.end() + around,
                0,
                1,
                viewport.width(),
                viewport.height()));
  }

  @Override
  public void zoom(double factor) {
    viewport.zoom(factor);
  }

  @Override
  public void zoomBack() {
    viewport.back();
  }

  @Override
  public TimeRuler time() {
    return new TimeRuler(ruler, viewport.scale()::tickAt, viewport.scale()::xOf);
  }

  @Override
  public boolean isMouseBusy() {
    return mouse.gesture().isOn() || session.clips().inHand().isPresent();
  }

  @Override
  public boolean cancelMouse() {
    return mouse.cancel() || session.clips().putAway();
  }

  @Override
  public void atMouse(LongConsumer action) {
    if (!Double.isNaN(menuAt)) {
      action.accept(gestures.lineAt(menuAt));
    } else if (isOver) {
      action.accept(gestures.lineAt(lastX));
    } else {
      session.notices().tell("Point at a place on the map first");
    }
  }

  private void scrolled(ScrollEvent e) {
    double amount = e.getDeltaY() != 0 ? e.getDeltaY() : e.getDeltaX();
    if (e.isControlDown() && e.isShiftDown()) {
      lanes.zoom(amount, e.getY());
      markAll();
    } else if (e.isControlDown() || e.isShiftDown() || e.getDeltaY() == 0) {
      scroll.wheel(e, amount);
    } else {
      lanes.scrollTo(lanes.scrolled() - amount);
      markAll();
    }
    turner.lookAway();
    e.consume();
  }

  @Override
  protected void layoutChildren() {
    double w = getWidth() - NAMES - BAR;
    double h = getHeight() - RulerLayer.HEIGHT - BAR;
    if (w <= 0 || h <= 0) {
      return;
    }
    field.resizeRelocate(NAMES, RulerLayer.HEIGHT, w, h);
    names.relocate(0, RulerLayer.HEIGHT);
    ruler.relocate(NAMES, 0);
    scroll.across().resizeRelocate(NAMES, getHeight() - BAR, w, BAR);
    upDown.resizeRelocate(getWidth() - BAR, RulerLayer.HEIGHT, BAR, h);
    playhead.setEndY(h);
    viewport.resize(w, h);
    clips.size(w, h);
    names.size(NAMES, h);
    ruler.size(w, RulerLayer.HEIGHT);
    if (!fitted) {
      fit();
    }
    if (clips.drawIfMarked() | names.drawIfMarked() | ruler.drawIfMarked()) {
      scroll.update(session.song().end());
      upDown.setMax(lanes.most());
      upDown.setVisibleAmount(upDown.getMax() * h / Math.max(h, lanes.most() + h));
      upDown.setValue(lanes.scrolled());
      upDown.setVisible(lanes.most() > 0);
    }
    showStepCursor();
    showEmpty(w, h);
  }

  /** Says what can be done where there is no clip at all. */
  private void showEmpty(double w, double h) {
    boolean none = session.song().tracks().stream().allMatch(t -> t.clips().isEmpty());
    empty.setVisible(none && session.runControl().pass().isEmpty());
    double width = Math.min(w - 2 * BAR, empty.prefWidth(-1));
    empty.resize(width, empty.prefHeight(width));
    empty.relocate((w - width) / 2, Math.min(h - 40, lanes.scale().laneHeight() + 2 * BAR));
  }
}
