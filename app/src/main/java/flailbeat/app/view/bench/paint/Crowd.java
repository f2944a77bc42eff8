package flailbeat.app.view.bench.paint;

import flailbeat.app.view.bench.hand.HeldNotes;
import flailbeat.core.edit.notes.NoteMove;
import flailbeat.core.model.Note;
import flailbeat.core.model.Track;
import flailbeat.core.time.TickRange;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.LongPredicate;
import java.util.function.ToIntFunction;
import java.util.function.UnaryOperator;

/**
 * A great many notes of a track as arrays of what it takes to draw each as a bar. Made once for as
 * long as the notes and their colours stay the same, it is gone through for each frame in a
 * hundredth of the time that the notes themselves would take.
 */
final class Crowd {
  private final Track track;
  private final Object state;
  private long[] onsets;
  private long[] ends;
  private long[] ids;
  private int[] colours;
  private byte[] pitches;
  private byte[] weights;
  private int size;

  /**
   * The notes of a track.
   *
   * @param state what else than the notes their places and colours depend on
   * @param inVersion where notes stand
   * @param colour as a pixel has it; 0 for notes that are seen faintly
   */
  Crowd(Track track, Object state, UnaryOperator<Note> inVersion, ToIntFunction<Note> colour) {
    this.track = track;
    this.state = state;
    int capacity = track.noteCount() + 1;
    onsets = new long[capacity];
    ends = new long[capacity];
    ids = new long[capacity];
    colours = new int[capacity];
    pitches = new byte[capacity];
    weights = new byte[capacity];
    track.layOut(
        TickRange.EVER,
        (note, clip, round) -> {
          Note shown = round > 0 ? note : inVersion.apply(note);
          add(shown, round > 0 ? 0 : colour.applyAsInt(shown));
        });
  }

  private void add(Note note, int colour) {
    if (size == onsets.length) {
      onsets = Arrays.copyOf(onsets, 2 * size);
      ends = Arrays.copyOf(ends, 2 * size);
      ids = Arrays.copyOf(ids, 2 * size);
      colours = Arrays.copyOf(colours, 2 * size);
      pitches = Arrays.copyOf(pitches, 2 * size);
      weights = Arrays.copyOf(weights, 2 * size);
    }
    onsets[size] = note.onset();
    ends[size] = note.end();
    ids[size] = note.idNumber();
    colours[size] = colour;
    pitches[size] = (byte) note.pitch();
    weights[size] = colour == 0 ? Cells.FAINT : Cells.PLAIN;
    size++;
  }

  /** Whether it is of these notes in this state. */
  boolean isOf(Track wanted, Object wantedState) {
    return track == wanted && state.equals(wantedState);
  }

  /** Sets the cells of what is in sight and not hidden. */
  void draw(Cells cells, Cells.Frame frame, Inks inks) {
    for (int i = 0; i < size; i++) {
      int left = frame.columnOf(onsets[i]);
      int right = frame.columnOf(ends[i]);
      if (inks.anyHidden() && inks.hidden().test(ids[i])) {
        drawMoved(i, cells, frame, inks);
        continue;
      }
      if (left < frame.columns() && right >= 0) {
        boolean isSelected = inks.selected().test(ids[i]);
        boolean faint = weights[i] == Cells.FAINT;
        int colour =
            isSelected
                ? faint ? inks.faintWheat() : inks.wheat()
                : faint ? inks.faint() : colours[i];
        byte weight = isSelected && !faint ? Cells.SELECTED : weights[i];
        cells.set(pitches[i], left, right, weight, colour);
      }
    }
  }

  private void drawMoved(int i, Cells cells, Cells.Frame frame, Inks inks) {
    Optional<NoteMove> move = inks.hand().move();
    if (move.isPresent() && inks.hand().holds().test(ids[i])) {
      int left = frame.columnOf(onsets[i] + move.get().ticks());
      int right = frame.columnOf(ends[i] + move.get().ticks());
      boolean faint = weights[i] == Cells.FAINT;
      cells.set(
          pitches[i] + move.get().semitones(),
          left,
          right,
          faint ? Cells.FAINT : Cells.SELECTED,
          faint ? inks.faintWheat() : inks.wheat());
    }
  }

  /** What the place and colour of a note depend on beside its timing. */
  record Inks(
      boolean anyHidden,
      LongPredicate hidden,
      HeldNotes hand,
      LongPredicate selected,
      int wheat,
      int faint,
      int faintWheat) {}
}
