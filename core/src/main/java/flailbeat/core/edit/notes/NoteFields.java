package flailbeat.core.edit.notes;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;

/** Numbers of many notes set at once. */
public final class NoteFields {
  private NoteFields() {}

  /**
   * What came of it.
   *
   * @param song the one given where nothing changed
   * @param stopped how many notes came to a wall: they have the most or the least that they can
   *     have; of a group that adds, all of them stopped there together
   * @param stayed how many notes are as they were, since another of their pitch begins where they
   *     would have gone
   */
  public record Outcome(Song song, int stopped, int stayed) {}

  /**
   * Sets a field of some notes, or does something to each. Where the same is added to all, no note
   * goes beyond what it can have and they keep their distances: the group stops at the wall. O(k
   * log n) for k notes among n.
   */
  public static Outcome change(Song song, Set<NoteId> ids, NoteField field, Arithmetic what) {
    List<Note> notes = NoteEdits.find(song, ids);
    Arithmetic done = what.kind() == Arithmetic.Kind.ADD ? within(notes, field, what) : what;
    UnaryOperator<Note> asked =
        n -> {
          long value = Math.clamp(wanted(n, field, done), field.least(n), field.most(n));
          return value == field.of(n) ? n : field.with(n, value);
        };
    int stopped =
        done.equals(what)
            ? (int) notes.stream().filter(n -> isBeyond(wanted(n, field, done), field, n)).count()
            : notes.size();
    Song changed = NoteEdits.changed(song, notes, asked);
    return new Outcome(changed, stopped, NoteEdits.stayed(notes, changed, asked));
  }

  private static long wanted(Note note, NoteField field, Arithmetic what) {
    return Math.round(what.applyTo(field.of(note)));
  }

  private static boolean isBeyond(long value, NoteField field, Note note) {
    return value < field.least(note) || value > field.most(note);
  }

  private static Arithmetic within(List<Note> notes, NoteField field, Arithmetic added) {
    double down = Double.NEGATIVE_INFINITY;
    double up = Double.POSITIVE_INFINITY;
    for (Note note : notes) {
      down = Math.max(down, field.least(note) - field.of(note));
      up = Math.min(up, field.most(note) - field.of(note));
    }
    double by = Math.clamp(added.value(), Math.min(0, down), Math.max(0, up));
    return by == added.value() ? added : new Arithmetic(Arithmetic.Kind.ADD, by);
  }
}
