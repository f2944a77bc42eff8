package flailbeat.app.view.bench;

import flailbeat.app.control.Palette;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.MiddleView;
import flailbeat.app.view.base.Playhead;
import flailbeat.app.view.base.TimeRuler;
import flailbeat.app.view.bench.hand.MouseTip;
import flailbeat.app.view.bench.hand.RailMouse;
import flailbeat.app.view.bench.hand.RollGestures;
import flailbeat.app.view.bench.hand.RulerMouse;
import flailbeat.app.view.bench.hand.SongMouse;
import flailbeat.app.view.bench.lane.Lane;
import flailbeat.app.view.bench.lane.LaneStack;
import flailbeat.app.view.bench.paint.PassLayer;
import flailbeat.app.view.bench.paint.RulerLayer;
import flailbeat.app.view.bench.paint.StepLayer;
import flailbeat.app.view.bench.surface.Layer;
import flailbeat.app.view.bench.surface.RollScale;
import flailbeat.app.view.bench.surface.Rows;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.function.LongConsumer;
import javafx.geometry.Point2D;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;

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

  private final Session session;
  private final Viewport viewport = new Viewport();
  private final Sight sight;
  private final SongMouse mouse;
  private final RollGestures gestures;
  private final RailMouse railMouse;
  private final MouseTip tip;
  private final RollLayers layers;
  private final LaneStack lanes;
  private final Pane roll;
  private final PassLayer passLayer;
  private final StepLayer stepLayer;
  private final TakesBar takes;
  private final Playhead playhead;
  private final EmptyHint empty;
  private final BenchScroll scroll;
  private final PageTurner turner;
  private TrackId shownTrack;
  private int sweptShown;
  private int shownBase;
  private int shownOpening;
  private boolean fitted;
  private double shownLaneHeight;

  public BenchView(Session session, Palette palette, SongMouse mouse) {
    this.session = session;
    playhead = new Playhead(session);
    sight = new Sight(session, viewport);
    scroll = new BenchScroll(viewport);
    turner = new PageTurner(session, viewport, scroll);
    empty = new EmptyHint(session);
    this.mouse = mouse;
    gestures = new RollGestures(session, viewport::scale);
    railMouse = new RailMouse(session, viewport);
    tip = new MouseTip(session);
    layers = new RollLayers(this, session, palette, viewport, mouse);
    lanes =
        new LaneStack(
            new Lane.On(this, session, palette, viewport, mouse::shown), this::installLane);
    passLayer = new PassLayer(palette);
    stepLayer = new StepLayer(session, viewport);
    takes = new TakesBar(session);
    roll = new Pane();
    roll.getChildren().addAll(layers.onRoll());
    roll.getChildren().addAll(passLayer, stepLayer, empty, playhead, tip);
    shownTrack = session.document().track().id();
    shownOpening = session.document().openings();
    roll.setId("roll");
    getStyleClass().add("bench");
    setId("bench");
    setMinSize(200, 80);
    build();
    viewport.onChange(this::markAll);
    palette.onChange(this::markAll);
    Follow.changes(this, session, this::onChange);
  }

  private void build() {
    passLayer.setManaged(false);
    stepLayer.setManaged(false);
    viewport.onChange(stepLayer::refresh);
    Layer.clip(roll);
    getChildren()
        .addAll(
            roll,
            lanes,
            layers.rail(),
            layers.ruler(),
            layers.chords(),
            scroll.across(),
            scroll.upDown(),
            takes);
    for (var node : List.of(roll, layers.rail())) {
      node.addEventHandler(ScrollEvent.SCROLL, this::scrolled);
    }
    mouse.install(roll, gestures);
    new RulerMouse(session, viewport::scale).install(layers.ruler());
    new RulerMouse(session, viewport::scale).install(layers.chords());
    railMouse.install(layers.rail());
    mouse.onChange(this::mouseDid);
    lanes.refresh();
  }

  private void installLane(Lane lane) {
    lane.addEventHandler(ScrollEvent.SCROLL, this::scrolled);
    mouse.install(lane, lane, e -> viewport.height());
  }

  private void onChange(Change change) {
    if (change.isOf(Aspect.SONG) && change.before() != change.after() && cancelMouse()) {
      session
          .notices()
          .tell("The song changed while the mouse held something: that was left as it was");
    }
    if (change.isOf(Aspect.SONG, Aspect.CHOICE, Aspect.PASS, Aspect.STEPS)) {
      showRows();
    }
    if (change.isOf(Aspect.SONG, Aspect.CHORDS, Aspect.CHOICE, Aspect.SETTINGS)) {
      layers.markChords();
    }
    if (change.isOf(Aspect.SETTINGS)) {
      requestLayout();
      layers.markGround();
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
      layers.markRuler();
    }
    if (change.isOf(Aspect.PASS)) {
      lanes.mark();
      showSwept();
      sight.keepPlayed();
      passLayer.update(session.runControl().pass());
      empty.show(mouse.gesture().isOn());
    }
    if (change.isOf(Aspect.TRANSPORT)) {
      layers.markRuler();
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
    if (railWidth() != layers.rail().getWidth()) {
      requestLayout();
      if (session.document().track().noteCount() == 0) {
        fitWhenShown();
      }
    }
    if (session.rows().areOfKit()) {
      layers.markRail();
    }
  }

  private double railWidth() {
    return session.rows().areOfKit() ? KIT_RAIL_WIDTH : RAIL_WIDTH;
  }

  private void showSwept() {
    int before = sweptShown;
    sweptShown = session.runControl().sweeper().wiped().size();
    if (sweptShown != before) {
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
    layers.markLines();
    markNotes();
  }

  private void markAll() {
    layers.markAll();
    lanes.mark();
  }

  /** The mouse does something else: what it holds, and what goes along with it, is another. */
  private void mouseDid() {
    if (mouse.gesture().isOnMap()) {
      return;
    }
    if (mouse.gesture().isInLane()) {
      lanes.markFor(mouse.gesture().edit().orElseThrow());
    } else {
      markNotes();
    }
    empty.show(mouse.gesture().isOn());
    tip.show(mouse, viewport);
  }

  @Override
  public TimeRuler time() {
    return new TimeRuler(layers.ruler(), viewport.scale()::tickAt, viewport.scale()::xOf);
  }

  @Override
  public boolean isMouseBusy() {
    return mouse.gesture().isOn() || railMouse.isHolding();
  }

  @Override
  public void atMouse(LongConsumer action) {
    gestures.atMouse(action);
  }

  @Override
  public boolean cancelMouse() {
    boolean rowHeld = railMouse.cancel();
    return mouse.cancel() || rowHeld;
  }

  /** Other notes, or the mouse does something else to them. */
  private void markNotes() {
    layers.markNotes();
    lanes.mark();
  }

  @Override
  public void showPosition(long tick) {
    turner.follow(tick);
    mouse.settle();
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

  @Override
  public void zoomBack() {
    viewport.back();
  }

  /** Shows a stretch of the chosen track, in all its pitches. */
  @Override
  public void show(TickRange range) {
    fitted = true;
    shownTrack = session.document().track().id();
    sight.showLater(range);
    requestLayout();
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
    if (e.isAltDown() && e.getSource() == roll && gestures.wheel(mouse, e, amount)) {
      e.consume();
      return;
    }
    scroll.wheel(e, amount);
    turner.lookAway();
    e.consume();
  }

  @Override
  protected void layoutChildren() {
    double laneHeight = lanes.heightIn(getHeight(), getScene().getHeight());
    double w = getWidth() - railWidth() - BAR;
    double h = getHeight() - layers.top() - BAR - laneHeight;
    if (w <= 0 || h <= 0) {
      return;
    }
    place(w, h, laneHeight);
    viewport.resize(w, h, laneHeight - shownLaneHeight);
    shownLaneHeight = laneHeight;
    stepLayer.size(h);
    if (!fitted) {
      fitted = true;
      sight.fit(OPENING_BARS);
    }
    sight.settle();
    layers.size(w, h, railWidth());
    lanes.lay(railWidth(), w, laneHeight);
    drawMarked();
  }

  @Override
  public double besides() {
    return lanes.heightKept();
  }

  private void place(double w, double h, double laneHeight) {
    double right = getWidth() - BAR;
    double left = railWidth();
    double top = layers.top();
    roll.resizeRelocate(left, top, w, h);
    lanes.resizeRelocate(0, top + h, left + w, laneHeight);
    scroll.across().resizeRelocate(left, getHeight() - BAR, w, BAR);
    scroll.upDown().resizeRelocate(right, top, BAR, h);
    layers.rail().relocate(0, top);
    layers.ruler().relocate(left, 0);
    layers.chords().relocate(left, RulerLayer.HEIGHT);
    empty.resizeRelocate(0, h * 0.12, w, Math.min(empty.prefHeight(w), h * 0.88));
    double takesWidth = takes.prefWidth(-1);
    takes.resizeRelocate(right - takesWidth - 6, top + 4, takesWidth, takes.prefHeight(-1));
    playhead.setEndY(h);
  }

  private void drawMarked() {
    boolean drawn = layers.drawIfMarked();
    for (Lane lane : lanes.lanes()) {
      drawn |= lane.drawIfMarked();
    }
    // A key that is struck lays this out too: then nothing need be worked out.
    if (!drawn) {
      return;
    }
    empty.show(mouse.gesture().isOn());
    passLayer.show(session.runControl().pass(), viewport.scale(), viewport.width());
    scroll.update(session.song().end());
  }
}
