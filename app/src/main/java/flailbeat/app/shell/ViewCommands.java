package flailbeat.app.shell;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.Group;
import flailbeat.app.view.SidePane;
import flailbeat.app.view.bench.BenchView;
import java.util.List;

/** What is in sight, and help. */
final class ViewCommands {
  private static final double STEP = 1.25;

  private ViewCommands() {}

  static List<Command> list(BenchView bench, SidePane pages, Runnable find, Runnable sheet) {
    return List.of(
        of(Group.VIEW, "fit", "Show the whole track", "", bench::fit).plain("F").onCap("fit"),
        of(Group.VIEW, "larger", "Larger", "", () -> bench.zoom(STEP))
            .plain("=")
            .repeating()
            .onCap("larger"),
        of(Group.VIEW, "smaller", "Smaller", "", () -> bench.zoom(1 / STEP))
            .plain("-")
            .repeating()
            .onCap("smaller"),
        of(Group.VIEW, "velocity-lane", "Show or put away the velocity lane", "", bench::toggleLane)
            .plain("V")
            .onCap("velocity"),
        of(
            Group.VIEW,
            "page-timing",
            "The page Timing",
            "F5",
            () -> pages.show(SidePane.Page.TIMING)),
        of(Group.VIEW, "page-hands", "The page Hands", "F6", () -> pages.show(SidePane.Page.HANDS)),
        of(
            Group.VIEW,
            "page-recording",
            "The page Recording",
            "F7",
            () -> pages.show(SidePane.Page.RECORDING)),
        of(Group.HELP, "keys-sheet", "The keys, on one sheet", "F1", sheet),
        of(Group.HELP, "find-command", "Find a command...", "F4", find));
  }
}
