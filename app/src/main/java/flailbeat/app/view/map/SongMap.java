package flailbeat.app.view.map;

import flailbeat.app.control.Hairline;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.control.Pixels;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Playhead;
import flailbeat.app.view.base.TimeRuler;
import flailbeat.app.view.bench.BenchView;
import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.app.view.bench.hand.SongMouse;
import flailbeat.core.edit.tracks.TrackEdits;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.time.TickRange;
import java.util.List;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;

/** A thin lane for each track over the whole song, with its clips and the playhead. */
public final class SongMap extends Region {
  private static final double LEFT = BenchView.RAIL_WIDTH;
  private static final double LANE = 13;
  private static final double PAD = 4;
  private static final int LEAST_BARS = 16;

  /** It has room for so many lanes, however many tracks there are: it never moves what is below. */
  private static final int LANES = 4;

  /** Lanes are no lower than this; those that find no room are gone through by the wheel. */
  private static final double LEAST_LANE = 7;

  private final Session session;
  private final Palette palette;
  private final Canvas canvas = new Canvas();
  private final Playhead playhead;
  private final Line stepCursor = new Line();
  private final Pixels pixels = new Pixels();
  private static final Drawn NOTHING = new Drawn(List.of(), 0, 0, 0);
  private Drawn drawn = NOTHING;
  private double scrolled;
  private boolean marked = true;
  private boolean drewClip;
  private final SongMouse mouse;
  private long lengthTicks;

  public SongMap(Session session, Palette palette, SongMouse mouse) {
    this.session = session;
    playhead = new Playhead(session);
    this.palette = palette;
    this.mouse = mouse;
    this.lengthTicks = measure();
    getStyleClass().add("song-map");
    setId("song-map");
    stepCursor.getStyleClass().add("step-cursor");
    stepCursor.setManaged(false);
    stepCursor.setMouseTransparent(true);
    getChildren().addAll(canvas, playhead, stepCursor);
    setMinHeight(USE_PREF_SIZE);
    palette.onChange(this::forget);
    Follow.changes(
        this,
        session,
        change -> {
          if (change.isOf(Aspect.SONG, Aspect.CHOICE)) {
            bringChosenIntoSight();
          }
          if (change.isOf(Aspect.SONG, Aspect.CHOICE, Aspect.LOOP)) {
            mark();
          }
          if (change.isOf(Aspect.STEPS, Aspect.KEYS)) {
            showStepCursor();
          }
        });
    mouse.install(this, new MapGestures(session, this::scale));
    mouse.onChange(this::followMouse);
    setOnScroll(this::wheel);
  }

  /** Has it drawn anew with the next frame. */
  private void mark() {
    marked = true;
    requestLayout();
  }

  /** Moves the playhead to a tick. */
  public void showPosition(long tick) {
    double x = Math.round(xOf(tick));
    playhead.setVisible(x <= getWidth());
    playhead.setTranslateX(Math.clamp(x, LEFT, Math.max(LEFT, getWidth())));
  }

  /** In other colours all is drawn anew. */
  private void forget() {
    drawn = NOTHING;
    mark();
  }

  /** A clip that is being drawn is seen. */
  private void followMouse() {
    boolean drawing = mouse.gesture() instanceof Gesture.NewClip;
    if (drawing || drewClip) {
      mark();
    }
    drewClip = drawing;
  }

  private boolean atSteps() {
    return session.performer().keysMode() == KeysMode.STEPS;
  }

  /** The step cursor, on the lane of the chosen track. */
  private void showStepCursor() {
    stepCursor.setVisible(atSteps());
    if (atSteps()) {
      double top = top(session.song().tracks().indexOf(session.document().track()));
      stepCursor.setStartY(top);
      stepCursor.setEndY(top + laneHeight());
      stepCursor.setTranslateX(
          Math.min(getWidth(), Math.round(xOf(session.steps().place().cursorTick()))));
    }
  }

  @Override
  protected double computePrefHeight(double width) {
    return LANES * LANE + 2 * PAD;
  }

  private double laneHeight() {
    double room = (getHeight() - 2 * PAD) / Math.max(2, session.song().tracks().size());
    return Math.max(LEAST_LANE, room);
  }

  /** How far the lanes are scrolled, in pixels. */
  private double hidden() {
    return Math.max(0, session.song().tracks().size() * laneHeight() - (getHeight() - 2 * PAD));
  }

  /** Where a lane begins. */
  private double top(int lane) {
    return PAD + lane * laneHeight() - Math.min(scrolled, hidden());
  }

  private void wheel(ScrollEvent e) {
    scrolled = Math.clamp(scrolled - e.getDeltaY(), 0, hidden());
    drawn = NOTHING;
    mark();
    e.consume();
  }

  private void bringChosenIntoSight() {
    int lane = session.song().tracks().indexOf(session.document().track());
    double from = lane * laneHeight();
    double view = getHeight() - 2 * PAD;
    double before = scrolled;
    double least = Math.max(0, from + laneHeight() - Math.max(laneHeight(), view));
    scrolled = Math.clamp(scrolled, least, Math.max(least, from));
    drawn = scrolled == before ? drawn : NOTHING;
  }

  @Override
  protected void layoutChildren() {
    if (canvas.getWidth() != getWidth() || canvas.getHeight() != getHeight()) {
      canvas.setWidth(getWidth());
      canvas.setHeight(getHeight());
      marked = true;
    }
    if (marked && getWidth() > 0 && getHeight() > 0) {
      marked = false;
      lengthTicks = measure();
      draw();
    }
    showStepCursor();
    playhead.setStartY(0);
    playhead.setEndY(getHeight());
  }

