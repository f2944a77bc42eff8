package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Group;
import flailbeat.app.shell.keys.KeyPapers;
import flailbeat.app.shell.keys.KeysOverlay;
import flailbeat.app.view.base.MiddleView;
import flailbeat.app.view.page.SidePane;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.model.Clip;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.session.Session;
import flailbeat.core.session.person.Folds.WindowPart;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Supplier;

/** What is in sight, and help. */
public final class ViewCommands {
  private static final double STEP = 1.25;

  private ViewCommands() {}

  public static List<Command> list(
      Session session,
      Supplier<MiddleView> middle,
      SidePane pages,
      Runnable largeMap,
      Runnable find,
      Runnable lookUp,
      Runnable toControls,
      Supplier<KeysOverlay> sheet,
      Supplier<KeyPapers> papers) {
    List<Command> all =
        new ArrayList<>(
            List.of(
                of(
                        Group.EDIT,
                        "mouse-cancel",
                        "Take back what the mouse holds",
                        "Esc",
                        () -> middle.get().cancelMouse())
                    .in(KeyContext.MOUSE),
                of(Group.VIEW, "fit", "Show all of it", "", () -> middle.get().fit())
                    .plain("F")
                    .onCap("fit"),
                of(
                        Group.VIEW,
                        "show-selected",
                        "Show what is selected",
                        "",
                        () -> showSelected(session, middle.get()))
                    .plain("W")
                    .onCap("selected"),
                of(
                        Group.VIEW,
                        "show-before",
                        "Show again what was in sight before",
                        "",
                        () -> middle.get().zoomBack())
                    .plain("Q")
                    .onCap("back"),
                of(Group.MAP, "map-large", "The large song map, or the bench", "F10", largeMap),
                of(Group.VIEW, "larger", "Larger", "", () -> middle.get().zoom(STEP))
                    .plain("=")
                    .repeating()
                    .onCap("larger"),
                of(Group.VIEW, "smaller", "Smaller", "", () -> middle.get().zoom(1 / STEP))
                    .plain("-")
                    .repeating()
                    .onCap("smaller")));
    pages
        .pages()
        .forEach(
            p -> all.add(of(Group.PAGES, p.command(), p.title(), p.keys(), () -> pages.turnTo(p))));
    all.addAll(
        List.of(
            of(
                Group.LOOKS,
                "colours-next",
                "Other colours: by day, by night, high contrast, as the system",
                "Shift+F8",
                () -> nextColours(session)),
            of(
                Group.LOOKS,
                "latching",
                "What lasts while keys are held stays until they are pressed again, or not",
                "",
                () -> latching(session)),
            of(
                Group.LOOKS,
                "text-larger",
                "Larger texts",
                "Ctrl+Alt+=",
                () -> session.person().appearance().stepText(1)),
            of(
                Group.LOOKS,
                "text-smaller",
                "Smaller texts",
                "Ctrl+Alt+-",
                () -> session.person().appearance().stepText(-1)),
            folding(session, "fold-deck", "Fold the key deck, or unfold it", "F8", WindowPart.DECK),
            folding(
                session,
                "fold-pages",
                "Fold the pages at the right, or unfold them",
                "F9",
                WindowPart.PAGES),
            folding(
                session, "fold-map", "Fold the song map, or unfold it", "Shift+F9", WindowPart.MAP),
            of(
                Group.HELP,
                "keys-sheet",
                "The keys, on one sheet",
                "F1",
                () -> sheet.get().toggle()),
            of(
                    Group.HELP,
                    "keys-sheet-close",
                    "Put the sheet away",
                    "Esc",
                    () -> sheet.get().close())
                .in(KeyContext.SHEET),
            of(
                Group.HELP,
                "keys-print",
                "Print the keys...",
                "",
                () -> papers.get().print(pages.getScene().getWindow())),
            of(
                Group.HELP,
                "keys-page-save",
                "Save the keys as a page...",
                "",
                () -> papers.get().savePage()),
            of(Group.HELP, "find-command", "Find a command...", "F4", find),
            of(Group.HELP, "help", "Look something up in the help...", "Shift+F3", lookUp),
            of(
                Group.HELP,
                "first-steps",
                "What is useful next, for newcomers, or no more of it",
                "Shift+F4",
                session.person().firstSteps()::toggle),
            of(Group.HELP, "controls", "Lead the keys into the controls", "Shift+F2", toControls)));
    return all;
  }

  private static void showSelected(Session session, MiddleView middle) {
    Set<NoteId> notes = session.document().scope().selected().notes();
    List<Clip> clips = session.clips().choice().clips();
    if (!notes.isEmpty() && !session.clips().choice().areMeant()) {
      middle.show(NoteTools.range(NoteEdits.find(session.document().track(), notes)));
    } else if (!clips.isEmpty()) {
      middle.show(clips.stream().map(Clip::range).reduce(TickRange::span).orElseThrow());
    }
  }

  private static void latching(Session session) {
    boolean on = !session.person().ease().isLatching();
    session.person().ease().setLatching(on);
    session
        .notices()
        .tell(
            on
                ? "Keys that are held latch: the same keys again, or Esc, end it"
                : "What lasts while keys are held ends as they come up");
  }

  private static void nextColours(Session session) {
    session.person().appearance().nextColours();
    session.notices().tell("Colours " + session.person().appearance().kept().colours().words());
  }

  private static Command folding(
      Session session, String id, String title, String keys, WindowPart room) {
    return of(Group.VIEW, id, title, keys, () -> session.person().folds().toggle(room));
  }
}
