package flailbeat.core.model;

import flailbeat.core.time.TickRange;
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
    List<Note> notes = new ArrayList<>();
    List<Note> repeats = new ArrayList<>();
    List<ControlPoint> controls = new ArrayList<>();
    Layout gather =
        new Layout.WithControls() {
          @Override
          public void note(Note note, boolean repeated) {
            (repeated ? repeats : notes).add(note);
          }

          @Override
          public void control(ControlPoint point, boolean repeated) {
            controls.add(point);
          }
        };
    clips.forEach(c -> c.layOut(range, gather));
    return new Placed(notes, repeats, controls);
  }
}
