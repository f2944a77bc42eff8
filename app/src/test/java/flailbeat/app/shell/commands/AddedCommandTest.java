package flailbeat.app.shell.commands;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import flailbeat.app.command.Found;
import flailbeat.app.command.Group;
import flailbeat.app.command.KeyAsk;
import flailbeat.app.command.KeySheet;
import flailbeat.app.shell.keys.Finder;
import flailbeat.app.shell.keys.KeySheetPane;
import flailbeat.app.view.page.KeysPage;
import flailbeat.audio.AudioEngine;
import flailbeat.core.session.Session;
import flailbeat.core.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** A command is added to the table in two lines, and is everywhere. */
class AddedCommandTest {
  private final Session session = new Session(Clock.SYSTEM, AudioEngine.silent(Clock.SYSTEM));
  private Commands table;

  @BeforeAll
  static void startToolkit() throws Exception {
    FxToolkit.registerPrimaryStage();
  }

  private static <T> T on(Callable<T> work) throws Exception {
    return WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, WaitForAsyncUtils.asyncFx(work));
  }

  @Test
  void it_is_in_menu_finder_sheet_keys_page_and_on_the_page_of_keys() throws Exception {
    List<Command> all = new ArrayList<>(new EditCommands(session).list());
    all.addAll(new CaptureCommands(session, () -> {}, () -> {}).list());
    all.add(Command.of(Group.EDIT, "turn-round", "Turn the notes round", "Ctrl+R", () -> {}));
    table = new Commands(all);
    assertThat(on(this::menuTitles)).contains("Turn the notes round Ctrl+R");
    assertThat(on(() -> foundBy("turn ro"))).containsExactly("turn-round");
    assertThat(on(this::sheetLabels)).contains("Turn the notes round", "Ctrl+R");
    assertThat(on(this::listedOnPage)).contains("turn-round");
    assertThat(KeySheet.markdown(table)).contains("| Turn the notes round | `Ctrl+R` |");
  }

  private List<String> menuTitles() {
    return new CommandMenus(table, c -> {})
        .getMenus().stream()
            .map(Menu::getItems)
            .flatMap(List::stream)
            .filter(i -> i.getAccelerator() != null)
            .map(AddedCommandTest::titleAndKey)
            .toList();
  }

  private static String titleAndKey(MenuItem item) {
    return item.getText() + " " + item.getAccelerator().getDisplayText();
  }

  @SuppressWarnings("unchecked")
  private List<String> foundBy(String words) {
    Finder finder = new Finder(table, session.person().commandUse(), () -> "");
    Scene scene = new Scene(finder);
    finder.open();
    ((TextField) scene.lookup("#finder-words")).setText(words);
    ListView<Found> found = (ListView<Found>) scene.lookup("#finder-found");
    return found.getItems().stream().map(f -> f.command().id()).toList();
  }

  private List<String> sheetLabels() {
    KeySheetPane sheet = new KeySheetPane();
    sheet.fill("Keys", table, KeyContext.PLAY, KeySheetPane.InSight.ANY);
    return labels(new Scene(sheet).getRoot());
  }

  private static List<String> labels(Parent root) {
    root.applyCss();
    return root.lookupAll(".label").stream().map(l -> ((Label) l).getText()).toList();
  }

  @SuppressWarnings("unchecked")
  private List<String> listedOnPage() {
    KeysPage page = new KeysPage(session, table, new KeyAsk(table, session), () -> {}, () -> {});
    return ((ListView<String>) new Scene(page).lookup("#keys-list")).getItems();
  }
}
