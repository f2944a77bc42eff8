package flailbeat.app.view;

import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.core.keys.Hands;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.TrackId;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.session.Aspect;
import flailbeat.core.session.Change;
import flailbeat.core.session.Looping;
import flailbeat.core.session.Session;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.function.UnaryOperator;
import javafx.css.PseudoClass;
import javafx.geometry.Orientation;
import javafx.geometry.Pos;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollBar;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;

/**
 * The piano roll of the chosen track: rail, ruler, grid and notes, with what is being recorded and
 * the playhead above them. Contents are drawn when something changes; the playhead is a node of its
 * own, so that it moves without a redraw.
 */
public final class BenchView extends Region {
  public static final double RAIL_WIDTH = 52;
  private static final double RULER_HEIGHT = 22;
  private static final double BAR = 12;
  private static final int OPENING_BARS = 8;
  private static final double WHEEL = 1.0015;
  private static final PseudoClass RECORDING = PseudoClass.getPseudoClass("recording");

  private final Session session;
  private final Palette palette;
  private final Canvas ground = new Canvas();
  private final Canvas notes = new Canvas();
  private final Canvas live = new Canvas();
  private final Canvas rail = new Canvas();
  private final Canvas ruler = new Canvas();
  private final Pane roll = new Pane(ground, notes, live);
  private final PassLayer passLayer;
  private final Line playhead = new Line();
  private final Label empty = new Label();
  private final ScrollBar across = new ScrollBar();
  private final ScrollBar upDown = new ScrollBar();
  private final BenchMouse mouse;
  private BenchScale scale = BenchScale.initial();
  private final TakesBar takes;
  private TrackId shownTrack;
  private int sweptShown;
  private int shownBase;
  private int shownOpening;
  private boolean fitted;
  private boolean scrollingByHand;

  public BenchView(Session session, Palette palette) {
    this.session = session;
    this.palette = palette;
    this.mouse = new BenchMouse(session, this);
    this.passLayer = new PassLayer(palette);
    this.takes = new TakesBar(session);
    this.shownTrack = session.document().track().id();
    this.shownOpening = session.document().openings();
    getStyleClass().add("bench");
    setId("bench");
    setMinSize(200, 80);
    playhead.getStyleClass().add("playhead");
    playhead.setMouseTransparent(true);
    empty.getStyleClass().add("bench-empty");
    empty.setManaged(false);
    empty.setAlignment(Pos.CENTER);
    empty.setMouseTransparent(true);
    live.setMouseTransparent(true);
    roll.getChildren().addAll(passLayer, empty, playhead);
    passLayer.setManaged(false);
    playhead.setManaged(false);
    clip(roll);
    upDown.setOrientation(Orientation.VERTICAL);
    getChildren().addAll(roll, rail, ruler, across, upDown, takes);
    setUpScrollBars();
    roll.addEventHandler(ScrollEvent.SCROLL, this::scrolled);
    rail.addEventHandler(ScrollEvent.SCROLL, this::scrolled);
    mouse.install(roll, ruler, rail);
    palette.onChange(this::redraw);
    session.changes().listen(this::onChange);
  }

  private static void clip(Region region) {
    Rectangle shape = new Rectangle();
    shape.widthProperty().bind(region.widthProperty());
    shape.heightProperty().bind(region.heightProperty());
    region.setClip(shape);
  }

  BenchScale scale() {
    return scale;
  }

  private void onChange(Change change) {
    if (change.isOf(Aspect.TIMING)) {
      changed();
      keepQuestionInSight();
      takes.refresh();
    }
    if (change.isOf(Aspect.LOOP)) {
      redraw();
    }
    if (change.isOf(Aspect.PASS)) {
      showSwept();
      keepPlayedInSight();
      passLayer.update(session.conductor().pass());
      empty.setVisible(empty.isVisible() && session.conductor().pass().isEmpty());
    }
    if (change.isOf(Aspect.TRANSPORT)) {
      playhead.pseudoClassStateChanged(RECORDING, session.conductor().transport().isRecording());
      keepPlaceInSight();
    }
    if (change.isOf(Aspect.KEYS)) {
      int base = session.performer().hands().base();
      if (base != shownBase && session.document().track().noteCount() == 0) {
        showReach();
      }
      shownBase = base;
    }
  }

