package flailbeat.core.model;

import flailbeat.core.time.TickRange;
import java.util.Collection;
import java.util.List;

/**
 * What is in a clip, or in one of its takes, in the clip's own time: its start is tick 0.
 *
 * @param notes in {@link Note#ORDER}
 * @param controls in {@link ControlPoint#ORDER}
 */
public record Content(Sequence<Note> notes, Sequence<ControlPoint> controls) {
  /** Nothing. */
  public static final Content NONE = of(List.of(), List.of());

  /** Notes and control points, each given in any order. */
  public static Content of(Collection<Note> notes, Collection<ControlPoint> controls) {
    return new Content(Sequence.ofNotes(notes), Sequence.ofControls(controls));
  }

  public boolean isEmpty() {
    return notes.isEmpty() && controls.isEmpty();
  }

  /** The latest tick at which anything ends; 0 for nothing. */
  public long end() {
    return Math.max(notes.end(), controls.end());
  }

  /** The tick after the last at which anything begins; 0 for nothing. */
  public long beginsUntil() {
    long note = notes.isEmpty() ? 0 : notes.getLast().tick() + 1;
    return Math.max(note, controls.isEmpty() ? 0 : controls.getLast().tick() + 1);
  }

  /** The same with some put in, each in the place of the one that has its id, if there is one. */
  public Content with(Collection<Note> someNotes, Collection<ControlPoint> someControls) {
    return new Content(notes.with(someNotes), controls.with(someControls));
  }

  public Content withNotes(Sequence<Note> value) {
    return value == notes ? this : new Content(value, controls);
  }

  public Content withControls(Sequence<ControlPoint> value) {
    return value == controls ? this : new Content(notes, value);
  }

  /** All of it so many ticks later. */
  public Content shifted(long ticks) {
    return ticks == 0 ? this : new Content(notes.shifted(ticks), controls.shifted(ticks));
  }

  /** What of it begins in a stretch. */
  public Content part(TickRange range) {
    return of(
        notes.beginningIn(range.start(), range.end()),
        controls.beginningIn(range.start(), range.end()));
  }
}
