package flailbeat.core.model;

/**
 * One of several versions of a clip that is not the one that is heard.
 *
 * @param number from 1, in the order in which they were recorded
 * @param content in the clip's time
 */
public record Take(int number, Content content) {
  public Take {
    if (number < 1) {
      throw new IllegalArgumentException("Takes are numbered from 1");
    }
  }

  Take shifted(long ticks) {
    return new Take(number, content.shifted(ticks));
  }
}
