package flailbeat.core.model.roll;

import flailbeat.core.time.Ticks;

/**
 * What notes that are drawn on a track start from, when that was taken from one of its notes.
 *
 * @param length in ticks, 1 or more
 * @param velocity 1 to 127
 */
public record NoteStart(long length, int velocity) {
  public NoteStart {
    if (length < 1 || length > Ticks.LAST || velocity < 1 || velocity > 127) {
      throw new IllegalArgumentException(
          "New notes of " + length + " ticks and velocity " + velocity);
    }
  }
}
