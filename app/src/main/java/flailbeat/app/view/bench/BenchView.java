package flailbeat.app.view.bench;

import flailbeat.app.control.Palette;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.MiddleView;
import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.app.view.bench.hand.MouseTip;
import flailbeat.app.view.bench.hand.RailMouse;
import flailbeat.app.view.bench.hand.RollGestures;
import flailbeat.app.view.bench.hand.RulerMouse;
import flailbeat.app.view.bench.hand.SongMouse;
import flailbeat.app.view.bench.lane.Lane;
import flailbeat.app.view.bench.lane.LaneStack;
import flailbeat.app.view.bench.paint.BoxLayer;
import flailbeat.app.view.bench.paint.GroundLayer;
import flailbeat.app.view.bench.paint.NotesLayer;
import flailbeat.app.view.bench.paint.PassLayer;
import flailbeat.app.view.bench.paint.RailLayer;
import flailbeat.app.view.bench.paint.RulerLayer;
import flailbeat.app.view.bench.paint.StepLayer;
import flailbeat.app.view.bench.surface.Layer;
import flailbeat.app.view.bench.surface.RollScale;
import flailbeat.app.view.bench.surface.Rows;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.edit.shapes.ControlDrawn;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import java.util.List;
import java.util.function.LongConsumer;
import javafx.css.PseudoClass;
import javafx.geometry.Point2D;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;

/**
 * The piano roll of the chosen track: rail, ruler, grid and notes, with what is being recorded and
 * the playhead above them, and lanes under it. What has changed is marked, and drawn once a frame;
 * the playhead is a node of its own, so that it moves without a redraw.
 */
public final class BenchView extends Region implements MiddleView {
  public static final double RAIL_WIDTH = 52;
  private static final double KIT_RAIL_WIDTH = 118;
  private static final double BAR = 12;
  private static final int OPENING_BARS = 8;

  /** The roll keeps the greater part of the bench. */
  private static final double MOST_OF_LANES = 0.6;

  private static final PseudoClass RECORDING = PseudoClass.getPseudoClass("recording");

  private final Session session;
  private final Viewport viewport = new Viewport();
  private final Sight sight;
  private final SongMouse mouse;
  private final RollGestures gestures;
  private final RailMouse railMouse;
  private final MouseTip tip;
  private final Layer ground;
  private final Layer ruler;
  private final Layer rail;
  private final NotesLayer notes;
  private final Layer box;
  private final LaneStack lanes;
  private final Pane roll;
  private final PassLayer passLayer;
  private final StepLayer stepLayer;
  private final TakesBar takes;
  private final Line playhead = new Line();
  private final EmptyHint empty;
  private final BenchScroll scroll;
  private TrackId shownTrack;
  private int sweptShown;
  private List<Object> shownLines = List.of();
  private int shownBase;
  private int shownOpening;
  private boolean lookedAway;
  private boolean fitted;
  private double shownLaneHeight;

  public BenchView(Session session, Palette palette, SongMouse mouse) {
    this.session = session;
    sight = new Sight(session, viewport);
    scroll = new BenchScroll(viewport);
    empty = new EmptyHint(session);
    this.mouse = mouse;
    gestures = new RollGestures(session, viewport::scale);
    railMouse = new RailMouse(session, viewport);
    tip = new MouseTip(session);
    ground = new GroundLayer(this, session, palette, viewport);
    ruler = new RulerLayer(this, session, palette, viewport);
    rail = new RailLayer(this, session, palette, viewport);
    notes = new NotesLayer(this, session, palette, viewport, mouse::shown);
    box = new BoxLayer(this, palette, mouse::shown);
    lanes =
        new LaneStack(
            new Lane.On(this, session, palette, viewport, mouse::shown), this::installLane);
    passLayer = new PassLayer(palette);
    stepLayer = new StepLayer(session, viewport);
    takes = new TakesBar(session);
    roll =
        new Pane(ground, notes.picture(), notes, box, passLayer, stepLayer, empty, playhead, tip);
    shownTrack = session.document().track().id();
    shownOpening = session.document().openings();
    roll.setId("roll");
    ruler.setId("ruler");
    rail.setId("rail");
    getStyleClass().add("bench");
    setId("bench");
    setMinSize(200, 80);
    build();
    viewport.onChange(this::markAll);
    palette.onChange(this::markAll);
    Follow.changes(this, session, this::onChange);
  }

  private void build() {
    playhead.getStyleClass().add("playhead");
    playhead.setMouseTransparent(true);
    playhead.setManaged(false);
    passLayer.setManaged(false);
    stepLayer.setManaged(false);
    viewport.onChange(stepLayer::refresh);
    Layer.clip(roll);
    getChildren().addAll(roll, lanes, rail, ruler, scroll.across(), scroll.upDown(), takes);
    for (var node : List.of(roll, rail)) {
      node.addEventHandler(ScrollEvent.SCROLL, this::scrolled);
    }
    mouse.install(roll, gestures);
    new RulerMouse(session, viewport::scale).install(ruler);
    railMouse.install(rail);
    mouse.onChange(this::mouseDid);
    lanes.refresh();
  }

