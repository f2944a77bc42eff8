package flailbeat.app.view.bench.hand;

import flailbeat.core.edit.Edit;
import flailbeat.core.edit.Leeway;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.clips.ClipMoves;
import flailbeat.core.edit.clips.ClipsLaid;
import flailbeat.core.edit.clips.ClipsMoved;
import flailbeat.core.edit.clips.ClipsResized;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.edit.notes.NoteCopies;
import flailbeat.core.edit.notes.NoteMove;
import flailbeat.core.edit.notes.NoteResize;
import flailbeat.core.edit.notes.NotesDrawn;
import flailbeat.core.edit.notes.NotesErased;
import flailbeat.core.edit.shapes.ControlDrawn;
import flailbeat.core.edit.shapes.Louder;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.session.chores.ChoreTrial;
import flailbeat.core.time.TickRange;
import java.util.Optional;

/**
 * What the mouse is doing to the song. What changes the song is drawn, and carried out, as one
 * edit.
 */
public sealed interface Gesture {
  /** Nothing. */
  record None() implements Gesture {}

  /** Setting the place, on the song map. */
  record Place() implements Gesture {}

  /** Drawing an empty clip on the song map, from where it was pressed. */
  record NewClip(long fromTick, TickRange range) implements Gesture {}

  /**
   * Moving, or copying, the selected clips on the large map, held at one of them.
   *
   * @param room how far they can go, as it was when it began
   * @param takesOut whether, not moved, the one that it is held at leaves the selection
   */
  record MoveClips(
      Clip at, double fromX, int fromLane, ClipMoves.Room room, ClipsMoved moved, boolean takesOut)
      implements Gesture {
    /** The same by other ticks and tracks, as far as there is room. */
    public MoveClips by(long ticks, int tracks, Landing landing) {
      ClipsMoved wanted =
          new ClipsMoved(
              moved.ids(), room.ticks(ticks), room.tracks(tracks), moved.what(), landing);
      return new MoveClips(at, fromX, fromLane, room, wanted, takesOut);
    }
  }

  /** Moving an edge of the selected clips, held at one of them. */
  record ResizeClips(Clip at, double fromX, ClipsResized resized) implements Gesture {}

  /** Laying down the clips in the hand, again and again. */
  record LayClips(ClipsLaid laid) implements Gesture {}

  /** Drawing a box round clips; those selected before are kept. */
  record BoxClips(double fromX, double fromY, double toX, double toY, Selection before)
      implements Gesture {}

  /** Drawing a box round notes; those selected before are kept. */
  record Box(double fromX, double fromY, double toX, double toY, Selection before)
      implements Gesture {
    Box to(double x, double y) {
      return new Box(fromX, fromY, x, y, before);
    }
  }

  /**
   * Moving the selected notes, held at one of them, as far as there was room as it began.
   *
   * @param copies whether they stay, and copies of them are moved
   * @param takesOut whether, not moved, the one that it is held at leaves the selection
   */
  record Move(
      Note at,
      double fromX,
      double fromY,
      Leeway room,
      NoteMove move,
      boolean copies,
      boolean takesOut)
      implements Gesture {
    Move by(long ticks, int semitones) {
      NoteMove wanted = new NoteMove(move.ids(), ticks, semitones);
      return new Move(at, fromX, fromY, room, wanted.within(room), copies, takesOut);
    }
  }

  /** Drawing a note, whose length the mouse sets as it goes on. */
  record Draw(double fromX, NotesDrawn drawn) implements Gesture {
    NewNote note() {
      return drawn.notes().getFirst();
    }
  }

  /**
   * Laying down a note at every line that the mouse passes.
   *
   * @param x where the mouse was last, and {@code y} likewise
   * @param fromY where it was pressed
   */
  record Fill(double fromX, double fromY, double x, double y, int row, NotesDrawn drawn)
      implements Gesture {}

  /**
   * Moving an edge of the selected notes.
   *
   * @param moved whether the mouse has moved: a click on an edge changes nothing
   */
  record Resize(double fromX, NoteResize resize, boolean moved) implements Gesture {}

  /** Laying copies of the selected notes behind them. */
  record Repeat(double fromX, NoteCopies copies) implements Gesture {
    Repeat times(int value) {
      return new Repeat(fromX, new NoteCopies(copies.ids(), copies.ticks(), 0, value));
    }
  }

