package flailbeat.app.view.base;

import flailbeat.core.session.person.Appearance.Colours;
import flailbeat.core.session.person.Appearance.Kept;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import javafx.application.ColorScheme;
import javafx.application.Platform;
import javafx.collections.ListChangeListener;
import javafx.collections.WeakListChangeListener;
import javafx.css.PseudoClass;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.scene.text.Font;
import javafx.stage.PopupWindow;
import javafx.stage.Stage;
import javafx.stage.Window;

/** The fonts and the style sheets that ship with the application. */
public final class Look {
  private static final String[] FONTS = {
    "Lato-Regular.ttf", "Lato-Bold.ttf", "JetBrainsMono-Regular.ttf", "JetBrainsMono-Bold.ttf"
  };

  /**
   * Those that name the colours go first, by day and as states of a root; then one for each room.
   */
  private static final List<String> SHEETS =
      List.of(
          "day", "night", "contrast", "base", "controls", "top", "bench", "pages", "run", "deck");

  /** States of a root; it has none of them by day. */
  private static final List<PseudoClass> STATES =
      List.of(PseudoClass.getPseudoClass("night"), PseudoClass.getPseudoClass("contrast"));

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
    SHEETS.forEach(s -> scene.getStylesheets().add(sheet(s)));
    scene.getRoot().getStyleClass().add(OF_A_WINDOW);
  }

  /**
   * Gives whatever pops up over a scene, menus and hints and dialogs, the colours that the scene
   * has then: each is a window with a root of its own.
   */
  public static void followOver(Scene scene) {
    ListChangeListener<Window> follower =
        change -> {
          while (change.next()) {
            change.getAddedSubList().stream()
                .filter(w -> isOver(w, scene.getWindow()))
                .forEach(w -> copyState(scene.getRoot(), w.getScene().getRoot()));
          }
        };
    // It lives as long as the scene does.
    scene.getRoot().getProperties().put(Look.class, follower);
    Window.getWindows().addListener(new WeakListChangeListener<>(follower));
  }

  private static boolean isOver(Window window, Window below) {
    Window owner =
        switch (window) {
          case PopupWindow popup -> popup.getOwnerWindow();
          case Stage stage -> stage.getOwner();
          default -> null;
        };
    return owner != null && (owner == below || isOver(owner, below));
  }

  private static void copyState(Parent from, Parent to) {
    STATES.forEach(s -> to.pseudoClassStateChanged(s, from.getPseudoClassStates().contains(s)));
  }

  /** Gives a dialog the look of the window that it stands before. */
  public static void dressAs(Scene owner, Parent dialog) {
    dialog.getStylesheets().setAll(owner.getStylesheets());
    dialog.getStyleClass().add(OF_A_WINDOW);
    dialog.setStyle(owner.getRoot().getStyle());
    copyState(owner.getRoot(), dialog);
  }

  /** Gives a scene that is dressed other colours, and other sizes of texts. */
  public static void change(Scene scene, Kept wanted) {
    Parent root = scene.getRoot();
    String state = stateOf(wanted.colours());
    STATES.forEach(s -> root.pseudoClassStateChanged(s, s.getPseudoClassName().equals(state)));
    String size = "-fx-font-size: " + ROOT_SIZE * wanted.text() / 100 + "px";
    if (!size.equals(root.getStyle())) {
      root.setStyle(size);
    }
  }

  /** The application's sign in all sizes. */
  public static List<Image> icons() {
    return ICONS.stream().map(size -> new Image(resource("icon/" + size + ".png"))).toList();
  }

  private static String stateOf(Colours colours) {
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