  private void installLane(Lane lane) {
    lane.addEventHandler(ScrollEvent.SCROLL, this::scrolled);
    mouse.install(lane, lane, e -> viewport.height());
  }

  private void onChange(Change change) {
    if (change.isOf(Aspect.SONG) && change.before() != change.after() && takeBack()) {
      session
          .notices()
          .tell("The song changed while the mouse held something: that was left as it was");
    }
    if (change.isOf(Aspect.SONG, Aspect.CHOICE, Aspect.PASS, Aspect.STEPS)) {
      showRows();
    }
    if (change.isOf(Aspect.SETTINGS)) {
      ground.mark();
      lanes.refresh();
    }
    if (change.isOf(Aspect.TIMING)) {
      changed();
      sight.keepQuestion();
      takes.refresh();
    }
    if (change.isOf(Aspect.CHORES)) {
      sight.keepTrial();
    }
    if (change.isOf(Aspect.CHORES) || change.isOf(Aspect.KEYS) && session.chores().isTrying()) {
      markNotes();
    }
    if (change.isOf(Aspect.LOOP)) {
      lanes.mark();
      ruler.mark();
    }
    if (change.isOf(Aspect.PASS)) {
      lanes.mark();
      showSwept();
      sight.keepPlayed();
      passLayer.update(session.runControl().pass());
      empty.show(mouse.gesture().isOn());
    }
    if (change.isOf(Aspect.TRANSPORT)) {
      playhead.pseudoClassStateChanged(RECORDING, session.runControl().transport().isRecording());
      ruler.mark();
      if (fitted) {
        sight.keepPlace();
      }
    }
    if (change.isOf(Aspect.STEPS, Aspect.KEYS, Aspect.SONG, Aspect.CHOICE)) {
      stepLayer.refresh();
    }
    if (change.isOf(Aspect.STEPS)) {
      sight.keepStep();
    }
    if (change.isOf(Aspect.KEYS)) {
      int base = session.performer().hands().base();
      if (base != shownBase && session.document().track().noteCount() == 0) {
        sight.showReach();
      }
      shownBase = base;
      empty.show(mouse.gesture().isOn());
    }
  }

  /** A kit's drums may lie in an order of their own, and those that are not used be hidden. */
  private void showRows() {
    int before = viewport.scale().rows().count();
    viewport.change(s -> s.withRows(Rows.of(session.rows().shown())));
    if (fitted && viewport.scale().rows().count() != before) {
      sight.fitRows();
    }
    if (railWidth() != rail.getWidth()) {
      requestLayout();
      if (session.document().track().noteCount() == 0) {
        fitWhenShown();
      }
    }
    if (session.rows().areOfKit()) {
      rail.mark();
    }
  }

  private double railWidth() {
    return session.rows().areOfKit() ? KIT_RAIL_WIDTH : RAIL_WIDTH;
  }

