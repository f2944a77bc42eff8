package flailbeat.core.time;

import java.util.Locale;

/**
 * A place in a song as people count it.
 *
 * @param bar from 1; 0 and below lie before the song
 * @param beat from 1
 * @param tick from 0, within the beat
 */
public record Position(int bar, int beat, int tick) {
  /** {@code bar.beat.tick}, the tick in three figures: {@code 3.2.480}. */
  @Override
  public String toString() {
    return String.format(Locale.ROOT, "%d.%d.%03d", bar, beat, tick);
  }
}
