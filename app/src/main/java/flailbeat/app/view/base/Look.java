package flailbeat.app.view.base;

import flailbeat.core.session.person.Appearance.Colours;
import flailbeat.core.session.person.Appearance.Kept;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import javafx.application.ColorScheme;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.scene.text.Font;

/** The fonts and the style sheets that ship with the application. */
public final class Look {
  private static final String[] FONTS = {
    "Lato-Regular.ttf", "Lato-Bold.ttf", "JetBrainsMono-Regular.ttf", "JetBrainsMono-Bold.ttf"
  };

  /** Three that name the colours, of which the root's state chooses; then one for each room. */
  private static final List<String> SHEETS =
      List.of(
          "day", "night", "contrast", "base", "controls", "top", "bench", "pages", "run", "deck");

  private static final List<Integer> ICONS = List.of(16, 24, 32, 48, 64, 128, 256);

  /** Names the colours; what pops up over a window finds them in the window's root. */
  private static final String OF_A_WINDOW = "window-root";

  private static final PseudoClass NIGHT = PseudoClass.getPseudoClass("night");
  private static final PseudoClass CONTRAST = PseudoClass.getPseudoClass("contrast");

  private static final double ROOT_SIZE = 13;

  private Look() {}

  /** Loads the fonts and gives a scene the style sheets, by day. */
  public static void dress(Scene scene) {
    for (String font : FONTS) {
      load(font);
    }
    SHEETS.forEach(s -> scene.getStylesheets().add(sheet(s)));
    scene.getRoot().getStyleClass().add(OF_A_WINDOW);
  }

  /** Gives a dialog the look of the window that it stands before. */
  public static void dressAs(Scene owner, Parent dialog) {
    dialog.getStylesheets().setAll(owner.getStylesheets());
    dialog.getStyleClass().add(OF_A_WINDOW);
    dialog.setStyle(owner.getRoot().getStyle());
    for (PseudoClass state : List.of(NIGHT, CONTRAST)) {
      boolean on = owner.getRoot().getPseudoClassStates().contains(state);
      dialog.pseudoClassStateChanged(state, on);
    }
  }

  /** Gives a scene that is dressed other colours, and other sizes of texts. */
  public static void change(Scene scene, Kept wanted) {
    Parent root = scene.getRoot();
    Colours shown = shown(wanted.colours());
    root.pseudoClassStateChanged(NIGHT, shown == Colours.NIGHT);
    root.pseudoClassStateChanged(CONTRAST, shown == Colours.CONTRAST);
    String size = "-fx-font-size: " + ROOT_SIZE * wanted.text() / 100 + "px";
    if (!size.equals(root.getStyle())) {
      root.setStyle(size);
    }
  }

  /** The application's sign in all sizes. */
  public static List<Image> icons() {
    return ICONS.stream().map(size -> new Image(resource("icon/" + size + ".png"))).toList();
  }

  private static Colours shown(Colours wanted) {
    boolean dark = Platform.getPreferences().getColorScheme() == ColorScheme.DARK;
    return wanted != Colours.SYSTEM ? wanted : dark ? Colours.NIGHT : Colours.DAY;
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
