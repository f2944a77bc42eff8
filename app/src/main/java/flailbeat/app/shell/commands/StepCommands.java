package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Group;
import flailbeat.app.command.Need;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.StepEntry;
import flailbeat.core.step.StepLength;
import flailbeat.core.step.StepSettings;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;

/** Entering a part a step at a time. */
public final class StepCommands {
  /** The digit of each length: its denominator's or, of 16 and 32, one of those. */
  private static final Map<Integer, PhysicalKey> DIGITS =
      new TreeMap<>(
          Map.of(
              1, PhysicalKey.DIGIT_1,
              2, PhysicalKey.DIGIT_2,
              4, PhysicalKey.DIGIT_4,
              8, PhysicalKey.DIGIT_8,
              16, PhysicalKey.DIGIT_6,
              32, PhysicalKey.DIGIT_3,
              64, PhysicalKey.DIGIT_5));

  private final StepEntry steps;
  private final Runnable pattern;
  private final BooleanSupplier atSteps;

  /**
   * The commands.
   *
   * @param pattern shows what is asked before a pattern is filled in
   */
  public StepCommands(Session session, Runnable pattern) {
    this.steps = session.steps();
    this.atSteps = () -> session.performer().keysMode() == KeysMode.STEPS;
    this.pattern = pattern;
  }

  public List<Command> list() {
    List<Command> all = new ArrayList<>();
    all.addAll(entering());
    all.addAll(Command.under(Group.STEP_LENGTHS, lengths()));
    all.addAll(Command.under(Group.STEP_CURSOR, cursor()));
    all.addAll(switches());
    return all;
  }

  /** One that means something at Steps alone: at other positions menus show it as unavailable. */
  private Command step(String id, String title, String keys, Runnable press) {
    return of(Group.STEPS, id, title, keys, press)
        .in(KeyContext.STEPS)
        .when(Need.of(atSteps, "give the letter keys to step entry first ({keys-steps})"));
  }

  private List<Command> entering() {
    return List.of(
        step("step-advance", "Enter what is held, lengthen it, or rest", "Right", steps::advance)
            .repeating(),
        step("step-back", "Shorten what is held, or go back a step", "Left", steps::back)
            .repeating(),
        step("step-remove", "Remove the last step", "Backspace", steps::remove).repeating(),
        step("step-repeat", "Enter the last step again", "Enter", steps::repeatLast).repeating(),
        step("step-tie", "Tie the last step to one more length", "Shift+Right", steps::tie)
            .repeating(),
        step("step-fill", "Repeat the last steps as a pattern", "Ctrl+Enter", steps::fill),
        step("step-pattern", "Choose the pattern of steps to repeat...", "Shift+Enter", pattern));
  }

  private List<Command> lengths() {
    List<Command> all = new ArrayList<>();
    DIGITS.forEach(
        (denominator, place) ->
            all.add(
                step(
                        "step-1-" + denominator,
                        "Steps of 1/" + denominator,
                        "",
                        () -> steps.chooseLength(StepLength.of(denominator)))
                    .at(place)
                    .onCap("1/" + denominator)));
    all.add(
        step("step-dot", "Dotted, or not", "", () -> steps.changeLength(StepLength::dotted))
            .at(PhysicalKey.PERIOD)
            .onCap("dot"));
    all.add(
        step(
                "step-triplet",
                "Triplet, or straight again",
                "",
                () -> steps.changeLength(StepLength::triplet))
            .at(PhysicalKey.SLASH)
            .onCap("triplet"));
    all.add(
        step("step-shorter", "Half as long", "", () -> steps.changeLength(StepLength::shorter))
            .at(PhysicalKey.LEFT_BRACKET)
            .onCap("shorter"));
    all.add(
        step("step-longer", "Twice as long", "", () -> steps.changeLength(StepLength::longer))
            .at(PhysicalKey.RIGHT_BRACKET)
            .onCap("longer"));
    return all;
  }

  private List<Command> cursor() {
    return List.of(
        step("step-line", "Cursor to the next line", "Tab", () -> steps.moveToLine(1)).repeating(),
        step("step-line-back", "Cursor to the line before", "Shift+Tab", () -> steps.moveToLine(-1))
            .repeating(),
        step("step-bar", "Cursor to the next bar", "Ctrl+Right", () -> steps.moveByBar(1))
            .repeating(),
        step("step-bar-back", "Cursor to the bar before", "Ctrl+Left", () -> steps.moveByBar(-1))
            .repeating(),
        step("step-clip-start", "Cursor to the start of the clip", "Home", steps::moveToClipStart),
        step("step-clip-end", "Cursor to the end of the clip", "End", steps::moveToClipEnd),
        step("step-here", "Cursor to where playing starts", "Ctrl+Home", steps::moveToPlayStart),
        step("step-play", "Play from the cursor", "Ctrl+Space", steps::playFromCursor));
  }

  private List<Command> switches() {
    return List.of(
        step("step-add", "Add to what stands there, or replace it", "Ctrl+I", this::add),
        step("step-find", "Find notes first, enter them after, or at once", "Ctrl+F", this::find),
        step(
            "step-rhythm",
            "Give pitches to a rhythm that is there, or not",
            "Ctrl+R",
            this::rhythm),
        step("step-hear", "Hear each step, or not", "", this::hear),
        step("step-wrap", "Go on at the loop's start past its end, or not", "", this::wrap));
  }

  private StepSettings settings() {
    return steps.settings();
  }

  private void add() {
    steps.set(settings().withAdds(!settings().adds()));
  }

  private void find() {
    steps.set(settings().withFindsFirst(!settings().findsFirst()));
  }

  private void rhythm() {
    steps.set(settings().withOntoRhythm(!settings().ontoRhythm()));
  }

  private void hear() {
    steps.set(settings().withSounds(!settings().sounds()));
  }

  private void wrap() {
    steps.set(settings().withWraps(!settings().wraps()));
  }
}
