package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Group;
import flailbeat.app.control.RepeatValues;
import flailbeat.core.capture.RecordingMode;
import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.keys.VelocityMark;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.session.run.RecordSettings;
import flailbeat.core.session.run.Repeater;
import flailbeat.core.session.run.RunActions;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Playing, recording, and what lies under the hands. */
public final class CaptureCommands {
  private static final String AT_NOTES =
      "Letter keys are notes. {keys-commands} gives them to commands";

  private final Session session;
  private final Performer performer;
  private final RunActions run;
  private final Runnable toTempo;
  private final Runnable toMeter;

  /**
   * All of them.
   *
   * @param toTempo puts the caret where the tempo is typed
   * @param toMeter puts it where the meter is
   */
  public CaptureCommands(Session session, Runnable toTempo, Runnable toMeter) {
    this.session = session;
    this.toTempo = toTempo;
    this.toMeter = toMeter;
    this.performer = session.performer();
    this.run = session.run();
    session
        .changes()
        .listen(
            change -> {
              if (change.isOf(Aspect.KEYS) && performer.keysMode() != KeysMode.PLAY) {
                session.notices().withdraw(AT_NOTES);
              }
            });
  }

  public List<Command> list() {
    List<Command> all = new ArrayList<>();
    all.addAll(whoHasTheKeys());
    all.addAll(running());
    all.addAll(looping());
    all.addAll(hands());
    all.addAll(held());
    all.addAll(keyboard());
    all.addAll(lesson());
    return all;
  }

  private List<Command> whoHasTheKeys() {
    return List.of(
        of(
                Group.LETTERS,
                "keys-switch",
                "Give the letter keys to notes",
                "F2",
                this::giveKeysToNotes)
            .at(PhysicalKey.BACKQUOTE)
            .onCap("keys"),
        of(
            Group.LETTERS,
            "keys-commands",
            "Give the letter keys to commands",
            "Esc",
            () -> session.keysSwitch().set(KeysMode.COMMANDS)),
        of(
            Group.STEPS,
            "keys-steps",
            "Enter notes a step at a time",
            "F3",
            () -> session.keysSwitch().set(KeysMode.STEPS)));
  }

  private List<Command> running() {
    return List.of(
        of(Group.PLAY, "play", "Play or stop", "Space", run::playOrStop),
        of(Group.PLAY, "record", "Record or stop", "Shift+Space", run::recordOrStop),
        of(Group.PLAY, "to-start", "Go to the start", "Home", () -> session.runControl().seek(0)),
        of(Group.PLAY, "tempo", "Set the tempo", "", toTempo),
        of(Group.PLAY, "meter", "Set the meter", "", toMeter),
        of(Group.PLAY, "keep", "Keep what I just played", "Ctrl+K", run::keepPhrase),
        of(Group.PLAY, "drop-pass", "Drop the last pass", "Ctrl+Backspace", run::dropLastPass),
        of(Group.PLAY, "mode-next", "The next recording mode", "Ctrl+M", this::nextMode),
        of(
            Group.PLAY,
            "take-previous",
            "Hear the take before",
            "Ctrl+Page Up",
            () -> session.editing().stepTake(-1)),
        of(
            Group.PLAY,
            "take-next",
            "Hear the take after",
            "Ctrl+Page Down",
            () -> session.editing().stepTake(1)),
        of(
            Group.PLAY,
            "quantize-recording",
            "Quantize while recording, or not",
            "Alt+Q",
            this::quantizeAsPlayed),
        of(Group.PLAY, "click", "Click while playing, or not", "", this::click)
            .plain("C")
            .onCap("click"),
        of(
            Group.PLAY,
            "calibrate",
            "Measure how early or late I play",
            "",
            session.run()::calibrate),
        of(Group.PLAY, "all-off", "All notes off", "Ctrl+.", run::panic));
  }