  /** A note that is recorded out of sight brings the notes under the hands into sight. */
  private void keepPlayedInSight() {
    boolean hidden =
        session.performer().hands().soundingPitches().stream()
            .anyMatch(p -> scale.yOf(p) < 0 || scale.yOf(p) + scale.rowHeight() > roll.getHeight());
    if (session.conductor().pass().isPresent() && hidden) {
      showReach();
    }
  }

  /** The note that a person is asked about stands in the middle of what is seen. */
  private void keepQuestionInSight() {
    for (NotePlan asked : session.doubts().current()) {
      double x = scale.xOf(asked.note().onset());
      double y = scale.yOf(asked.note().pitch());
      double margin = roll.getWidth() * 0.1;
      if (x < margin || x > roll.getWidth() - margin) {
        long onset = asked.note().onset();
        rescale(s -> s.withOrigin(onset - roll.getWidth() / 2 / s.pixelsPerTick()));
      }
      if (y < 2 * scale.rowHeight() || y > roll.getHeight() - 2 * scale.rowHeight()) {
        double rows = roll.getHeight() / scale.rowHeight();
        rescale(s -> s.withTop(asked.note().pitch() + rows / 2, roll.getHeight()));
      }
    }
  }

  /** Stopping returns to the place, which may be on another page. */
  private void keepPlaceInSight() {
    double x = scale.xOf(session.conductor().placeTicks());
    boolean hidden = x < 0 || x > roll.getWidth();
    if (hidden && fitted && !session.conductor().transport().isRunning()) {
      long place = session.conductor().placeTicks();
      rescale(s -> s.withOrigin(place - roll.getWidth() * 0.04 / s.pixelsPerTick()));
    }
  }

  private void showReach() {
    Hands hands = session.performer().hands();
    double rows = roll.getHeight() / scale.rowHeight();
    double middle = (hands.lowest() + hands.highest()) / 2.0;
    rescale(s -> s.withTop(middle + rows / 2, roll.getHeight()));
  }

  private void showSwept() {
    int count = session.conductor().sweeper().wiped().size();
    if (count != sweptShown) {
      sweptShown = count;
      drawNotes();
    }
  }

  /** Another track, or a song with other tracks, may lie out of sight. */
  private void changed() {
    TrackId track = session.document().track().id();
    if (!track.equals(shownTrack) || session.document().openings() != shownOpening) {
      shownTrack = track;
      shownOpening = session.document().openings();
      fitWhenShown();
    }
    redraw();
  }

  /** Called for each frame: moves the playhead, turns the page, lets held notes grow. */
  public void showPosition(long tick) {
    boolean running = session.conductor().transport().isRunning();
    double x = scale.xOf(tick);
    if (running && !scrollingByHand && tick >= 0 && (x > roll.getWidth() * 0.96 || x < 0)) {
      rescale(s -> s.withOrigin(tick - roll.getWidth() * 0.04 / s.pixelsPerTick()));
      x = scale.xOf(tick);
    }
    playhead.setTranslateX(Math.round(x));
    passLayer.grow(tick);
  }

  /** Zooms in time about the middle. */
  public void zoom(double factor) {
    rescale(s -> s.zoomTime(factor, roll.getWidth() / 2));
  }

  /** Shows the whole track or, without notes, its first bars. */
  public void fit() {
    fit(Integer.MAX_VALUE);
  }

