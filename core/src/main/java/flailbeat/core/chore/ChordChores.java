package flailbeat.core.chore;

import flailbeat.core.harmony.BrokenChords;
import flailbeat.core.harmony.ChordEdits;
import flailbeat.core.model.Note;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * Chores on the chords of an area: a part at a time, drums and single notes left as they are. A
 * chord that would leave the pitches that there are stays as it is.
 */
final class ChordChores {
  private final Area area;
  private final TempoMap tempos;
  private final Draft draft;

  ChordChores(Area area, Draft draft) {
    this.area = area;
    this.tempos = area.song().tempos();
    this.draft = draft;
  }

  private List<List<Note>> chords(Area.Part part) {
    return ChordEdits.chords(part.track(), part.notes(), tempos);
  }

  void voice(UnaryOperator<List<Integer>> voicing) {
    for (Area.Part part : area.parts()) {
      chords(part).forEach(c -> change(c, () -> ChordEdits.voiced(c, voicing)));
    }
  }

  void lead() {
    for (Area.Part part : area.parts()) {
      List<Note> before = List.of();
      for (List<Note> chord : chords(part)) {
        List<Note> last = before;
        before = last.isEmpty() ? chord : change(chord, () -> ChordEdits.led(last, chord));
      }
    }
  }

  void strum(int ms, boolean down) {
    for (Area.Part part : area.parts()) {
      chords(part).forEach(c -> change(c, () -> ChordEdits.strummed(tempos, c, ms, down, 0)));
    }
  }

  /** Breaks chords into so many notes to a beat. */
  void breakUp(BrokenChords.Order order, int toABeat) {
    MeterMap meters = area.song().meters();
    breakUp(
        c ->
            BrokenChords.of(
                c, order, t -> t + Math.max(1, meters.meterAt(t).ticksPerBeat() / toABeat)));
  }

  /** Breaks chords in the rhythm of the notes that were taken as a pattern, if any were. */
  void breakByStencil() {
    area.stencil().ifPresent(s -> breakUp(c -> BrokenChords.of(c, s)));
  }

  private void breakUp(UnaryOperator<List<Note>> way) {
    for (Area.Part part : area.parts()) {
      for (List<Note> chord : chords(part)) {
        chord.forEach(draft::remove);
        way.apply(chord).forEach(n -> draft.add(part.track(), n));
      }
    }
  }

  /** What becomes of a chord. */
  private interface Becoming {
    List<Note> notes();
  }

  private List<Note> change(List<Note> chord, Becoming becoming) {
    List<Note> now;
    try {
      now = becoming.notes();
    } catch (IllegalArgumentException e) {
      return chord;
    }
    for (int voice = 0; voice < chord.size(); voice++) {
      draft.change(chord.get(voice), now.get(voice));
    }
    return now;
  }
}
