package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Amount;
import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Group;
import flailbeat.app.command.Need;
import flailbeat.core.chore.Chore;
import flailbeat.core.chore.Cleanup;
import flailbeat.core.chore.Reach;
import flailbeat.core.session.Session;
import flailbeat.core.session.chores.ChoreTrial;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Chores: each command shows what it would do; another does it. */
public final class ChoreCommands {
  private static final int MOST_OWN = 99;

  private final ChoreTrial chores;
  private int chosen = 1;

  public ChoreCommands(Session session) {
    this.chores = session.chores();
  }

  public List<Command> list() {
    List<Command> all = new ArrayList<>();
    all.add(
        of(Group.CHORES, "chore-do", "Do the chore that is shown", "Alt+Enter", chores::carryOut)
            .plain("Enter")
            .when(Need.of(chores::isTrying, "choose a chore first ({page-chores})")));
    all.add(
        of(Group.CHORES, "chore-leave", "Leave the chore that is shown", "Esc", chores::leave)
            .in(KeyContext.TRIAL));
    for (Cleanup each : Cleanup.values()) {
      all.add(cleanup(each));
    }
    Amount number =
        new Amount(
            1,
            MOST_OWN,
            this::nameOf,
            () -> Math.clamp(chosen, 1, MOST_OWN),
            value -> chosen = value);
    all.add(
        of(Group.CHORES, "chore-own", "Chore of your own: #", "", this::tryOwn)
            .by(number)
            .when(
                Need.of(
                    () -> !names().isEmpty(), "you have made none: the page Chores makes one")));
    for (Reach reach : Reach.values()) {
      all.add(
          of(
              Group.CHORE_REACH,
              "chore-reach-" + reach.name().toLowerCase(Locale.ROOT),
              "Chores work on the " + reach.title().toLowerCase(Locale.ROOT),
              "",
              () -> chores.setReach(reach)));
    }
    return all;
  }

  private Command cleanup(Cleanup cleanup) {
    String title = cleanup.title();
    Command plain =
        of(
            cleanup.isOnChords() ? Group.CHORD_CHORES : Group.CHORES,
            "chore-" + cleanup.id(),
            "Chore: " + title.substring(0, 1).toLowerCase(Locale.ROOT) + title.substring(1),
            "",
            () -> chores.tryOut(cleanup));
    return cleanup.hasAmount()
        ? plain.by(
            new Amount(
                cleanup.least(),
                cleanup.most(),
                String::valueOf,
                () -> chores.amount(cleanup),
                n -> chores.setAmount(cleanup, n)))
        : plain;
  }

  private List<String> names() {
    return List.copyOf(chores.own().all().keySet());
  }

  private String nameOf(int number) {
    return number <= names().size() ? names().get(number - 1) : "none";
  }

  private void tryOwn() {
    List<String> names = names();
    String name = names.get(Math.min(chosen, names.size()) - 1);
    Chore chore = chores.own().all().get(name);
    chores.tryOut(name, chore);
  }
}
