package flailbeat.core.session.map;

import flailbeat.core.edit.clips.ClipMoves;
import flailbeat.core.edit.clips.ClipPattern;
import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.edit.clips.ClipShapes.Beyond;
import flailbeat.core.edit.clips.ClipsLaid;
import flailbeat.core.edit.clips.ClipsMoved;
import flailbeat.core.edit.clips.ClipsResized;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.session.bench.EditActions;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.session.timing.QuantizePreview;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TickRange;
import java.util.Optional;
import java.util.Set;

/**
 * What is done to the clips that are meant. Nothing is done to any clip while a recording runs: the
 * one that records would change under it.
 */
public final class ClipActions {
  private final Document document;
  private final EditActions editing;
  private final RunControl runControl;
  private final QuantizePreview timing;
  private final Changes changes;
  private final Notices notices;
  private final ClipChoice choice;
  private final ClipTraitActions traits;
  private final FirstNote firstNote;
  private Optional<ClipPattern> copied = Optional.empty();
  private Optional<ClipPattern> inHand = Optional.empty();
  private boolean links;

  public ClipActions(
      Document document,
      EditActions editing,
      RunControl runControl,
      QuantizePreview timing,
      Changes changes,
      Notices notices) {
    this.document = document;
    this.editing = editing;
    this.runControl = runControl;
    this.timing = timing;
    this.changes = changes;
    this.notices = notices;
    this.choice = new ClipChoice(document, notices);
    this.traits = new ClipTraitActions(this, document, runControl, notices);
    this.firstNote = new FirstNote(document, editing, runControl, timing, notices);
  }

  /** Which clips are meant. */
  public ClipChoice choice() {
    return choice;
  }

  /** How clips are called and heard. */
  public ClipTraitActions traits() {
    return traits;
  }

  /**
   * Moves the clip so that its first note stands on the bar line that it was meant for; again at
   * once, on the other side.
   */
  public void firstNoteToBar() {
    firstNote.toBar(choice.only());
  }

  /** Whether copies by hand share what is in them. */
  public boolean isLinking() {
    return links;
  }

  /** Says whether copies by hand share what is in them. */
  public void setLinking(boolean value) {
    links = value;
    changes.fire(Aspect.SETTINGS);
  }

  /** The other of both, told. */
  public void toggleLinking() {
    setLinking(!links);
    notices.tell(
        links
            ? "Copies are linked: an edit in one is an edit in all"
            : "Copies have what is in them for themselves");
  }

  private boolean isNone() {
    if (choice.meant().isEmpty()) {
      notices.tell("There is no clip here: select one on the song map ({map-large})");
      return true;
    }
    return false;
  }

  void edit(String label, Shape shape) {
    if (!isNone()) {
      Set<ClipId> ids = choice.meant();
      editing.attempt(label + " " + ClipsMoved.words(ids.size()), s -> shape.of(s, ids));
    }
  }

  /** What is done to a song and some of its clips. */
  interface Shape {
    Song of(Song song, Set<ClipId> ids);
  }

  /** Takes them away; with {@code closes} what comes after them comes as much earlier. */
  public void delete(boolean closes) {
    edit(
        closes ? "Delete, closing the gap," : "Delete",
        (s, ids) -> ClipShapes.delete(s, ids, closes));
  }

  /** Moves them by ticks and tracks, as far as there is room. */
  public void move(long ticks, int tracks, Landing landing) {
    if (!isNone()) {
      Song before = document.song();
      editing.carryOut(
          new ClipsMoved(choice.meant(), ticks, tracks, ClipsMoved.What.MOVE, landing));
      if (document.song() == before && !runControl.transport().isRecording()) {
        notices.tell("There is no room to move there");
      }
      chooseTrackOfMeant();
    }
  }

  private void chooseTrackOfMeant() {
    Set<ClipId> meant = choice.meant();
    boolean here = document.track().clips().stream().anyMatch(c -> meant.contains(c.id()));
    if (!here && !meant.isEmpty()) {
      document.chooseTrack(
          document.song().tracks().get(ClipMoves.first(document.song(), meant)).id());
    }
  }

  /** Moves them by steps of the grid. */
  public void moveSteps(int steps) {
    GridLines lines = timing.lines();
    long start = start();
    long to = start;
    for (int i = 0; i < Math.abs(steps); i++) {
      to = steps > 0 ? lines.after(to) : to == 0 ? 0 : lines.atOrBefore(to - 1);
    }
    move(to - start, 0, Landing.OVER);
  }

  /** Moves them by beats of the bar that they begin in. */
  public void moveBeats(int beats) {
    move(beats * document.song().meters().meterAt(start()).ticksPerBeat(), 0, Landing.OVER);
  }

  /** Moves them by bars, so that they stand in the bar where they stood. */
  public void moveBars(int bars) {
    long start = start();
    int bar = document.song().meters().barAt(start);
    long within = start - document.song().meters().barStart(bar);
    long to = document.song().meters().barStart(Math.max(0, bar + bars)) + within;
    move(to - start, 0, Landing.OVER);
  }

  /** Has the first of them begin where the song does. */
  public void moveToStart() {
    if (!isNone()) {
      if (start() == 0) {
        notices.tell("It begins where the song does already");
      } else {
        move(-start(), 0, Landing.OVER);
      }
    }
  }

  private long start() {
    return ClipMoves.start(document.song(), choice.meant());
  }

  /** Keeps them, to be pasted. */
  public void copy() {
    copied = ClipPattern.of(document.song(), choice.meant()).or(() -> copied);
    if (!isNone()) {
      notices.tell(
          "Copied "
              + ClipsMoved.words(choice.meant().size())
              + ": {paste} lays it down where playing starts");
    }
  }

