package flailbeat.app.help;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.commonmark.ext.gfm.tables.TablesExtension;
import org.commonmark.node.Heading;
import org.commonmark.node.Node;
import org.commonmark.node.Paragraph;
import org.commonmark.node.StrongEmphasis;
import org.commonmark.node.Text;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.text.TextContentRenderer;

/**
 * The help texts, which are the documents of the project. A section begins with a heading, or with
 * a paragraph that begins in bold.
 */
public final class HelpTexts {
  /** The documents, in the order in which they are useful. */
  public static final List<String> DOCUMENTS =
      List.of(
          "first-steps",
          "arrangements",
          "recording",
          "steps",
          "timing-desk",
          "editing",
          "lanes",
          "chords",
          "chores",
          "tracks",
          "sounds",
          "song-map",
          "midi-files",
          "losing-nothing");

  private static final int DEEPEST = 3;

  private final List<HelpSection> sections = new ArrayList<>();

  private HelpTexts() {}

  /**
   * Reads all of them.
   *
   * @throws UncheckedIOException where they did not come with the program as they should
   */
  public static HelpTexts read() {
    HelpTexts texts = new HelpTexts();
    for (String document : DOCUMENTS) {
      texts.add(document, source(document));
    }
    return texts;
  }

  private static String source(String document) {
    try (InputStream in = HelpTexts.class.getResourceAsStream(document + ".md")) {
      if (in == null) {
        throw new IOException("The help text " + document + " did not come with the program");
      }
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void add(String document, String source) {
    Node root =
        Parser.builder().extensions(List.of(TablesExtension.create())).build().parse(source);
    String about = document;
    String title = document;
    List<Node> blocks = new ArrayList<>();
    for (Node block = root.getFirstChild(); block != null; block = block.getNext()) {
      Optional<String> begins = begins(block);
      if (begins.isPresent()) {
        end(document, about, title, blocks);
        title = begins.get();
        about = block instanceof Heading h && h.getLevel() == 1 ? title : about;
      }
      if (!(block instanceof Heading)) {
        blocks.add(block);
      }
    }
    end(document, about, title, blocks);
  }

  private void end(String document, String about, String title, List<Node> blocks) {
    if (!blocks.isEmpty()) {
      String text =
          blocks.stream().map(HelpTexts::words).reduce((a, b) -> a + "\n" + b).orElseThrow();
      sections.add(new HelpSection(document, about, title, blocks, text));
    }
    blocks.clear();
  }

  /** What a section is called that begins with a block, which is taken out of it; else empty. */
  private static Optional<String> begins(Node block) {
    if (block instanceof Heading heading && heading.getLevel() <= DEEPEST) {
      return Optional.of(words(heading));
    }
    if (block instanceof Paragraph && block.getFirstChild() instanceof StrongEmphasis strong) {
      String title = words(strong).replaceAll("[.:]$", "");
      if (strong.getNext() instanceof Text text) {
        text.setLiteral(text.getLiteral().replaceFirst("^[.:,]?\\s*", ""));
      }
      strong.unlink();
      return Optional.of(title);
    }
    return Optional.empty();
  }

  private static String words(Node node) {
    return TextContentRenderer.builder()
        .extensions(List.of(TablesExtension.create()))
        .build()
        .render(node)
        .strip();
  }

  /** All of it, in order. */
  public List<HelpSection> all() {
    return List.copyOf(sections);
  }

  /** The sections that have all of some words; those that are called so first. */
  public List<HelpSection> find(String wanted) {
    List<String> words =
        Arrays.stream(wanted.toLowerCase(Locale.ROOT).split("\\s+"))
            .filter(w -> !w.isEmpty())
            .toList();
    return sections.stream()
        .filter(s -> s.has(words))
        .sorted(Comparator.comparing(s -> words.isEmpty() || s.isCalled(words) ? 0 : 1))
        .toList();
  }
}
