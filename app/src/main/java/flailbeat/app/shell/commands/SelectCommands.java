package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Amount;
import flailbeat.app.command.Command;
import flailbeat.app.command.Group;
import flailbeat.app.command.Need;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.SelectActions;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;

/** How notes come to be selected by commands. */
public final class SelectCommands {
  private final Session session;
  private final Needs needs;
  private final SelectActions selecting;
  private final Meant meant;

  public SelectCommands(Session session) {
    this.session = session;
    this.needs = new Needs(session);
    this.selecting = session.selecting();
    this.meant = new Meant(session);
  }

  public List<Command> list() {
    List<Command> all = new ArrayList<>();
    all.addAll(many());
    all.addAll(ofChords());
    all.addAll(Command.under(Group.MEASURE, byMeasure()));
    all.addAll(oneByOne());
    return all;
  }

  private Command select(String id, String title, Runnable press) {
    return of(Group.SELECT, id, title, "", press).when(needs.notes());
  }

  private Command select(
      String id, String title, int least, int most, int standard, IntConsumer press) {
    Amount amount = NoteCommands.amount(session, id, least, most, standard);
    return select(id, title, () -> press.accept(amount.now().getAsInt())).by(amount);
  }

  private List<Command> many() {
    return List.of(
        of(Group.SELECT, "select-none", "Select nothing", "Alt+N", selecting::none)
            .when(Need.of(() -> !session.document().selection().isEmpty(), "nothing is selected")),
        of(Group.SELECT, "select-others", "Select the others instead", "Alt+I", selecting::others),
        select("select-like", "Select all like this one", selecting::like).plain("Shift+A"),
        select("select-names", "Select these pitches in every octave", selecting::sameNames),
        select("select-after", "Select all from where playing starts", () -> selecting.from(1)),
        select(
            "select-before", "Select all before where playing starts", () -> selecting.from(-1)));
  }

  private List<Command> ofChords() {
    return List.of(
        select("select-highest", "Select the highest of each chord", selecting::highest),
        select("select-middle", "Select the middle of each chord", selecting::middle),
        select("select-lowest", "Select the lowest of each chord", selecting::lowest));
  }

  private List<Command> byMeasure() {
    return List.of(
        select(
            "select-off", "Select notes over # ms off the lines", 0, 500, 20, selecting::offLines),
        select(
            "select-on", "Select notes within # ms of the lines", 0, 500, 20, selecting::onLines),
        select("select-shorter", "Select notes under # ms long", 1, 2000, 60, selecting::shorter),
        select("select-softer", "Select notes softer than #", 2, 127, 40, selecting::softer),
        select("select-one-in", "Select one note in #", 2, 64, 2, selecting::oneIn));
  }

  private List<Command> oneByOne() {
    return List.of(
        of(
                Group.ONE_BY_ONE,
                "note-next",
                "Go to the next note, or clip",
                "",
                meant.either(c -> c.choice().step(1), () -> selecting.step(1, false)))
            .plain("Tab")
            .repeating(),
        of(
                Group.ONE_BY_ONE,
                "note-previous",
                "Go to the note before, or clip",
                "",
                meant.either(c -> c.choice().step(-1), () -> selecting.step(-1, false)))
            .plain("Shift+Tab")
            .repeating(),
        of(
                Group.ONE_BY_ONE,
                "note-next-too",
                "Select the next note too",
                "",
                () -> selecting.step(1, true))
            .plain("N")
            .repeating()
            .onCap("next too"),
        of(
                Group.ONE_BY_ONE,
                "note-previous-too",
                "Select the note before too",
                "",
                () -> selecting.step(-1, true))
            .plain("B")
            .repeating()
            .onCap("before too"));
  }
}