  public void cut() {
    copy();
    delete(false);
  }

  public boolean canPaste() {
    return copied.isPresent();
  }

  /** Lays what was copied down where playing starts, on the chosen track. */
  public void paste() {
    pasteAt(runControl.playStartTicks());
  }

  /** The same at a tick. */
  public void pasteAt(long tick) {
    copied.ifPresentOrElse(
        p -> lay(p, tick, chosenTrack(), 1, links),
        () -> notices.tell("No clip was copied to paste"));
  }

  private int chosenTrack() {
    return document.song().tracks().indexOf(document.track());
  }

  /** Lays so many copies of them down, each right behind the last. */
  public void repeat(int times, boolean linked) {
    if (!isNone()) {
      ClipPattern pattern = ClipPattern.of(document.song(), choice.meant()).orElseThrow();
      int track = ClipMoves.first(document.song(), choice.meant());
      lay(pattern, start() + pattern.span(), track, times, linked);
    }
  }

  /** Lays copies of them down until the loop, or what comes next, is full. */
  public void fillLoop() {
    Optional<TickRange> loop = runControl.looping().range();
    if (isNone()) {
      return;
    }
    if (loop.isEmpty()) {
      notices.tell("Choose a loop first: drag along the ruler, or {loop}");
      return;
    }
    ClipPattern pattern = ClipPattern.of(document.song(), choice.meant()).orElseThrow();
    long from = start() + pattern.span();
    long left = loop.get().end() - from;
    int times = (int) Math.min(Integer.MAX_VALUE, left / pattern.span());
    if (times < 1) {
      notices.tell("There is no room for another in the loop");
    } else {
      repeat(times, links);
    }
  }

  /** Lays clips down as one step, selects them, and says so. */
  public void lay(ClipPattern pattern, long tick, int track, int times, boolean linked) {
    int most = pattern.mostTimes(tick);
    if (most < 1) {
      notices.tell("There is no room there: the song would be too long");
      return;
    }
    int from = pattern.trackFor(track, document.song().tracks().size());
    carryOut(new ClipsLaid(pattern, tick, from, Math.min(times, most), linked, Landing.OVER));
  }

  /** Carries an edit out that lays clips down, and selects what came. */
  public void carryOut(ClipsLaid laid) {
    Song before = document.song();
    editing.carryOut(laid);
    afterLaying(laid, before);
  }

  /** Selects what was laid down since a song was another, and says what found no track. */
  public void afterLaying(ClipsLaid laid, Song before) {
    int out = laid.pattern().leftOut(laid.track(), before.tracks().size());
    if (document.song() != before && out > 0) {
      notices.warn(
          out
              + (out == 1 ? " clip" : " clips")
              + " of those in hand found no track: add tracks ({track-add}) and lay them down again");
    }
    choice.selectAdded(before);
  }

  /** Selects what came into the song since another was there. */
  public void selectAdded(Song before) {
    choice.selectAdded(before);
  }

  /** Splits those that the playhead, or where playing starts, lies in. */
  public void splitAtPlace() {
    long tick =
        runControl.transport().isRunning()
            ? timing.lines().nearest(Math.max(0, runControl.positionTicks()))
            : runControl.playStartTicks();
    splitAt(tick);
  }

  /** Splits them at a tick; those that it does not lie in stay whole. */
  public void splitAt(long tick) {
    Song before = document.song();
    edit("Split", (s, ids) -> ClipShapes.split(s, ids, tick));
    if (document.song() == before && !runControl.transport().isRecording()) {
      notices.tell(document.song().meters().positionAt(tick) + " lies in none of them");
    }
  }

  public void splitAtBars() {
    edit("Split at bars", ClipShapes::splitAtBars);
  }

  public void join() {
    if (choice.meant().size() < 2) {
      notices.tell("Select the clips of a track that shall become one");
    } else {
      edit("Join", ClipShapes::join);
    }
  }

  /** Has two neighbours change places. */
  public void swap() {
    Song before = document.song();
    edit("Change places of", ClipShapes::swap);
    if (document.song() == before && !runControl.transport().isRecording()) {
      notices.tell("Two clips that follow one another change places: select them, or the first");
    }
  }

  /** Moves their ends by bars: beyond what is in them they begin anew. */
  public void lengthen(int bars, Beyond beyond) {
    if (isNone()) {
      return;
    }
    long end = choice.clips().stream().mapToLong(Clip::end).max().orElse(0);
    int bar = document.song().meters().barAt(Math.max(0, end - 1));
    long line = document.song().meters().barStart(bar + 1);
    long to = bars > 0 && line > end ? line : document.song().meters().barStart(bar + 1 + bars);
    editing.carryOut(new ClipsResized(choice.meant(), false, to - end, beyond));
  }

  /** The clips in the hand, which a press on the map lays down. */
  public Optional<ClipPattern> inHand() {
    return inHand;
  }

  /** Takes those that are meant in the hand, to be laid down on the map. */
  public void takeInHand() {
    if (!isNone()) {
      take(ClipPattern.of(document.song(), choice.meant()).orElseThrow());
    }
  }

  /** Takes clips in the hand. */
  public void take(ClipPattern pattern) {
    inHand = Optional.of(pattern);
    notices.tell(
        "In hand: press on the map to lay it down, drag for more; {mouse-cancel} puts it away");
    changes.fire(Aspect.CHOICE);
  }

  /** Takes nothing in the hand any more; says whether anything was. */
  public boolean putAway() {
    boolean had = inHand.isPresent();
    inHand = Optional.empty();
    if (had) {
      changes.fire(Aspect.CHOICE);
    }
    return had;
  }
}