  private List<Command> looping() {
    return List.of(
        of(Group.LOOP, "loop", "Go round the loop, or not", "Ctrl+L", run::toggleLoop),
        of(
            Group.LOOP,
            "loop-scope",
            "Loop over the selection or the clip",
            "Ctrl+Shift+L",
            run::loopScope),
        of(
                Group.LOOP,
                "loop-longer",
                "Make the loop a bar longer",
                "Alt+Right",
                () -> run.lengthenLoop(1))
            .repeating(),
        of(
                Group.LOOP,
                "loop-shorter",
                "Make the loop a bar shorter",
                "Alt+Left",
                () -> run.lengthenLoop(-1))
            .repeating(),
        of(
                Group.LOOP,
                "loop-later",
                "Move the loop on by its length",
                "Alt+Shift+Right",
                () -> run.moveLoop(1))
            .repeating(),
        of(
                Group.LOOP,
                "loop-earlier",
                "Move the loop back by its length",
                "Alt+Shift+Left",
                () -> run.moveLoop(-1))
            .repeating(),
        of(
            Group.MAP,
            "clip-empty",
            "Make an empty clip over the loop",
            "Alt+C",
            session.editing()::addClipOverLoop));
  }

  private List<Command> hands() {
    List<Command> all = new ArrayList<>();
    all.add(
        of(
                Group.LETTERS,
                "reach-down",
                "Move the reach down a semitone",
                "Ctrl+-",
                () -> performer.moveReach(-1))
            .repeating());
    all.add(
        of(
                Group.LETTERS,
                "reach-up",
                "Move the reach up a semitone",
                "Ctrl+=",
                () -> performer.moveReach(1))
            .repeating());
    for (ArrangementKind kind : ArrangementKind.values()) {
      all.add(
          of(
              Group.LETTERS,
              "arrange-" + kind.name().toLowerCase(Locale.ROOT),
              "Arrange the notes as " + kind.title(),
              "Alt+" + (kind.ordinal() + 1),
              () -> performer.arrange(kind)));
    }
    all.add(
        of(Group.PEDALS, "modulation-off", "Modulation off", "Alt+M", performer::modulationOff));
    all.add(
        of(Group.TOUCH, "repeat", "Strike held notes again and again, or not", "Tab", this::repeat)
            .in(KeyContext.PLAY));
    all.add(
        of(
                Group.TOUCH,
                "repeat-value",
                "The next distance of repeated strokes",
                "Shift+Tab",
                this::nextRepeatValue)
            .in(KeyContext.PLAY));
    all.add(
        of(Group.TOUCH, "velocity-up", "Strike harder", "Up", () -> performer.stepVelocity(1))
            .repeating()
            .in(KeyContext.NOTES));
    all.add(
        of(
                Group.TOUCH,
                "velocity-down",
                "Strike more softly",
                "Down",
                () -> performer.stepVelocity(-1))
            .repeating()
            .in(KeyContext.NOTES));
    all.add(place("octave-down", "Move the reach down an octave", "oct -", PhysicalKey.MINUS, -1));
    all.add(place("octave-up", "Move the reach up an octave", "oct +", PhysicalKey.EQUALS, 1));
    for (VelocityMark mark : VelocityMark.values()) {
      all.add(
          of(
                  Group.TOUCH,
                  "velocity-" + mark.text(),
                  "Strike " + mark.text() + ", at " + mark.velocity(),
                  "",
                  () -> performer.setVelocity(mark.velocity()))
              .at(mark.key())
              .in(KeyContext.NOTES)
              .onCap(mark.text()));
    }
    return all;
  }

  private Command place(String id, String title, String cap, PhysicalKey place, int octaves) {
    return of(Group.LETTERS, id, title, "", () -> performer.moveOctaves(octaves))
        .at(place)
        .in(KeyContext.NOTES)
        .onCap(cap);
  }

