package flailbeat.core.model;

import java.util.List;

/**
 * One of several versions of a clip that is not the one that is heard.
 *
 * @param number from 1, in the order in which they were recorded
 * @param notes in {@link Note#ORDER}
 * @param controls what controllers do in it, in order of tick
 */
public record Take(int number, List<Note> notes, List<ControlPoint> controls) {
  public Take {
    notes = List.copyOf(notes);
    controls = List.copyOf(controls);
    if (number < 1) {
      throw new IllegalArgumentException("Takes are numbered from 1");
    }
  }
}
