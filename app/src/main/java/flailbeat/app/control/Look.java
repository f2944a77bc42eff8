package flailbeat.app.control;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import javafx.scene.Scene;
import javafx.scene.text.Font;

/** The fonts and the style sheets that ship with the application. */
public final class Look {
  private static final String[] FONTS = {
    "Lato-Regular.ttf", "Lato-Bold.ttf", "JetBrainsMono-Regular.ttf", "JetBrainsMono-Bold.ttf"
  };

  /** The colours first, then a sheet for each room of the window. */
  private static final List<String> SHEETS =
      List.of("day", "base", "controls", "top", "bench", "pages", "run", "deck");

  private Look() {}

  /** Loads the fonts and gives a scene the style sheets. */
  public static void dress(Scene scene) {
    for (String font : FONTS) {
      load(font);
    }
    for (String sheet : SHEETS) {
      scene
          .getStylesheets()
          .add(Look.class.getResource("/flailbeat/app/look/" + sheet + ".css").toExternalForm());
    }
  }

  private static void load(String name) {
    try (InputStream in = Look.class.getResourceAsStream("/flailbeat/app/fonts/" + name)) {
      if (Font.loadFont(in, 13) == null) {
        throw new IllegalStateException("The font " + name + " cannot be read");
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