  /** Kept, since looking for a song's end takes a look at every note. */
  private long measure() {
    Song song = session.song();
    long least = song.meters().barStart(LEAST_BARS);
    return Math.max(least, song.meters().wholeBars(new TickRange(0, song.end() + 1)).end());
  }

  /** Which tick stands where. */
  public TimeRuler time() {
    return new TimeRuler(this, scale()::tickAt, scale()::xOf);
  }

  private MapScale scale() {
    return new MapScale(LEFT, getWidth(), lengthTicks, top(0), laneHeight());
  }

  private double xOf(long tick) {
    return scale().xOf(tick);
  }

  private void draw() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
    drawBars(g);
    List<Track> tracks = session.song().tracks();
    double lane = laneHeight();
    for (int i = 0; i < tracks.size(); i++) {
      drawTrack(g, tracks.get(i), TrackEdits.color(session.song(), tracks.get(i)), top(i), lane);
    }
    drawNotes(g, tracks, lane);
    session.runControl().looping().range().ifPresent(r -> drawLoop(g, r));
    if (mouse.gesture() instanceof Gesture.NewClip clip) {
      drawFrame(g, clip.range(), top(tracks.indexOf(session.document().track())), lane);
    }
  }

  private void drawFrame(GraphicsContext g, TickRange range, double y, double lane) {
    g.setStroke(palette.color(Ink.INK));
    g.strokeRect(xOf(range.start()), y + 1, xOf(range.end()) - xOf(range.start()), lane - 2);
  }

  private void drawBars(GraphicsContext g) {
    int bars = session.song().meters().barAt(lengthTicks);
    int step = Math.max(1, (int) (bars / Math.max(1, (getWidth() - LEFT) / 14)) + 1);
    for (int bar = 0; bar <= bars; bar += step) {
      double x = Math.round(xOf(session.song().meters().barStart(bar)));
      Hairline.down(g, palette.color(Ink.RULE), x, 0, getHeight());
    }
  }

  private void drawLoop(GraphicsContext g, TickRange loop) {
    boolean on = session.runControl().looping().isOn();
    double from = xOf(loop.start());
    double to = xOf(loop.end());
    g.setFill(palette.color(Ink.WHEAT, on ? 0.12 : 0.05));
    g.fillRect(from, 0, to - from, getHeight());
    g.setFill(palette.color(Ink.WHEAT, on ? 0.85 : 0.3));
    g.fillRect(from, 0, to - from, 3);
  }

  private void drawTrack(GraphicsContext g, Track track, int color, double y, double lane) {
    boolean chosen = track.id().equals(session.document().track().id());
    if (chosen) {
      g.setFill(palette.color(Ink.WHEAT_PALE));
      g.fillRect(0, y, getWidth(), lane);
    }
    g.setFill(palette.color(Ink.ofTrack(color)));
    g.fillOval(LEFT / 2 - 4, y + lane / 2 - 4, 8, 8);
    for (Clip clip : track.clips()) {
      double x = xOf(clip.start());
      double w = Math.max(2, xOf(clip.end()) - x);
      boolean silent = track.muted() || !clip.isAudible();
      g.setFill(palette.color(MapPainter.inkOf(clip, color), silent ? 0.12 : 0.3));
      g.fillRoundRect(x, y + 1, w, lane - 2, 4, 4);
    }
  }

  /** The notes of all tracks: set anew only where a track, or how the map lies, is another. */
  private void drawNotes(GraphicsContext g, List<Track> tracks, double lane) {
    Drawn now = new Drawn(tracks, lengthTicks, getWidth(), getHeight());
    if (now.isSameAs(drawn)) {
      pixels.show(g);
      return;
    }
    drawn = now;
    double density = getScene() == null ? 1 : getScene().getWindow().getOutputScaleX();
    pixels.begin(getWidth(), getHeight(), density);
    for (int i = 0; i < tracks.size(); i++) {
      if (top(i) + lane < 0 || top(i) > getHeight()) {
        continue;
      }
      for (Clip clip : tracks.get(i).clips()) {
        int argb =
            Pixels.argb(
                palette.color(
                    MapPainter.inkOf(clip, TrackEdits.color(session.song(), tracks.get(i)))));
        setNotes(clip.placed().sounding(), top(i) + 2, lane - 4, argb);
      }
    }
    pixels.end();
    pixels.show(g);
  }

  /** What the notes were drawn of. */
  private record Drawn(List<Track> tracks, long lengthTicks, double width, double height) {
    /** Tracks are compared as objects: going through their notes would take as long as drawing. */
    boolean isSameAs(Drawn other) {
      boolean same =
          tracks.size() == other.tracks.size()
              && lengthTicks == other.lengthTicks
              && width == other.width
              && height == other.height;
      for (int i = 0; same && i < tracks.size(); i++) {
        same = tracks.get(i) == other.tracks.get(i);
      }
      return same;
    }
  }

  private void setNotes(List<Note> notes, double y, double height, int argb) {
    int low = 127;
    int high = 0;
    for (Note note : notes) {
      low = Math.min(low, note.pitch());
      high = Math.max(high, note.pitch());
    }
    for (Note note : notes) {
      double x = xOf(note.onset());
      double at = high == low ? 0.5 : (double) (high - note.pitch()) / (high - low);
      double top = y + at * (height - 2);
      if (pixels.take(x, top, 1)) {
        pixels.bar(x, top, Math.max(1, xOf(note.end()) - x - 0.5), 1.6, argb);
      }
    }
  }
}
