package flailbeat.core.time;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What a whole song goes by over time.
 *
 * @param sections in order, one at a tick; what is given later for a tick replaces what was there
 */
public record Timeline(TempoMap tempos, MeterMap meters, List<Section> sections) {
  public Timeline {
    sections = inOrder(sections);
  }

  /** With no sections. */
  public Timeline(TempoMap tempos, MeterMap meters) {
    this(tempos, meters, List.of());
  }

  private static List<Section> inOrder(List<Section> given) {
    List<Section> sorted = new ArrayList<>(given);
    sorted.sort(Comparator.comparingLong(Section::tick));
    List<Section> result = new ArrayList<>();
    for (Section section : sorted) {
      if (!result.isEmpty() && result.getLast().tick() == section.tick()) {
        result.removeLast();
      }
      result.add(section);
    }
    return List.copyOf(result);
  }

  public Timeline withTempos(TempoMap value) {
    return new Timeline(value, meters, sections);
  }

  public Timeline withMeters(MeterMap value) {
    return new Timeline(tempos, value, sections);
  }

  public Timeline withSections(List<Section> value) {
    return new Timeline(tempos, meters, value);
  }
}
