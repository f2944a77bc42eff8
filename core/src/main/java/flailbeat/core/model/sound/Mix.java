package flailbeat.core.model.sound;

import flailbeat.core.model.control.Control;
import flailbeat.core.model.control.Controller;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.TreeMap;

/**
 * How a track is heard among the others: what its strip sets before the first of its notes.
 *
 * @param values by the number of the controller, 0 to 127 each; what is missing rests
 */
public record Mix(Map<Integer, Integer> values) {
  /** What can be set, in the order in which a file gets it. */
  public enum Dial {
    LEVEL(7, "Level"),
    PAN(10, "Pan"),
    BRIGHTNESS(74, "Brightness"),
    ATTACK(73, "Attack"),
    RELEASE(72, "Release"),
    REVERB(91, "Reverb"),
    CHORUS(93, "Chorus");

    private final int number;
    private final String title;

    Dial(int number, String title) {
      this.number = number;
      this.title = title;
    }

    /** The name that people see. */
    public String title() {
      return title;
    }

    public Controller controller() {
      return Controller.numbered(number);
    }

    /** The dial that sets a controller, if any does. */
    public static List<Dial> of(Control control) {
      return Arrays.stream(values()).filter(d -> d.controller().isOf(control)).toList();
    }
  }

  /** All rests. */
  public static final Mix REST = new Mix(Map.of());

  public Mix {
    TreeMap<Integer, Integer> checked = new TreeMap<>();
    for (Dial dial : Dial.values()) {
      Integer value = values.get(dial.number);
      if (value != null) {
        if (value < 0 || value > 127) {
          throw new IllegalArgumentException(dial.title + " goes from 0 to 127, not " + value);
        }
        checked.put(dial.number, value);
      }
    }
    values = Collections.unmodifiableMap(checked);
  }

  /** What is set; empty where it rests. */
  public OptionalInt set(Dial dial) {
    Integer value = values.get(dial.number);
    return value == null ? OptionalInt.empty() : OptionalInt.of(value);
  }

  /** With a dial set, 0 to 127. */
  public Mix with(Dial dial, int value) {
    Map<Integer, Integer> changed = new TreeMap<>(values);
    changed.put(dial.number, value);
    return new Mix(changed);
  }

  /** With a dial at rest. */
  public Mix without(Dial dial) {
    Map<Integer, Integer> changed = new TreeMap<>(values);
    changed.remove(dial.number);
    return new Mix(changed);
  }

  /** What brings it about, in order. */
  public List<Control> controls() {
    return Arrays.stream(Dial.values())
        .filter(d -> values.containsKey(d.number))
        .map(d -> d.controller().at(values.get(d.number)))
        .toList();
  }
}