  private void showSwept() {
    int count = session.runControl().sweeper().wiped().size();
    if (count != sweptShown) {
      sweptShown = count;
      markNotes();
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
    markLines();
    markNotes();
  }

  private void markAll() {
    List.of(ground, ruler, rail, notes, box).forEach(Layer::mark);
    lanes.mark();
  }

  /** The lines under the notes, and the bars, stay where they were when only notes are others. */
  private void markLines() {
    List<Object> lines =
        List.of(
            session.timing().settings(),
            session.song().meters(),
            session.song().tempos(),
            session.document().track().instrument());
    if (!lines.equals(shownLines)) {
      shownLines = lines;
      List.of(ground, ruler).forEach(Layer::mark);
    }
  }

  /** The mouse does something else: what it holds, and what goes along with it, is another. */
  private void mouseDid() {
    if (mouse.gesture().isOnMap()) {
      return;
    }
    boolean inLane =
        mouse.gesture() instanceof Gesture.Sketch
            || mouse.gesture().edit().orElse(null) instanceof ControlDrawn;
    if (inLane) {
      lanes.markFor(mouse.gesture().edit().orElseThrow());
    } else {
      markNotes();
    }
    empty.show(mouse.gesture().isOn());
    tip.show(mouse, viewport);
  }

  @Override
  public boolean isMouseBusy() {
    return mouse.gesture().isOn() || railMouse.isHolding();
  }

  /** Does something at the line nearest to the mouse; says so where it is not over the roll. */
  public void atMouse(LongConsumer action) {
    gestures
        .overLine()
        .ifPresentOrElse(
            action, () -> session.notices().tell("Point at a place on the roll first"));
  }

  @Override
  public void cancelMouse() {
    takeBack();
  }

  private boolean takeBack() {
    boolean rowHeld = railMouse.cancel();
    return mouse.cancel() || rowHeld;
  }

  /** Other notes, or the mouse does something else to them. */
  private void markNotes() {
    List.of(notes, box).forEach(Layer::mark);
    lanes.mark();
  }

  @Override
  public void showPosition(long tick) {
    if (scroll.isByHand()) {
      lookAway();
    }
    mouse.settle();
    boolean atSteps = session.performer().keysMode() == KeysMode.STEPS;
    boolean runs = session.runControl().transport().isRunning();
    if (!runs || viewport.isInSight(tick)) {
      lookedAway = false;
    }
    if (runs && !scroll.isByHand() && !lookedAway && !atSteps) {
      viewport.follow(tick);
    }
    playhead.setTranslateX(Math.round(viewport.scale().xOf(tick)));
    passLayer.grow(tick);
  }

  @Override
  public void zoom(double factor) {
    viewport.zoom(factor);
  }

  /** Shows the whole track or, without notes, its first bars. */
  @Override
  public void fit() {
    if (viewport.hasSize()) {
      fitted = true;
      sight.fit(Integer.MAX_VALUE);
    }
  }

  /** Fits once the bench has a size; later sizes keep what is in sight. */
  public void fitWhenShown() {
    fitted = false;
    requestLayout();
  }

  /** Where a tick and the middle of a pitch's row are drawn on the roll. */
  public Point2D placeOf(long tick, int pitch) {
    RollScale scale = viewport.scale();
    return new Point2D(scale.xOf(tick), scale.yOf(pitch) + scale.rowHeight() / 2);
  }

  /** The song as it is drawn: while the mouse holds something, as it will be when it lets go. */
  public Song shownSong() {
    return mouse.shown().applyTo(session.song());
  }

  @Override
  public String name() {
    return "bench";
  }

  @Override
  public Region node() {
    return this;
  }

  /** Whether the mouse holds notes. */
  public boolean isHolding() {
    return mouse.gesture().holdsNotes();
  }

  private void scrolled(ScrollEvent e) {
    double amount = e.getDeltaY() != 0 ? e.getDeltaY() : e.getDeltaX();
    if (e.isAltDown() && e.getSource() == roll && turn(e, amount)) {
      e.consume();
      return;
    }
    scroll.wheel(e, amount);
    lookAway();
    e.consume();
  }

  private boolean turn(ScrollEvent e, double amount) {
    return mouse.wheel(
        held -> gestures.turned(held, e.getX(), e.getY(), amount), e.getX(), e.getY());
  }

  /** Who scrolls away from the playhead looks there, until it comes into sight by itself. */
  private void lookAway() {
    lookedAway = !viewport.isInSight(session.runControl().positionTicks());
  }

  @Override
  protected void layoutChildren() {
    double laneHeight = lanes.height(MOST_OF_LANES * getHeight());
    double w = getWidth() - railWidth() - BAR;
    double h = getHeight() - RulerLayer.HEIGHT - BAR - laneHeight;
    if (w <= 0 || h <= 0) {
      return;
    }
    place(w, h, laneHeight);
    resizeRoll(w, h, laneHeight);
    stepLayer.size(h);
    if (!fitted) {
      fitted = true;
      sight.fit(OPENING_BARS);
    }
    List.of(ground, notes, box).forEach(l -> l.size(w, h));
    ruler.size(w, RulerLayer.HEIGHT);
    rail.size(railWidth(), h);
    lanes.lay(railWidth(), w, laneHeight);
    drawMarked();
  }

  /** As lanes come and go, what is in the middle of the roll stays there. */
  private void resizeRoll(double w, double h, double laneHeight) {
    double less = laneHeight - shownLaneHeight;
    shownLaneHeight = laneHeight;
    boolean keeps = less != 0 && viewport.hasSize();
    viewport.resize(w, h);
    if (keeps) {
      viewport.change(s -> s.withTop(s.topRow() - less / 2 / s.rowHeight(), h));
    }
  }

  private void place(double w, double h, double laneHeight) {
    double right = getWidth() - BAR;
    double left = railWidth();
    roll.resizeRelocate(left, RulerLayer.HEIGHT, w, h);
    lanes.resizeRelocate(0, RulerLayer.HEIGHT + h, left + w, laneHeight);
    scroll.across().resizeRelocate(left, getHeight() - BAR, w, BAR);
    scroll.upDown().resizeRelocate(right, RulerLayer.HEIGHT, BAR, h);
    rail.relocate(0, RulerLayer.HEIGHT);
    ruler.relocate(left, 0);
    empty.resizeRelocate(0, h * 0.12, w, 90);
    double takesWidth = takes.prefWidth(-1);
    takes.resizeRelocate(
        right - takesWidth - 6, RulerLayer.HEIGHT + 4, takesWidth, takes.prefHeight(-1));
    playhead.setEndY(h);
  }

  private void drawMarked() {
    boolean drawn = false;
    for (Layer layer : List.of(ground, ruler, rail, notes, box)) {
      drawn |= layer.drawIfMarked();
    }
    for (Lane lane : lanes.lanes()) {
      drawn |= lane.drawIfMarked();
    }
    // A key that is struck lays this out too: then nothing is drawn, and nothing need be worked
    // out.
    if (!drawn) {
      return;
    }
    empty.show(mouse.gesture().isOn());
    passLayer.show(session.runControl().pass(), viewport.scale(), viewport.width());
    scroll.update(session.song().end());
  }
}
