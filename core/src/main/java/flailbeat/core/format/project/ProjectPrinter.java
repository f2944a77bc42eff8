package flailbeat.core.format.project;

import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.util.DefaultIndenter;
import com.fasterxml.jackson.core.util.DefaultPrettyPrinter;
import com.fasterxml.jackson.core.util.Separators;
import java.io.IOException;

/** Lays a project out with one note to a line, so that a person, or a diff, can read it. */
final class ProjectPrinter extends DefaultPrettyPrinter {
  private static final long serialVersionUID = 1;
  private static final DefaultIndenter LINES = new DefaultIndenter("  ", "\n");

  private int arrayDepth;
  private int flatFrom = Integer.MAX_VALUE;

  ProjectPrinter() {
    super(Separators.createDefaultInstance().withArrayEmptySeparator(""));
    indentObjectsWith(LINES);
    indentArraysWith(LINES);
  }

  @Override
  public DefaultPrettyPrinter createInstance() {
    return new ProjectPrinter();
  }

  /** An array inside an array is a note or a control point: it stays on one line. */
  @Override
  public void writeStartArray(JsonGenerator g) throws IOException {
    arrayDepth++;
    if (g.getOutputContext().getParent() != null
        && g.getOutputContext().getParent().inArray()
        && flatFrom == Integer.MAX_VALUE) {
      flatFrom = arrayDepth;
    }
    indentArraysWith(arrayDepth >= flatFrom ? NopIndenter.instance : LINES);
    super.writeStartArray(g);
  }

  @Override
  public void writeEndArray(JsonGenerator g, int count) throws IOException {
    super.writeEndArray(g, count);
    arrayDepth--;
    if (arrayDepth < flatFrom) {
      flatFrom = Integer.MAX_VALUE;
    }
    indentArraysWith(LINES);
  }
}