  private void fit(int mostBars) {
    List<Note> all = session.document().track().notes();
    double width = roll.getWidth();
    double height = roll.getHeight();
    if (width <= 0 || height <= 0) {
      return;
    }
    fitted = true;
    if (all.isEmpty()) {
      long end = session.song().meters().barStart(8);
      int base = session.performer().hands().base();
      rescale(s -> BenchScale.fit(0, end, base, base + 17, width, height));
      return;
    }
    int low = all.stream().mapToInt(Note::pitch).min().orElseThrow();
    int high = all.stream().mapToInt(Note::pitch).max().orElseThrow();
    long start = all.stream().mapToLong(Note::onset).min().orElseThrow();
    long end = all.stream().mapToLong(Note::end).max().orElseThrow();
    TickRange bars = session.song().meters().wholeBars(new TickRange(start, end));
    int first = session.song().meters().barAt(bars.start());
    long most =
        mostBars == Integer.MAX_VALUE
            ? bars.end()
            : session.song().meters().barStart(first + mostBars);
    double shownEnd = Math.min(bars.end(), most);
    rescale(s -> BenchScale.fit(bars.start(), shownEnd, low, high, width, height));
  }

  /** Fits once the bench has a size; later sizes keep what is in sight. */
  public void fitWhenShown() {
    fitted = false;
    requestLayout();
  }

  void rescale(UnaryOperator<BenchScale> change) {
    BenchScale wanted = change.apply(scale);
    BenchScale changed = wanted.withTop(wanted.topPitch(), roll.getHeight());
    if (!changed.equals(scale)) {
      scale = changed;
      redraw();
    }
  }

  private void scrolled(ScrollEvent e) {
    double amount = e.getDeltaY() != 0 ? e.getDeltaY() : e.getDeltaX();
    if (e.isControlDown() && e.isShiftDown()) {
      rescale(s -> s.zoomPitch(Math.pow(WHEEL, amount), e.getY(), roll.getHeight()));
    } else if (e.isControlDown()) {
      rescale(s -> s.zoomTime(Math.pow(WHEEL, amount * 2), e.getX()));
    } else if (e.isShiftDown() || e.getDeltaY() == 0) {
      rescale(s -> s.withOrigin(s.originTick() - amount / s.pixelsPerTick()));
    } else {
      rescale(s -> s.withTop(s.topPitch() + amount / s.rowHeight(), roll.getHeight()));
    }
    e.consume();
  }

  private void setUpScrollBars() {
    across
        .valueProperty()
        .addListener(
            (property, before, now) -> {
              if (across.isPressed() || scrollingByHand) {
                rescale(s -> s.withOrigin(now.doubleValue()));
              }
            });
    across.setOnMousePressed(e -> scrollingByHand = true);
    across.setOnMouseReleased(e -> scrollingByHand = false);
    upDown
        .valueProperty()
        .addListener(
            (property, before, now) ->
                rescale(s -> s.withTop(127 - now.doubleValue(), roll.getHeight())));
    across.setFocusTraversable(false);
    upDown.setFocusTraversable(false);
  }

  private void updateScrollBars() {
    double inSight = roll.getWidth() / scale.pixelsPerTick();
    double end = Math.max(session.song().end() * 1.1, scale.originTick() + inSight);
    across.setMax(Math.max(1, end - inSight));
    across.setVisibleAmount(across.getMax() * Math.min(1, inSight / end));
    across.setValue(scale.originTick());
    double rows = roll.getHeight() / scale.rowHeight();
    upDown.setMax(Math.max(0, 128 - rows));
    upDown.setVisibleAmount(upDown.getMax() * Math.min(1, rows / 128));
    upDown.setValue(127 - scale.topPitch());
  }

