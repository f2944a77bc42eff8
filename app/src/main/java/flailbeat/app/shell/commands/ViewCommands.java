package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.Group;
import flailbeat.app.command.Command.Where;
import flailbeat.app.shell.keys.KeyPapers;
import flailbeat.app.shell.keys.KeysOverlay;
import flailbeat.app.view.bench.BenchView;
import flailbeat.app.view.page.SidePane;
import flailbeat.core.session.Session;
import flailbeat.core.session.person.Folds.WindowPart;
import java.util.List;
import java.util.function.Supplier;

/** What is in sight, and help. */
public final class ViewCommands {
  private static final double STEP = 1.25;

  private ViewCommands() {}

  public static List<Command> list(
      Session session,
      BenchView bench,
      SidePane pages,
      Runnable find,
      Supplier<KeysOverlay> sheet,
      Supplier<KeyPapers> papers) {
    return List.of(
        of(Group.EDIT, "mouse-cancel", "Take back what the mouse holds", "Esc", bench::cancelMouse)
            .in(Where.MOUSE),
        of(Group.VIEW, "fit", "Show the whole track", "", bench::fit).plain("F").onCap("fit"),
        of(Group.VIEW, "larger", "Larger", "", () -> bench.zoom(STEP))
            .plain("=")
            .repeating()
            .onCap("larger"),
        of(Group.VIEW, "smaller", "Smaller", "", () -> bench.zoom(1 / STEP))
            .plain("-")
            .repeating()
            .onCap("smaller"),
        of(
            Group.VIEW,
            "page-timing",
            "The page Timing",
            "F5",
            () -> show(session, pages, SidePane.Page.TIMING)),
        of(
            Group.VIEW,
            "page-hands",
            "The page Hands",
            "F6",
            () -> show(session, pages, SidePane.Page.HANDS)),
        of(
            Group.VIEW,
            "page-recording",
            "The page Recording",
            "F7",
            () -> show(session, pages, SidePane.Page.RECORDING)),
        of(
            Group.VIEW,
            "page-drawing",
            "The page Drawing",
            "Shift+F7",
            () -> show(session, pages, SidePane.Page.DRAWING)),
        of(
            Group.VIEW,
            "page-list",
            "The page List, of all events",
            "Shift+F5",
            () -> show(session, pages, SidePane.Page.LIST)),
        of(
            Group.VIEW,
            "page-chores",
            "The page Chores",
            "Shift+F6",
            () -> show(session, pages, SidePane.Page.CHORES)),
        of(
            Group.VIEW,
            "page-keys",
            "The page Keys: other keys for commands",
            "Shift+F1",
            () -> show(session, pages, SidePane.Page.KEYS)),
        folding(session, "fold-deck", "Fold the key deck, or unfold it", "F8", WindowPart.DECK),
        folding(
            session,
            "fold-pages",
            "Fold the pages at the right, or unfold them",
            "F9",
            WindowPart.PAGES),
        folding(session, "fold-map", "Fold the song map, or unfold it", "Shift+F9", WindowPart.MAP),
        of(Group.HELP, "keys-sheet", "The keys, on one sheet", "F1", () -> sheet.get().toggle()),
        of(Group.HELP, "keys-sheet-close", "Put the sheet away", "Esc", () -> sheet.get().close())
            .in(Where.SHEET),
        of(
            Group.HELP,
            "keys-print",
            "Print the keys...",
            "",
            () -> papers.get().print(bench.getScene().getWindow())),
        of(
            Group.HELP,
            "keys-page-save",
            "Save the keys as a page...",
            "",
            () -> papers.get().savePage()),
        of(Group.HELP, "find-command", "Find a command...", "F4", find));
  }

  private static Command folding(
      Session session, String id, String title, String keys, WindowPart room) {
    return of(Group.VIEW, id, title, keys, () -> session.folds().toggle(room));
  }

  /** Turns to a page; pages that are folded are unfolded. */
  public static void show(Session session, SidePane pages, SidePane.Page page) {
    session.folds().fold(WindowPart.PAGES, false);
    pages.show(page);
  }
}
