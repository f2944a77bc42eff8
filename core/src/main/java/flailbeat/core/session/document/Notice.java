package flailbeat.core.session.document;

/**
 * One line for the person.
 *
 * @param warning whether something went wrong
 */
public record Notice(String text, boolean warning) {
  public static final Notice NONE = new Notice("", false);

  /** So many notes, in words. */
  public static String notes(int count) {
    return count == 1 ? "1 note" : count + " notes";
  }
}
