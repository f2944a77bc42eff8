package flailbeat.app.view.base;

import java.util.function.BooleanSupplier;
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
 * @param sign what stands for it on the rail: a line as SVG draws it, in 22 by 18
 * @param content makes it
 * @param waits whether something waits there for the person
 */
public record Page(
    String id,
    String name,
    String about,
    String purpose,
    String keys,
    String sign,
    Supplier<? extends Region> content,
    BooleanSupplier waits) {
  /** One on which nothing ever waits. */
  public Page(
      String id,
      String name,
      String about,
      String purpose,
      String keys,
      String sign,
      Supplier<? extends Region> content) {
    this(id, name, about, purpose, keys, sign, content, () -> false);
  }

  /** The id of the command that turns to it. */
  public String command() {
    return "page-" + id;
  }

  /** What that command is called. */
  public String title() {
    return "The page " + name + about;
  }
}
