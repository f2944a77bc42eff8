package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Group;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.EventList;
import java.util.List;

/** The list of events, by keys. */
public final class ListCommands {
  private final EventList events;
  private final Runnable editValue;

  /**
   * The commands.
   *
   * @param editValue types over the value of the first selected event
   */
  public ListCommands(Session session, Runnable editValue) {
    this.events = session.events();
    this.editValue = editValue;
  }

  public List<Command> list() {
    return List.of(
        step("list-next", "In the list, go to the row after", "Shift+Page Down", 1, false),
        step("list-previous", "In the list, go to the row before", "Shift+Page Up", -1, false),
        step("list-add-next", "In the list, select the row after too", "", 1, true),
        step("list-add-previous", "In the list, select the row before too", "", -1, true),
        of(
            Group.LIST,
            "list-value",
            "In the list, type over the value of the selected row",
            "",
            editValue),
        of(
            Group.LIST,
            "list-filter",
            "In the list, show all, notes or controllers",
            "",
            events::nextFilter),
        of(
            Group.LIST,
            "list-order",
            "Put the list in order of its next column",
            "",
            events::nextOrder),
        of(Group.LIST, "list-turn", "Turn the order of the list", "", events::turnOrder));
  }

  private Command step(String id, String title, String keys, int direction, boolean extend) {
    return of(Group.LIST, id, title, keys, () -> events.step(direction, extend)).repeating();
  }
}
