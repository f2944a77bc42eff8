package flailbeat.core.chore;

import flailbeat.core.edit.Chords;
import flailbeat.core.model.Note;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.SplittableRandom;

/** Measures the notes of a part, as the conditions of a chore ask for it. */
final class Measurer {
  private static final long MIXER = 0x9E3779B97F4A7C15L;
  private static final double ALL = 100;

  private final Area area;
  private final List<Note> notes;
  private final TempoMap tempos;
  private final MeterMap meters;
  private final GridLines.Walker lines;
  private final long seed;
  private int[] chordSizes = {};

  Measurer(Area area, Area.Part part, Chore chore, long seed) {
    this.area = area;
    this.notes = part.notes();
    this.tempos = area.song().tempos();
    this.meters = area.song().meters();
    this.lines = area.lines().walker();
    this.seed = seed;
    if (chore.when().stream().flatMap(List::stream).anyMatch(t -> t.of() == Measure.CHORD)) {
      chordSizes = Chords.sizes(notes, tempos);
    }
  }

  double of(Term term, int index) {
    Note note = notes.get(index);
    return switch (term.of()) {
      case PITCH -> note.pitch();
      case VELOCITY -> note.velocity();
      case LENGTH -> note.length();
      case LENGTH_MS -> tempos.millisBetween(note.onset(), note.end());
      case PLACE -> place(note.onset());
      case OFF_LINE -> Math.abs(late(note));
      case LATE -> late(note);
      case CHORD -> chordSizes[index];
      case OFF_SCALE -> Math.abs(area.key().nearest(note.pitch()) - note.pitch());
      case CHANCE -> chance(note, term);
    };
  }

  private double late(Note note) {
    lines.find(note.onset());
    return tempos.millisBetween(lines.line(), note.onset());
  }

  /** In beats from 1; what comes just before the next bar stands just before its first beat. */
  private double place(long tick) {
    TickRange bar = meters.barRangeAt(tick);
    double beat = meters.meterAt(tick).ticksPerBeat();
    boolean next = bar.end() - tick <= beat * Measure.NEAR_BEAT;
    return next ? 1 - (bar.end() - tick) / beat : 1 + (tick - bar.start()) / beat;
  }

  /** The same for the same note, whatever the others are. */
  private double chance(Note note, Term term) {
    long own = seed ^ (note.idNumber() * MIXER) ^ Double.hashCode(term.from());
    return new SplittableRandom(own).nextDouble() * ALL;
  }
}
