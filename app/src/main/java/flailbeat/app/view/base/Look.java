package flailbeat.app.view.base;

import flailbeat.core.session.person.Appearance.Colours;
import flailbeat.core.session.person.Appearance.Kept;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import javafx.application.ColorScheme;
import javafx.application.Platform;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.scene.text.Font;

/** The fonts and the style sheets that ship with the application. */
public final class Look {
  private static final String[] FONTS = {
    "Lato-Regular.ttf", "Lato-Bold.ttf", "JetBrainsMono-Regular.ttf", "JetBrainsMono-Bold.ttf"
  };

  /** A sheet for each room of the window; before them goes the one that names the colours. */
  private static final List<String> SHEETS =
      List.of("base", "controls", "top", "bench", "pages", "run", "deck");

  private static final List<Integer> ICONS = List.of(16, 24, 32, 48, 64, 128, 256);

  /** Has a ground; what pops up over a window has none. */
  private static final String OF_A_WINDOW = "window-root";

  private static final double ROOT_SIZE = 13;

  private Look() {}

  /** Loads the fonts and gives a scene the style sheets, by day. */
  public static void dress(Scene scene) {
    for (String font : FONTS) {
      load(font);
    }
    scene.getStylesheets().add(sheet("day"));
    SHEETS.forEach(s -> scene.getStylesheets().add(sheet(s)));
    scene.getRoot().getStyleClass().add(OF_A_WINDOW);
  }

  /** Gives a dialog the look of the window that it stands before. */
  public static void dressAs(Scene owner, Parent dialog) {
    dialog.getStylesheets().setAll(owner.getStylesheets());
    dialog.getStyleClass().add(OF_A_WINDOW);
    dialog.setStyle(owner.getRoot().getStyle());
  }

  /** Gives a scene that is dressed other colours, and other sizes of texts. */
  public static void change(Scene scene, Kept wanted) {
    Parent root = scene.getRoot();
    String colours = sheet(sheetOf(wanted.colours()));
    if (!scene.getStylesheets().get(0).equals(colours)) {
      scene.getStylesheets().set(0, colours);
    }
    String size = "-fx-font-size: " + ROOT_SIZE * wanted.text() / 100 + "px";
    if (!size.equals(root.getStyle())) {
      root.setStyle(size);
    }
  }

  /** The application's sign in all sizes. */
  public static List<Image> icons() {
    return ICONS.stream().map(size -> new Image(resource("icon/" + size + ".png"))).toList();
  }

  private static String sheetOf(Colours colours) {
    return switch (colours) {
      case SYSTEM ->
          Platform.getPreferences().getColorScheme() == ColorScheme.DARK ? "night" : "day";
      case DAY -> "day";
      case NIGHT -> "night";
      case CONTRAST -> "contrast";
    };
  }

  private static String sheet(String name) {
    return resource("look/" + name + ".css");
  }

  private static String resource(String name) {
    return Look.class.getResource("/flailbeat/app/" + name).toExternalForm();
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
