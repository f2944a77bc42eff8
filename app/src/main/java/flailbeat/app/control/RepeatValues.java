package flailbeat.app.control;

import flailbeat.core.time.NoteValue;
import flailbeat.core.time.NoteValue.Division;
import java.util.ArrayList;
import java.util.List;

/** The note values at which notes can repeat. */
public final class RepeatValues {
  private static final int[] DENOMINATORS = {4, 8, 16, 32};
  private static final List<Division> DIVISIONS =
      List.of(Division.STRAIGHT, Division.TRIPLET, Division.DOTTED);

  private RepeatValues() {}

  /** Each plain, as a triplet and dotted, the longest first. */
  public static List<NoteValue> all() {
    List<NoteValue> result = new ArrayList<>();
    for (int denominator : DENOMINATORS) {
      for (Division division : DIVISIONS) {
        result.add(new NoteValue(denominator, division));
      }
    }
    return result;
  }

  /** The one after another, round and round. */
  public static NoteValue after(NoteValue value) {
    List<NoteValue> all = all();
    return all.get((all.indexOf(value) + 1) % all.size());
  }

  /** As people see it: {@code 1/16}, {@code 1/8 triplet}. */
  public static String name(NoteValue value) {
    String plain = "1/" + value.denominator();
    return switch (value.division()) {
      case STRAIGHT -> plain;
      case TRIPLET -> plain + " triplet";
      case DOTTED -> plain + " dotted";
      case FIFTH -> plain + " in five";
      case SEVENTH -> plain + " in seven";
    };
  }
}
