package flailbeat.core.chore;

/** What may go by a number, which then stands in its title. */
public interface ByNumber {
  /** Where the number stands in a title. */
  String MARK = "#";

  /**
   * A title, and the number in it.
   *
   * @param text has {@value #MARK} in the place of the number, if there is one
   * @param least the least that the number can be
   * @param most the most that it can be; 0 for no number
   * @param standard what it is at first
   */
  record Title(String text, int least, int most, int standard) {
    static Title of(String text) {
      return new Title(text, 0, 0, 0);
    }
  }

  /** Its title with what is known of the number. */
  Title titled();

  /** The words that people see. */
  default String title() {
    return titled().text();
  }

  /** Its title with a number in its place. */
  default String title(int amount) {
    return title().replace(MARK, String.valueOf(amount));
  }

  /** Whether it goes by a number. */
  default boolean hasAmount() {
    return most() > 0;
  }

  default int least() {
    return titled().least();
  }

  default int most() {
    return titled().most();
  }

  /** The number that it goes by at first. */
  default int standard() {
    return titled().standard();
  }

  /**
   * Checks a number, if it goes by one.
   *
   * @throws IllegalArgumentException for one beyond its bounds, with a message for the person
   */
  default void require(int amount) {
    if (hasAmount() && (amount < least() || amount > most())) {
      throw new IllegalArgumentException(
          "In \u201c"
              + title().replace(MARK, "\u2026")
              + "\u201d the number goes from "
              + least()
              + " to "
              + most()
              + ", not "
              + amount);
    }
  }
}
