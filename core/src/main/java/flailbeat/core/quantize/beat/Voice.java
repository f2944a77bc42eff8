package flailbeat.core.quantize.beat;

import java.util.Arrays;

/**
 * A part of a song as a beat is heard from it: its notes in order of time, arrays side by side.
 *
 * @param ms when each was struck; not copied, as the others are not
 * @param lengthMs how long it was held
 * @param velocity how loud it is, 1 to 127
 * @param pitch 0 to 127
 * @param drums whether the pitches are those of drums
 */
public record Voice(double[] ms, double[] lengthMs, int[] velocity, int[] pitch, boolean drums) {
  /** Its notes from one moment up to another. */
  Voice within(double fromMs, double toMs) {
    int from = 0;
    while (from < size() && ms[from] < fromMs) {
      from++;
    }
    int to = from;
    while (to < size() && ms[to] < toMs) {
      to++;
    }
    return new Voice(
        Arrays.copyOfRange(ms, from, to),
        Arrays.copyOfRange(lengthMs, from, to),
        Arrays.copyOfRange(velocity, from, to),
        Arrays.copyOfRange(pitch, from, to),
        drums);
  }

  /** How many notes it has. */
  public int size() {
    return ms.length;
  }
}
