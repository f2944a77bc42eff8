package flailbeat.core.edit;

import flailbeat.core.model.Note;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Set;

/** Which notes of a track to select, as a value. */
public sealed interface NoteRule {
  /** Every note. */
  NoteRule ALL = new Within(TickRange.EVER, 0, 127);

  /** Notes that sound at any time in a stretch, of pitches from one to another. */
  record Within(TickRange range, int low, int high) implements NoteRule {}

  /** Notes of some pitches. */
  record OfPitches(Set<Integer> pitches) implements NoteRule {}

  /** Notes of some ids. */
  record Named(Set<NoteId> ids) implements NoteRule {}

  /** Notes that two rules both name. */
  record Both(NoteRule first, NoteRule second) implements NoteRule {}

  /** Notes that a rule does not name. */
  record Not(NoteRule rule) implements NoteRule {}

  /** Notes softer than a velocity. */
  record Softer(int velocity) implements NoteRule {}

  /** Notes that last less than so many nanoseconds. */
  record Shorter(long nanos, TempoMap tempos) implements NoteRule {}

  /** Notes that begin farther than so many nanoseconds from the nearest line. */
  record OffLines(long nanos, GridLines lines, TempoMap tempos) implements NoteRule {}

  /**
   * Notes like one: of its pitch, and nearly as long (within a fifth) and as loud (within {@value
   * #NEARLY_AS_LOUD}).
   */
  record Like(Note note) implements NoteRule {}

  /** How far velocities are apart that are nearly the same. */
  int NEARLY_AS_LOUD = 10;

  /** Whether it names a note, which is in song time. */
  default boolean names(Note note) {
    return switch (this) {
      case Within w ->
          note.end() > w.range().start()
              && note.onset() < w.range().end()
              && note.pitch() >= w.low()
              && note.pitch() <= w.high();
      case OfPitches p -> p.pitches().contains(note.pitch());
      case Named n -> n.ids().contains(note.id());
      case Softer s -> note.velocity() < s.velocity();
      case Shorter s ->
          s.tempos().nanosAt(note.end()) - s.tempos().nanosAt(note.onset()) < s.nanos();
      case OffLines o -> {
        long line = o.lines().nearest(note.onset());
        yield Math.abs(o.tempos().nanosAt(note.onset()) - o.tempos().nanosAt(line)) > o.nanos();
      }
      case Like l ->
          note.pitch() == l.note().pitch()
              && Math.abs(note.length() - l.note().length()) * 5 <= l.note().length()
              && Math.abs(note.velocity() - l.note().velocity()) <= NEARLY_AS_LOUD;
      case Both b -> b.first().names(note) && b.second().names(note);
      case Not n -> !n.rule().names(note);
    };
  }

  /**
   * The notes of a track that it names, in song time; of clips that share them, wherever they can
   * be taken hold of.
   */
  default List<Note> of(Track track) {
    TickRange where = this instanceof Within w ? w.range() : TickRange.EVER;
    return track.tangible(where).stream().filter(this::names).toList();
  }
}
