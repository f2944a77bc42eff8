package flailbeat.core.model;

import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.List;

/**
 * What of a track sounds in a stretch, laid out in song time.
 *
 * @param notes each that a clip plays the first time through its content, in {@link Note#ORDER}
 * @param repeats the notes of all later rounds of clips that loop, under the same ids, in order
 * @param controls in order of tick, loops unrolled
 */
public record Placed(List<Note> notes, List<Note> repeats, List<ControlPoint> controls) {
  /** All notes that sound, in order. */
  public List<Note> sounding() {
    if (repeats.isEmpty()) {
      return notes;
    }
    List<Note> all = new ArrayList<>(notes.size() + repeats.size());
    all.addAll(notes);
    all.addAll(repeats);
    all.sort(Note.ORDER);
    return all;
  }

  /** Lays clips out that are in order and apart. */
  static Placed of(List<Clip> clips, TickRange range) {
    Builder builder = new Builder(range.start());
    clips.forEach(c -> c.layOut(range, builder));
    return new Placed(builder.notes, builder.repeats, builder.controls);
  }

  /** Gathers what clips lay out. */
  static final class Builder {
    private final long from;
    private final List<Note> notes = new ArrayList<>();
    private final List<Note> repeats = new ArrayList<>();
    private final List<ControlPoint> controls = new ArrayList<>();

    /** Gathers what ends after a tick of the song. */
    Builder(long from) {
      this.from = from;
    }

    /**
     * Adds a note.
     *
     * @param later by how much song time is later than the clip's
     * @param ends where the round ends, in the clip's time
     */
    void add(Clip clip, Note note, long later, long ends) {
      if (!clip.loops()) {
        notes.add(note.shifted(later));
        return;
      }
      if (later + note.onset() >= Ticks.LAST) {
        return;
      }
      long most = Ticks.LAST - later - note.onset();
      long length = Math.min(note.length(), ends - note.onset());
      Note heard = note.lasting(Math.min(length, most)).shifted(later);
      if (heard.end() > from) {
        (later == clip.start() ? notes : repeats).add(heard);
      }
    }

    void add(ControlPoint point, long later) {
      if (later + point.tick() <= Ticks.LAST) {
        controls.add(point.shifted(later));
      }
    }
  }
}