  /** Wiping notes away, from where the mouse was last. */
  record Erase(double x, double y, NotesErased erased) implements Gesture {}

  /** Dragging the velocity of the selected notes. */
  record Loudness(double fromY, Louder louder) implements Gesture {
    public Loudness by(int velocity) {
      return new Loudness(fromY, Louder.by(louder.ids(), velocity));
    }
  }

  /**
   * Moving, copying or scaling what a controller does in the loop.
   *
   * @param says what is done, in words
   */
  record Stretch(double fromX, double fromY, TickRange range, ControlDrawn drawn, String says)
      implements Gesture {}

  /** Drawing over a lane. */
  record Sketch(Stroke stroke, Edit drawn) implements Gesture {}

  /** Erasing what a lane shows, from where it was pressed. */
  record Wipe(long fromTick, ControlDrawn erased) implements Gesture {}

  /**
   * Drawing a bar of a pedal, or moving an edge of one.
   *
   * @param bar as it was; of no length where a new one is drawn
   * @param start whether the edge is the one at which it goes down
   * @param edge where the edge is now
   */
  record Pedal(TickRange bar, boolean start, long edge, ControlDrawn drawn) implements Gesture {}

  /** No hand of the mouse: a chore that is tried shows what it would do. */
  record ShownChore(ChoreTrial.Shown shown) implements Gesture {}

  /** Turning the wheel over notes: how loud they are, in proportion. */
  record Wheel(Note at, Louder louder) implements Gesture {
    public Wheel by(int percent) {
      int wanted = Math.clamp(louder.percent() + percent, 5, 400);
      return new Wheel(at, Louder.inProportion(louder.ids(), wanted));
    }
  }

  /** What it would do to the song if the mouse let go now. */
  default Optional<Edit> edit() {
    return switch (this) {
      case Move move ->
          Optional.of(
              move.copies()
                  ? new NoteCopies(
                      move.move().ids(), move.move().ticks(), move.move().semitones(), 1)
                  : move.move());
      case Draw draw -> Optional.of(draw.drawn());
      case Fill fill -> Optional.of(fill.drawn());
      case Resize resize -> resize.moved() ? Optional.of(resize.resize()) : Optional.empty();
      case Repeat repeat -> Optional.of(repeat.copies());
      case Erase erase -> Optional.of(erase.erased());
      case Loudness loudness -> Optional.of(loudness.louder());
      case Sketch sketch -> Optional.of(sketch.drawn());
      case Wipe wipe -> Optional.of(wipe.erased());
      case Pedal pedal -> Optional.of(pedal.drawn());
      case Stretch stretch -> Optional.of(stretch.drawn());
      case Wheel wheel -> Optional.of(wheel.louder());
      case ShownChore trial -> Optional.of(trial.shown().edit());
      case Box box -> Optional.empty();
      case MoveClips clips -> Optional.of(clips.moved());
      case ResizeClips clips -> Optional.of(clips.resized());
      case LayClips clips -> Optional.of(clips.laid());
      case BoxClips box -> Optional.empty();
      case NewClip clip -> Optional.empty();
      case Place place -> Optional.empty();
      case None none -> Optional.empty();
    };
  }

  /** The song as it would be if the mouse let go now. */
  default Song applyTo(Song song) {
    if (this instanceof ShownChore trial && trial.shown().before() == song) {
      return trial.shown().after();
    }
    return edit().filter(e -> !e.isNothing()).map(e -> e.apply(song)).orElse(song);
  }

  /** Whether notes hang on the mouse. */
  default boolean holdsNotes() {
    return edit().filter(e -> !(e instanceof ControlDrawn)).isPresent();
  }

  /** Whether it is one that the lanes alone show. */
  default boolean isInLane() {
    return this instanceof Sketch || edit().orElse(null) instanceof ControlDrawn;
  }

  /** Whether it is one that only the song map shows. */
  default boolean isOnMap() {
    return switch (this) {
      case Place p -> true;
      case NewClip n -> true;
      case MoveClips m -> true;
      case ResizeClips r -> true;
      case LayClips l -> true;
      case BoxClips b -> true;
      default -> false;
    };
  }

  /** Whether the mouse does anything. */
  default boolean isOn() {
    return !(this instanceof None);
  }
}
