package flailbeat.app.view.base;

import java.util.function.Supplier;
import javafx.scene.layout.Region;

/**
 * A page that stands at the right of the window's middle, one at a time. It is made when it is
 * first turned to.
 *
 * @param id lower-case letters; its command is {@code page-} and this
 * @param name as it is chosen by, a word
 * @param about what its command says of it beside its name; may be empty
 * @param purpose what it is for, in a few words
 * @param keys the keys that it comes with
 * @param content makes it
 */
public record Page(
    String id,
    String name,
    String about,
    String purpose,
    String keys,
    Supplier<? extends Region> content) {
  /** The id of the command that turns to it. */
  public String command() {
    return "page-" + id;
  }

  /** What that command is called. */
  public String title() {
    return "The page " + name + about;
  }
}
