package flailbeat.core.session.document;

import flailbeat.core.text.Counted;

/**
 * One line for the person.
 *
 * @param warning whether something went wrong
 */
public record Notice(String text, boolean warning) {
  public static final Notice NONE = new Notice("", false);

  /** So many notes, in words. */
  public static String notes(int count) {
    return Counted.of(count, "note");
  }
}
