package flailbeat.core.model;

import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;

/**
 * What of a track sounds in a stretch, laid out in song time.
 *
 * @param notes each that a clip plays the first time through its content, in {@link Note#ORDER}
 * @param repeats the notes of all later rounds of clips that loop, under the same ids, in order
 * @param controls each that a clip plays the first time through its content, in order of tick: what
 *     can be edited
 * @param soundingControls in order of tick, loops unrolled, with what is set where a clip or a
 *     round ends before its content does
 */
public record Placed(
    List<Note> notes,
    List<Note> repeats,
    List<ControlPoint> controls,
    List<ControlPoint> soundingControls) {
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
    List<ControlPoint> sounding = new ArrayList<>();
    Layout gather =
        new Layout.WithControls() {
          @Override
          public void note(Note note, Clip clip, int round) {
            (round > 0 ? repeats : notes).add(note);
          }

          @Override
          public void control(ControlPoint point, Clip clip, int round) {
            if (round == 0) {
              controls.add(point);
            }
            sounding.add(point);
          }

          @Override
          public void closing(ControlPoint point, Clip clip, int round) {
            sounding.add(point);
          }
        };
    clips.forEach(c -> c.layOut(range, gather));
    return new Placed(notes, repeats, controls, sounding);
  }
}
