package flailbeat.core.harmony;

import flailbeat.core.edit.notes.Stencil;
import flailbeat.core.model.Note;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.LongUnaryOperator;

/**
 * The notes of a chord one after another while it lasts: in an order, from line to line, or in a
 * rhythm that was drawn or tapped. O(notes that come of it).
 */
public final class BrokenChords {
  private BrokenChords() {}

  /** In which order the notes of a chord begin. */
  public enum Order {
    UP,
    DOWN,
    UP_AND_DOWN
  }

  /**
   * One note on each line; each lasts up to the next.
   *
   * @param next from a tick to the next line
   */
  public static List<Note> of(List<Note> chord, Order order, LongUnaryOperator next) {
    List<Note> turns = turns(chord, order);
    List<TickRange> steps = steps(chord, next);
    List<Note> result = new ArrayList<>();
    for (int turn = 0; turn < steps.size(); turn++) {
      TickRange step = steps.get(turn);
      result.add(at(turns.get(turn % turns.size()), step.start(), step.length()));
    }
    return result;
  }

  /**
   * All notes on each line; they last up to the next.
   *
   * @param next from a tick to the next line
   */
  public static List<Note> repeated(List<Note> chord, LongUnaryOperator next) {
    return steps(chord, next).stream()
        .flatMap(step -> chord.stream().map(n -> at(n, step.start(), step.length())))
        .toList();
  }

  private static List<TickRange> steps(List<Note> chord, LongUnaryOperator next) {
    List<TickRange> result = new ArrayList<>();
    long end = end(chord);
    long at = start(chord);
    while (at < end) {
      long to = Math.min(end, Math.max(at + 1, next.applyAsLong(at)));
      result.add(new TickRange(at, to));
      at = to;
    }
    return result;
  }

  /**
   * In the rhythm of a stencil, again and again from the start of the chord. Its lowest pitch
   * stands for the lowest note, the next for the next, and so on, an octave higher where the chord
   * has no more; one with a single pitch strikes all notes together. What is louder in it than its
   * mean is so much louder.
   */
  public static List<Note> of(List<Note> chord, Stencil stencil) {
    long start = start(chord);
    long end = end(chord);
    List<Note> up = turns(chord, Order.UP);
    List<Integer> heights =
        stencil.parts().stream().map(Stencil.Part::higher).distinct().sorted().toList();
    double mean = stencil.parts().stream().mapToInt(Stencil.Part::velocity).average().orElseThrow();
    List<Note> result = new ArrayList<>();
    for (long round = start; round < end; round += stencil.span()) {
      for (Stencil.Part part : stencil.parts()) {
        long onset = round + part.later();
        if (onset < end) {
          long length = Math.min(part.length(), end - onset);
          double louder = part.velocity() - mean;
          List<Note> struck =
              heights.size() == 1 ? up : List.of(voice(up, heights.indexOf(part.higher())));
          struck.stream()
              .map(n -> at(n.asLoudAs(n.velocity() + louder), onset, length))
              .forEach(result::add);
        }
      }
    }
    result.sort(Note.ORDER);
    return result;
  }

  private static Note voice(List<Note> up, int number) {
    Note note = up.get(number % up.size());
    int pitch = note.pitch() + number / up.size() * Pitch.OCTAVE;
    return Pitch.isValid(pitch) ? note.withPitch(pitch) : note;
  }

  private static Note at(Note note, long onset, long length) {
    return Note.placed(note.id(), note.pitch(), note.velocity(), onset, length)
        .withReleaseVelocity(note.releaseVelocity());
  }

  private static long start(List<Note> chord) {
    return chord.stream().mapToLong(Note::onset).min().orElseThrow();
  }

  private static long end(List<Note> chord) {
    return chord.stream().mapToLong(Note::end).max().orElseThrow();
  }

  private static List<Note> turns(List<Note> chord, Order order) {
    List<Note> up = chord.stream().sorted(Comparator.comparingInt(Note::pitch)).toList();
    return switch (order) {
      case UP -> up;
      case DOWN -> up.reversed();
      case UP_AND_DOWN -> {
        List<Note> both = new ArrayList<>(up);
        both.addAll(up.subList(1, up.size() - 1).reversed());
        yield both;
      }
    };
  }
}