  /** What lasts as long as its key is held, and what belongs to it. */
  private List<Command> held() {
    return List.of(
        of(Group.PEDALS, "sustain", "Sustain", "Enter", () -> performer.sustain(true, now()))
            .in(KeyContext.PLAY)
            .until(() -> performer.sustain(false, now())),
        of(
                Group.PEDALS,
                "sustain-latch",
                "Latch sustain, or let it go",
                "Shift+Enter",
                () -> performer.latchSustain(now()))
            .in(KeyContext.PLAY),
        of(Group.PEDALS, "bend-down", "Bend down", "Left", () -> performer.bend(-1, true, now()))
            .in(KeyContext.PLAY)
            .until(() -> performer.bend(-1, false, now())),
        of(Group.PEDALS, "bend-up", "Bend up", "Right", () -> performer.bend(1, true, now()))
            .in(KeyContext.PLAY)
            .until(() -> performer.bend(1, false, now())),
        of(
                Group.PEDALS,
                "modulation-up",
                "More modulation",
                "Shift+Up",
                () -> performer.modulate(1, now()))
            .repeating()
            .in(KeyContext.NOTES),
        of(
                Group.PEDALS,
                "modulation-down",
                "Less modulation",
                "Shift+Down",
                () -> performer.modulate(-1, now()))
            .repeating()
            .in(KeyContext.NOTES),
        of(
                Group.PLAY,
                "sweep",
                "Sweep: wipe notes as they pass",
                "Backspace",
                () -> run.sweep(true))
            .in(KeyContext.PLAY)
            .until(() -> run.sweep(false)));
  }

  private List<Command> keyboard() {
    List<Command> all = new ArrayList<>();
    for (KeyLayout layout : KeyLayout.all()) {
      all.add(
          of(
              Group.KEYBOARD,
              "layout-" + layout.name().toLowerCase(Locale.ROOT),
              "My keyboard is " + layout.name(),
              "",
              () -> performer.setLayout(layout)));
    }
    all.add(
        of(
            Group.KEYBOARD,
            "layout-learn",
            "Learn my keyboard by pressing its keys",
            "",
            session.keyboard()::learn));
    all.add(
        of(
            Group.KEYBOARD,
            "chord-check",
            "Find out which keys come through together",
            "",
            session.keyboard()::checkChord));
    return all;
  }

  private List<Command> lesson() {
    return List.of(
        of(Group.PLAY, "ask-leave", "Leave the question", "Esc", session.keyboard()::leave)
            .in(KeyContext.LESSON),
        of(Group.PLAY, "ask-next", "Skip the key, or go on", "Enter", session.keyboard()::next)
            .in(KeyContext.LESSON),
        of(Group.PLAY, "ask-back", "Back to the key before", "Backspace", session.keyboard()::back)
            .in(KeyContext.LESSON));
  }

  private static long now() {
    return System.nanoTime();
  }

  /** Who presses its key to be sure is told, though nothing changes. */
  private void giveKeysToNotes() {
    session.keysSwitch().set(KeysMode.PLAY);
    session.notices().tell(AT_NOTES);
  }

  private void repeat() {
    Repeater repeater = session.runControl().repeater();
    session.runControl().setRepeat(!repeater.isOn(), repeater.value());
  }

  private void nextRepeatValue() {
    session
        .runControl()
        .setRepeat(true, RepeatValues.after(session.runControl().repeater().value()));
  }

  private void nextMode() {
    RecordSettings old = session.runControl().recordSettings();
    RecordingMode[] modes = RecordingMode.values();
    RecordingMode next = modes[(old.mode().ordinal() + 1) % modes.length];
    session.runControl().setRecordSettings(old.withMode(next));
    session
        .notices()
        .tell(new Notice(next.title() + ": " + next.hint().toLowerCase(Locale.ROOT), false));
  }

  private void quantizeAsPlayed() {
    RecordSettings old = session.runControl().recordSettings();
    session.runControl().setRecordSettings(old.withQuantize(!old.quantize()));
    session
        .notices()
        .tell(
            new Notice(
                old.quantize() ? "Recorded as played" : "Quantized as it is recorded", false));
  }

  private void click() {
    PlaySettings old = session.runControl().settings();
    session.runControl().setSettings(old.withClickInPlay(!old.clickInPlay()));
  }
}
