package flailbeat.core.playback;

import java.util.Arrays;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.IntStream;

/** What sounds and what controllers hold, as the messages of a plan go by. */
final class StateAlong {
  private static final int UNSET = 0;

  private final int[] noteOns = new int[Parts.MOST * 128];
  private final int[] controls = new int[Parts.MOST * ControlKey.COUNT];
  private final BitSet sounding = new BitSet(noteOns.length);
  private final BitSet moved = new BitSet(controls.length);
  private final Map<Integer, Parameters> parameters = new LinkedHashMap<>();

  /**
   * A part's registered parameters, and those that are not registered: which one is selected, and
   * what each was set to. Steps up and down (96, 97) are not followed.
   */
  private static final class Parameters {
    private static final int UNREGISTERED = 98;
    private static final int NULL = 127;
    private static final int LOW_DATA = 38;

    private final Map<Integer, int[]> set = new LinkedHashMap<>();
    private int kind;
    private int high = NULL;
    private int low = NULL;

    void accept(int message) {
      int number = PlaybackPlan.data1(message);
      int value = PlaybackPlan.data2(message);
      if (number >= UNREGISTERED) {
        select(number, value);
      } else if (number <= LOW_DATA && kind != 0 && !(high == NULL && low == NULL)) {
        int[] data = set.computeIfAbsent(kind << 14 | high << 7 | low, k -> new int[] {-1, -1});
        data[number == LOW_DATA ? 1 : 0] = value;
      }
    }

    /** To select one of either kind is to select none of the other. */
    private void select(int number, int value) {
      if (kind != (number & ~1)) {
        kind = number & ~1;
        high = NULL;
        low = NULL;
      }
      if (number == kind) {
        low = value;
      } else {
        high = value;
      }
    }

    IntStream messages(int part) {
      IntStream.Builder result = IntStream.builder();
      set.forEach(
          (key, data) -> {
            select(result, part, key >> 14, key >> 7 & 127, key & 127);
            addIfSet(result, part, 6, data[0]);
            addIfSet(result, part, LOW_DATA, data[1]);
          });
      if (kind != 0) {
        select(result, part, kind, high, low);
      }
      return result.build();
    }

    private static void select(IntStream.Builder to, int part, int kind, int high, int low) {
      to.add(PlaybackPlan.message(part, 0xB0, kind + 1, high));
      to.add(PlaybackPlan.message(part, 0xB0, kind, low));
    }

    private static void addIfSet(IntStream.Builder to, int part, int number, int value) {
      if (value >= 0) {
        to.add(PlaybackPlan.message(part, 0xB0, number, value));
      }
    }
  }

  void accept(int message) {
    int part = PlaybackPlan.part(message);
    if (PlaybackPlan.isNoteOn(message) || PlaybackPlan.isNoteOff(message)) {
      int key = part << 7 | PlaybackPlan.data1(message);
      noteOns[key] = PlaybackPlan.isNoteOn(message) ? message : UNSET;
      sounding.set(key, noteOns[key] != UNSET);
      return;
    }
    int control = ControlKey.of(message);
    if (control != ControlKey.NONE) {
      controls[part * ControlKey.COUNT + control] = message;
      moved.set(part * ControlKey.COUNT + control);
    } else if (PlaybackPlan.status(message) == 0xB0) {
      parameters.computeIfAbsent(part, p -> new Parameters()).accept(message);
    }
  }

  /** The messages that bring about what there is now, controllers first. */
  int[] messages() {
    int[] registered =
        parameters.entrySet().stream()
            .flatMapToInt(e -> e.getValue().messages(e.getKey()))
            .toArray();
    int[] result =
        Arrays.copyOf(registered, registered.length + moved.cardinality() + sounding.cardinality());
    int size = registered.length;
    for (int i = moved.nextSetBit(0); i >= 0; i = moved.nextSetBit(i + 1)) {
      result[size++] = controls[i];
    }
    for (int i = sounding.nextSetBit(0); i >= 0; i = sounding.nextSetBit(i + 1)) {
      result[size++] = noteOns[i];
    }
    return result;
  }
}
