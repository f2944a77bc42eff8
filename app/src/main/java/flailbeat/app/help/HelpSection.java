package flailbeat.app.help;

import java.util.List;
import java.util.Locale;
import org.commonmark.node.Node;

/**
 * A part of a help text that is about one thing.
 *
 * @param document the name of its file, without its ending
 * @param about what the whole document is about
 * @param title what it is about itself
 * @param blocks what stands in it, in order
 * @param text the same as plain words
 */
public record HelpSection(
    String document, String about, String title, List<Node> blocks, String text) {
  public HelpSection {
    blocks = List.copyOf(blocks);
  }

  /** Whether all words stand in it. */
  boolean has(List<String> words) {
    String all = (about + " " + title + " " + text).toLowerCase(Locale.ROOT);
    return words.stream().allMatch(all::contains);
  }

  /** Whether one of the words stands in its title. */
  boolean isCalled(List<String> words) {
    String name = title.toLowerCase(Locale.ROOT);
    return words.stream().anyMatch(name::contains);
  }
}
