package flailbeat.core.step;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Played;
import flailbeat.core.model.id.TrackId;
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.BigFraction;

/**
 * A step that was entered: a note, a chord or, with no notes, a rest.
 *
 * @param start in ticks, exactly
 * @param length in ticks, exactly; more than 0
 * @param value the length that it was entered with
 */
public record Step(
    TrackId track, BigFraction start, BigFraction length, StepLength value, List<Struck> notes) {
  public Step {
    notes = List.copyOf(notes);
  }

  public boolean isRest() {
    return notes.isEmpty();
  }

  /** The tick after its last, exactly. */
  public BigFraction end() {
    return start.add(length);
  }

  /** The tick at which its notes begin. */
  public long onsetTick() {
    return tick(start);
  }

  public Set<Integer> pitches() {
    return Struck.pitches(notes);
  }

  Step lasting(BigFraction newLength, StepLength newValue) {
    return new Step(track, start, newLength, newValue, notes);
  }

  /**
   * How long its notes last, in ticks: up to the tick where the next step begins, or a share of
   * that; 1 at least.
   *
   * @param gate per cent
   */
  public long noteTicks(int gate) {
    long whole = tick(end()) - onsetTick();
    return Math.max(1, Math.round(whole * gate / 100.0));
  }

  /**
   * Its notes, to be added.
   *
   * @param gate per cent
   * @param endsBefore they end there at the latest
   */
  List<NewNote> newNotes(int gate, long endsBefore) {
    long onset = onsetTick();
    Played played = Played.put(onset, Math.min(onset + noteTicks(gate), endsBefore));
    return notes.stream().map(n -> new NewNote(n.pitch(), n.velocity(), played, onset)).toList();
  }

  /** The same elsewhere, and by semitones higher. */
  Step movedTo(TrackId newTrack, BigFraction newStart, int semitones) {
    return new Step(
        newTrack,
        newStart,
        length,
        value,
        notes.stream().map(n -> new Struck(n.pitch() + semitones, n.velocity())).toList());
  }

  /** The tick nearest to an exact place; half way between two, the later. */
  public static long tick(BigFraction exact) {
    BigFraction half = exact.add(BigFraction.of(1, 2));
    return Math.floorDiv(
        half.getNumerator().longValueExact(), half.getDenominator().longValueExact());
  }
}
