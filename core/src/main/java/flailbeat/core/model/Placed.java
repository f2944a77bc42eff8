package flailbeat.core.model;

import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/**
 * What of a track sounds in a stretch, laid out in song time.
 *
 * @param notes each that a clip plays the first time through its content, in {@link Note#ORDER}; of
 *     clips that share it, the one that speaks for all ({@link Links})
 * @param repeats the notes of all later rounds of clips that loop, and of clips that share the
 *     content of another, under the same ids, in order
 * @param controls likewise each once, in order of tick: what can be edited
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

  /** The same with notes that sound otherwise than they stand; they keep their ids and times. */
  Placed withNotes(UnaryOperator<Note> change) {
    return new Placed(
        notes.stream().map(change).sorted(Note.ORDER).toList(),
        repeats.stream().map(change).toList(),
        controls,
        soundingControls);
  }

  /** Lays clips out that are in order and apart. */
  static Placed of(List<Clip> clips, TickRange range) {
    return of(clips, range, c -> true);
  }

  /**
   * The same.
   *
   * @param audible of which clips there are notes; there are controllers of all
   */
  static Placed of(List<Clip> clips, TickRange range, Predicate<Clip> audible) {
    Links links = Links.of(clips);
    List<Note> notes = new ArrayList<>();
    List<Note> repeats = new ArrayList<>();
    List<ControlPoint> controls = new ArrayList<>();
    List<ControlPoint> sounding = new ArrayList<>();
    Layout gather =
        new Layout.WithControls() {
          private boolean isAgain(Clip clip, int round) {
            return round > 0 || links.follows(clip);
          }

          @Override
          public void note(Note note, Clip clip, int round) {
            if (audible.test(clip)) {
              (isAgain(clip, round) ? repeats : notes).add(note);
            }
          }

          @Override
          public void control(ControlPoint point, Clip clip, int round) {
            if (!isAgain(clip, round)) {
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
    if (!links.isEmpty() || clips.stream().anyMatch(c -> c.traits().changesNotes())) {
      notes.sort(Note.ORDER);
    }
    return new Placed(notes, repeats, controls, sounding);
  }
}