  @Override
  protected void layoutChildren() {
    double w = getWidth() - RAIL_WIDTH - BAR;
    double h = getHeight() - RULER_HEIGHT - BAR;
    if (w <= 0 || h <= 0) {
      return;
    }
    boolean changed = w != ground.getWidth() || h != ground.getHeight();
    roll.resizeRelocate(RAIL_WIDTH, RULER_HEIGHT, w, h);
    across.resizeRelocate(RAIL_WIDTH, getHeight() - BAR, w, BAR);
    upDown.resizeRelocate(getWidth() - BAR, RULER_HEIGHT, BAR, h);
    rail.relocate(0, RULER_HEIGHT);
    ruler.relocate(RAIL_WIDTH, 0);
    empty.resizeRelocate(0, h * 0.12, w, 90);
    double takesWidth = takes.prefWidth(-1);
    takes.resizeRelocate(
        getWidth() - BAR - takesWidth - 6, RULER_HEIGHT + 4, takesWidth, takes.prefHeight(-1));
    if (changed) {
      for (Canvas canvas : List.of(ground, notes, live)) {
        canvas.setWidth(w);
        canvas.setHeight(h);
      }
      rail.setWidth(RAIL_WIDTH);
      rail.setHeight(h);
      ruler.setWidth(w);
      ruler.setHeight(RULER_HEIGHT);
      playhead.setEndY(h);
    }
    if (!fitted) {
      fit(OPENING_BARS);
    } else if (changed) {
      scale = scale.withTop(scale.topPitch(), h);
    }
    if (changed) {
      redraw();
    }
  }

  private void redraw() {
    if (ground.getWidth() <= 0) {
      return;
    }
    var meters = session.song().meters();
    var painter = new GridPainter(palette, scale, ground.getWidth(), ground.getHeight());
    painter.rows(ground.getGraphicsContext2D());
    painter.lines(ground.getGraphicsContext2D(), session.timing().settings(), meters);
    painter.ruler(ruler.getGraphicsContext2D(), meters, RULER_HEIGHT);
    Looping looping = session.conductor().looping();
    looping
        .range()
        .ifPresent(
            r -> painter.loop(ruler.getGraphicsContext2D(), r, looping.isOn(), RULER_HEIGHT));
    placeMark(ruler.getGraphicsContext2D());
    painter.rail(rail.getGraphicsContext2D(), RAIL_WIDTH);
    drawNotes();
    drawBox();
    passLayer.rebuild(session.conductor().pass(), scale, roll.getWidth());
    updateScrollBars();
  }

  private void placeMark(GraphicsContext g) {
    double x = scale.xOf(session.conductor().placeTicks());
    g.setFill(palette.color(Ink.WHEAT));
    g.fillPolygon(
        new double[] {x - 6, x + 6, x},
        new double[] {RULER_HEIGHT - 9, RULER_HEIGHT - 9, RULER_HEIGHT - 1},
        3);
  }

  /** Redraws the notes, with what the mouse is doing to them. */
  void drawNotes() {
    GraphicsContext g = notes.getGraphicsContext2D();
    g.clearRect(0, 0, notes.getWidth(), notes.getHeight());
    new RollPainter(session, palette, g, scale, notes.getWidth(), notes.getHeight())
        .draw(shownSong(), isHolding());
    boolean nothing =
        session.document().track().noteCount() == 0 && session.conductor().pass().isEmpty();
    empty.setVisible(nothing);
    empty.setText(
        "Nothing on "
            + session.document().track().name()
            + " yet.\nPlay the letter keys: A is C.  Shift+Space records after a count-in.");
  }

  /** The song as it is drawn: while the mouse holds something, as it will be when it lets go. */
  public Song shownSong() {
    return mouse.gesture().applyTo(session.song());
  }

  /** Whether the mouse holds notes. */
  public boolean isHolding() {
    return mouse.gesture() instanceof Gesture.Move;
  }

  private void drawBox() {
    GraphicsContext g = live.getGraphicsContext2D();
    g.clearRect(0, 0, live.getWidth(), live.getHeight());
    if (mouse.gesture() instanceof Gesture.Box box) {
      new RollPainter(session, palette, g, scale, live.getWidth(), live.getHeight()).box(box);
    }
  }

  /** Redraws after the mouse did something. */
  void mouseMoved() {
    drawNotes();
    drawBox();
  }
}
