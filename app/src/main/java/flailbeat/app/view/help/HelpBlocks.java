package flailbeat.app.view.help;

import java.util.function.Consumer;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;
import org.commonmark.ext.gfm.tables.TableBlock;
import org.commonmark.ext.gfm.tables.TableBody;
import org.commonmark.ext.gfm.tables.TableCell;
import org.commonmark.ext.gfm.tables.TableHead;
import org.commonmark.ext.gfm.tables.TableRow;
import org.commonmark.node.Code;
import org.commonmark.node.Emphasis;
import org.commonmark.node.FencedCodeBlock;
import org.commonmark.node.HardLineBreak;
import org.commonmark.node.IndentedCodeBlock;
import org.commonmark.node.Link;
import org.commonmark.node.ListBlock;
import org.commonmark.node.Node;
import org.commonmark.node.SoftLineBreak;
import org.commonmark.node.StrongEmphasis;

/** Shows blocks of a help text: paragraphs, lists, tables, what is typed. */
final class HelpBlocks {
  /** What a text looks like that stands in something. */
  private static final String STRONG = "help-strong";

  private final Consumer<String> follow;

  /**
   * A way to show them.
   *
   * @param follow goes where a link leads
   */
  HelpBlocks(Consumer<String> follow) {
    this.follow = follow;
  }

  Region show(Node block) {
    return switch (block) {
      case ListBlock list -> list(list);
      case TableBlock table -> table(table);
      case FencedCodeBlock code -> typed(code.getLiteral());
      case IndentedCodeBlock code -> typed(code.getLiteral());
      default -> flow(block);
    };
  }

  private static Label typed(String text) {
    Label label = new Label(text.stripTrailing());
    label.getStyleClass().add("help-code");
    label.setWrapText(true);
    return label;
  }

  private VBox list(ListBlock list) {
    VBox box = new VBox(4);
    for (Node item = list.getFirstChild(); item != null; item = item.getNext()) {
      VBox inside = new VBox(4);
      for (Node block = item.getFirstChild(); block != null; block = block.getNext()) {
        inside.getChildren().add(show(block));
      }
      HBox.setHgrow(inside, Priority.ALWAYS);
      Label dot = new Label("\u2022");
      dot.setMinWidth(Region.USE_PREF_SIZE);
      box.getChildren().add(new HBox(8, dot, inside));
    }
    return box;
  }

  private GridPane table(TableBlock table) {
    GridPane grid = new GridPane(12, 6);
    grid.getStyleClass().add("help-table");
    int row = 0;
    for (Node part = table.getFirstChild(); part != null; part = part.getNext()) {
      boolean head = part instanceof TableHead;
      if (head || part instanceof TableBody) {
        for (Node line = part.getFirstChild(); line instanceof TableRow; line = line.getNext()) {
          row += fill(grid, row, line, head) ? 1 : 0;
        }
      }
    }
    for (int column = 0; column < grid.getColumnCount(); column++) {
      ColumnConstraints width = new ColumnConstraints();
      width.setPercentWidth(100.0 / grid.getColumnCount());
      grid.getColumnConstraints().add(width);
    }
    return grid;
  }

  /** Whether there was anything in the line. */
  private boolean fill(GridPane grid, int row, Node line, boolean head) {
    int column = 0;
    boolean any = false;
    for (Node cell = line.getFirstChild(); cell instanceof TableCell; cell = cell.getNext()) {
      TextFlow flow = flow(cell);
      any |= !flow.getChildren().isEmpty();
      if (head) {
        flow.getChildren().forEach(n -> n.getStyleClass().add(STRONG));
      }
      grid.add(flow, column++, row);
    }
    return any;
  }

  private TextFlow flow(Node block) {
    TextFlow flow = new TextFlow();
    inline(block, flow, "");
    return flow;
  }

  private void inline(Node parent, TextFlow into, String style) {
    for (Node node = parent.getFirstChild(); node != null; node = node.getNext()) {
      switch (node) {
        case org.commonmark.node.Text text -> add(into, text.getLiteral(), style);
        case Code code -> add(into, code.getLiteral(), "help-typed");
        case SoftLineBreak line -> add(into, " ", style);
        case HardLineBreak line -> add(into, "\n", style);
        case StrongEmphasis strong -> inline(strong, into, STRONG);
        case Emphasis emphasis -> inline(emphasis, into, "help-named");
        case Link link -> into.getChildren().add(link(link));
        default -> inline(node, into, style);
      }
    }
  }

  private static void add(TextFlow into, String words, String style) {
    Text text = new Text(words);
    text.getStyleClass().add("help-text");
    if (!style.isEmpty()) {
      text.getStyleClass().add(style);
    }
    into.getChildren().add(text);
  }

  private Hyperlink link(Link link) {
    Hyperlink shown = new Hyperlink();
    StringBuilder words = new StringBuilder();
    for (Node node = link.getFirstChild(); node != null; node = node.getNext()) {
      words.append(
          switch (node) {
            case org.commonmark.node.Text text -> text.getLiteral();
            case Code code -> code.getLiteral();
            default -> " ";
          });
    }
    shown.setText(words.toString());
    shown.setFocusTraversable(false);
    shown.setOnAction(e -> follow.accept(link.getDestination()));
    return shown;
  }
}
