package flailbeat.core.edit;

import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Track;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.List;
import java.util.Set;

/** Which notes of a track to select, as a value. */
public sealed interface NoteRule {
  /** Every note. */
  NoteRule ALL = new Within(new TickRange(0, Ticks.LAST), 0, 127);

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
      case Both b -> b.first().names(note) && b.second().names(note);
      case Not n -> !n.rule().names(note);
    };
  }

  /** The notes of a track that it names, in song time and in order. */
  default List<Note> of(Track track) {
    TickRange where = this instanceof Within w ? w.range() : new TickRange(0, Ticks.LAST);
    return track.placed(where).notes().stream().filter(this::names).toList();
  }
}
