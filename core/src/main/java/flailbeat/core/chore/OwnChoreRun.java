package flailbeat.core.chore;

import flailbeat.core.edit.Leeway;
import flailbeat.core.model.Note;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.Ticks;
import java.util.List;

/** What a chore of a person's own does to the notes that meet its condition. */
final class OwnChoreRun {
  private static final double ALL = 100;

  private final Chore chore;
  private final Area area;
  private final Draft draft;
  private final double amount;

  OwnChoreRun(Chore chore, Area area, Draft draft) {
    this.chore = chore;
    this.area = area;
    this.draft = draft;
    this.amount = chore.amount();
  }

  /**
   * Does it.
   *
   * @param met the notes of each part that meet the condition, in order
   */
  void doTo(List<List<Note>> met) {
    int semitones =
        chore.then() == ChoreAction.TRANSPOSE
            ? Leeway.of(met.stream().flatMap(List::stream).toList()).semitones(chore.amount())
            : 0;
    for (int i = 0; i < met.size(); i++) {
      Area.Part part = area.parts().get(i);
      if (chore.then() == ChoreAction.OCTAVE_ABOVE || chore.then() == ChoreAction.OCTAVE_BELOW) {
        addOctaves(part, met.get(i));
      } else {
        GridLines.Walker lines = area.lines().walker();
        met.get(i).forEach(n -> doTo(part, n, semitones, lines));
      }
    }
  }

  private void addOctaves(Area.Part part, List<Note> notes) {
    if (!part.isKit()) {
      Octaves octaves = new Octaves(part, draft);
      int by = chore.then() == ChoreAction.OCTAVE_ABOVE ? Pitch.OCTAVE : -Pitch.OCTAVE;
      notes.forEach(n -> octaves.add(n, by));
    }
  }

  private void doTo(Area.Part part, Note note, int semitones, GridLines.Walker lines) {
    switch (chore.then()) {
      case MARK -> draft.mark(note);
      case REMOVE -> draft.remove(note);
      case VELOCITY -> draft.change(note, note.asLoudAs(amount));
      case LOUDER -> draft.change(note, note.asLoudAs(note.velocity() + amount));
      case VELOCITY_SCALE -> draft.change(note, note.asLoudAs(note.velocity() * amount / ALL));
      case LENGTH -> draft.change(note, lasting(note, amount));
      case LENGTH_SCALE -> draft.change(note, lasting(note, note.length() * amount / ALL));
      case TRANSPOSE -> draft.change(note, note.moved(0, semitones));
      case TO_SCALE -> {
        if (!part.isKit()) {
          draft.change(note, note.moved(0, area.key().nearest(note.pitch()) - note.pitch()));
        }
      }
      case LATER -> draft.change(note, later(note));
      case TO_LINE -> {
        lines.find(note.onset());
        long by = Math.round((lines.line() - note.onset()) * amount / ALL);
        draft.change(note, note.standingAt(note.onset() + by, note.length()));
      }
      default -> throw new IllegalStateException("Done elsewhere: " + chore.then());
    }
  }

  private static Note lasting(Note note, double ticks) {
    return note.resized(Math.clamp(Math.round(ticks), 1, Ticks.LAST - note.onset()));
  }

  private Note later(Note note) {
    TempoMap tempos = area.song().tempos();
    long wanted = tempos.earlier(note.onset(), -amount);
    return note.shifted(Math.clamp(wanted, 0, Ticks.LAST - note.length()) - note.onset());
  }
}
