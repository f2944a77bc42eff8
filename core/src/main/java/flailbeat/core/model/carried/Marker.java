package flailbeat.core.model.carried;

import flailbeat.core.time.Ticks;

/**
 * A place in a song that has a name. It is carried as the file has it, and read as this.
 *
 * @param tick 0 to {@link Ticks#LAST}
 */
public record Marker(long tick, String name) {
  public Marker {
    Ticks.require(tick);
  }
}
