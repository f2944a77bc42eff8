package flailbeat.core.time;

/**
 * A part of a song that has a name, such as a verse: from where it begins to where the next one
 * does.
 *
 * @param tick where it begins, 0 to {@link Ticks#LAST}
 */
public record Section(long tick, String name) {
  public Section {
    Ticks.require(tick);
    if (name.isBlank()) {
      throw new IllegalArgumentException("A section has a name");
    }
  }

  /** The same at another place. */
  public Section at(long newTick) {
    return new Section(newTick, name);
  }
}
