package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Amount;
import flailbeat.app.command.Command;
import flailbeat.app.command.Group;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.control.ControllerNames;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.LaneActions;
import flailbeat.core.session.bench.LaneActions.Shown;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;

/** The lanes under the roll, and what they show: velocities and controllers. */
public final class LaneCommands {
  private static final int MOST_NUMBER = 119;

  private final Session session;
  private final LaneActions lanes;
  private final Runnable panel;

  public LaneCommands(Session session, Runnable panel) {
    this.session = session;
    this.panel = panel;
    this.lanes = session.lanes();
  }

  public List<Command> list() {
    List<Command> all = new ArrayList<>();
    all.add(
        of(Group.LANES, "lanes", "Show the lanes, or put them away", "", lanes::fold)
            .plain("V")
            .onCap("lanes"));
    all.add(
        of(Group.VELOCITY, "note-panel", "Exact values of notes, in a row", "Alt+E", panel)
            .plain("E")
            .onCap("values"));
    all.add(
        of(
                Group.VELOCITY,
                "shade",
                "Shade what passes, with the mouse over a lane",
                "Alt+V",
                session.shading()::press)
            .until(session.shading()::release));
    all.add(lane("lane-velocity", "Lane of the velocities", Shown.VELOCITIES));
    all.add(lane("lane-sustain", "Lane of the sustain pedal", Shown.of(Controller.SUSTAIN)));
    all.add(lane("lane-expression", "Lane of expression", Shown.of(Controller.EXPRESSION)));
    all.add(lane("lane-modulation", "Lane of modulation", Shown.of(Controller.MODULATION)));
    all.add(lane("lane-bend", "Lane of the pitch bend", Shown.of(Controller.BEND)));
    all.add(lane("lane-pressure", "Lane of channel pressure", Shown.of(Controller.PRESSURE)));
    Amount number =
        NoteCommands.amount(
            session, "lane-number", 0, MOST_NUMBER, 7, n -> n + " (" + ControllerNames.of(n) + ")");
    all.add(
        of(
                Group.LANES,
                "lane-number",
                "Lane of controller #",
                "",
                () -> lanes.toggle(Shown.of(Controller.numbered(number.now().getAsInt()))))
            .by(number));
    all.add(
        of(
            Group.CURVES,
            "lane-steps",
            "Draw controllers in steps, or as the hand goes",
            "",
            lanes::toggleSteps));
    Amount tolerance = NoteCommands.amount(session, "thin", 1, 64, 2);
    all.add(
        of(
                Group.CURVES,
                "thin",
                "Thin the controllers of the lanes, # off at most",
                "",
                () -> lanes.thin(tolerance.now().getAsInt()))
            .by(tolerance));
    all.addAll(Command.under(Group.CURVES, stretches()));
    all.addAll(Command.under(Group.VELOCITY, velocities()));
    return all;
  }

  /** What is done to the lanes' controllers over the loop. */
  private List<Command> stretches() {
    Amount percent = NoteCommands.amount(session, "stretch-scale", 0, 400, 80);
    return List.of(
        of(
                Group.LANES,
                "stretch-scale",
                "Controllers of the lanes to # % where it goes round",
                "",
                () -> lanes.scaleStretch(percent.now().getAsInt()))
            .by(percent),
        stretch(
            "stretch-later", "Controllers of the lanes later, where it goes round", () -> move(1)),
        stretch(
            "stretch-earlier",
            "Controllers of the lanes earlier, where it goes round",
            () -> move(-1)),
        stretch(
            "stretch-copy",
            "Copy the controllers from where it goes round to where playing starts",
            () -> lanes.copyStretch(session.runControl().playStartTicks())),
        stretch(
            "stretch-erase",
            "Erase the controllers of the lanes where it goes round",
            lanes::eraseStretch));
  }

  private void move(int steps) {
    lanes.moveStretch(steps, session.timing().grid().finestTicks());
  }

  private static Command stretch(String id, String title, Runnable press) {
    return of(Group.LANES, id, title, "", press);
  }

  private Command lane(String id, String title, Shown lane) {
    return of(Group.LANES, id, title, "", () -> lanes.toggle(lane));
  }

  private List<Command> velocities() {
    return List.of(
        velocity("velocity-set", "Velocity # for all", 1, 127, 80, lanes::setVelocity),
        velocity("velocity-louder", "Louder by #", 1, 126, 8, lanes::addVelocity),
        velocity("velocity-softer", "Softer by #", 1, 126, 8, n -> lanes.addVelocity(-n)),
        velocity(
            "velocity-scale", "Velocities to # % of themselves", 1, 400, 90, lanes::scaleVelocity),
        velocity(
            "velocity-squeeze",
            "Squeeze velocities to # % about their mean",
            0,
            300,
            50,
            lanes::squeezeVelocity),
        velocity("velocity-ramp", "Ramp velocities to #", 1, 127, 110, lanes::rampVelocity),
        velocity("velocity-sway", "Sway velocities by # at random", 1, 60, 6, lanes::swayVelocity),
        velocity(
            "velocity-accents", "Accents of # on the beats of the bar", 1, 60, 15, lanes::accent),
        of(
                Group.VELOCITY,
                "velocity-smooth",
                "Smooth velocities over their neighbours",
                "",
                lanes::smoothVelocity)
            .when(new Needs(session).notes()));
  }

  private Command velocity(
      String id, String title, int least, int most, int standard, IntConsumer press) {
    Amount amount = NoteCommands.amount(session, id, least, most, standard);
    return of(Group.LANES, id, title, "", () -> press.accept(amount.now().getAsInt()))
        .when(new Needs(session).notes())
        .by(amount);
  }
}
