package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Amount;
import flailbeat.app.command.Command;
import flailbeat.app.command.Group;
import flailbeat.app.command.Need;
import flailbeat.app.view.base.MiddleView;
import flailbeat.core.edit.clips.ClipShapes.Beyond;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.pitch.Key;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.NoteActions;
import flailbeat.core.session.map.ClipActions;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import java.util.function.IntFunction;
import java.util.function.Supplier;

/** What can be done to the selected notes by commands. */
public final class NoteCommands {
  private static final int LONGEST = 15_360;
  private static final int MOST_COPIES = 64;

  private final Session session;
  private final Needs needs;
  private final NoteActions notes;
  private final Supplier<MiddleView> middle;
  private final Meant meant;

  public NoteCommands(Session session, Supplier<MiddleView> middle) {
    this.middle = middle;
    this.session = session;
    this.needs = new Needs(session);
    this.meant = new Meant(session);
    this.notes = session.notes();
  }

  public List<Command> list() {
    List<Command> all = new ArrayList<>();
    all.addAll(Command.under(Group.EDIT, copying()));
    all.addAll(shaping());
    all.addAll(Command.under(Group.SPLIT, cutting()));
    all.addAll(Command.under(Group.PITCH, pitches()));
    return all;
  }

  /** One that changes the notes in scope. */
  private Command edit(String id, String title, String keys, Runnable press) {
    return of(Group.NOTES, id, title, keys, press).when(needs.notesInHand());
  }

  /** One that takes notes away or lays copies of them down: only of what is selected. */
  private Command selected(
      String id, String title, String keys, Consumer<ClipActions> clips, Runnable press) {
    return of(Group.NOTES, id, title, keys, meant.either(clips, press)).when(needs.selected());
  }

  private boolean canPaste() {
    return session.clips().choice().areMeant() ? session.clips().canPaste() : notes.canPaste();
  }

  /** One that changes the notes in scope, or the clips that are meant. */
  private Command edit(
      String id, String title, String keys, Consumer<ClipActions> clips, Runnable press) {
    return of(Group.NOTES, id, title, keys, meant.either(clips, press)).when(needs.inHandOrClips());
  }

  private List<Command> copying() {
    return List.of(
        selected("cut", "Cut the selected notes or clips", "Ctrl+X", ClipActions::cut, notes::cut),
        selected(
            "copy", "Copy the selected notes or clips", "Ctrl+C", ClipActions::copy, notes::copy),
        of(
                Group.EDIT,
                "paste",
                "Paste where playing starts",
                "Ctrl+V",
                meant.either(ClipActions::paste, notes::paste))
            .when(Need.of(this::canPaste, "nothing was cut or copied")),
        of(
                Group.EDIT,
                "paste-mouse",
                "Paste at the mouse",
                "Ctrl+Shift+V",
                () ->
                    middle
                        .get()
                        .atMouse(
                            t -> meant.either(c -> c.pasteAt(t), () -> notes.pasteAt(t)).run()))
            .when(Need.of(this::canPaste, "nothing was cut or copied")),
        selected(
                "duplicate",
                "Lay a copy right behind",
                "Ctrl+Shift+D",
                c -> c.repeat(1, false),
                notes::duplicate)
            .repeating(),
        edit(
                "repeat-notes",
                "Lay # copies right behind",
                1,
                MOST_COPIES,
                3,
                n -> meant.either(c -> c.repeat(n, c.isLinking()), () -> notes.repeat(n)).run())
            .when(needs.selected()));
  }

  private Command edit(
      String id, String title, int least, int most, int standard, IntConsumer press) {
    Amount amount = amount(session, id, least, most, standard);
    return edit(id, title, "", () -> press.accept(amount.now().getAsInt())).by(amount);
  }

  /** A number that the session keeps by a command's id. */
  static Amount amount(Session session, String id, int least, int most, int standard) {
    return amount(session, id, least, most, standard, String::valueOf);
  }

  static Amount amount(
      Session session, String id, int least, int most, int standard, IntFunction<String> words) {
    return new Amount(
        least,
        most,
        words,
        () -> Math.clamp(session.person().commandNumbers().of(id, standard), least, most),
        n -> session.person().commandNumbers().give(id, n));
  }

  private List<Command> shaping() {
    return List.of(
        edit(
                "lengthen",
                "Make notes longer, clips by a bar",
                "",
                c -> c.lengthen(1, Beyond.LOOP),
                () -> notes.lengthen(1))
            .plain("Shift+Right")
            .repeating(),
        edit(
                "shorten",
                "Make notes shorter, clips by a bar",
                "",
                c -> c.lengthen(-1, Beyond.LOOP),
                () -> notes.lengthen(-1))
            .plain("Shift+Left")
            .repeating(),
        edit("length-grid", "Make notes a step of the grid long", "", notes::setLengthToLines)
            .plain("G")
            .onCap("1 step"),
        edit("length-ticks", "Make notes # ticks long", 1, LONGEST, 480, notes::setLength),
        edit(
                "legato",
                "Lengthen notes to the next onset",
                "",
                () -> notes.apply("Legato", NoteTools::legato))
            .plain("L")
            .onCap("legato"),
        edit(
            "staccato",
            "Notes for # % of the time to the next onset",
            1,
            100,
            50,
            share -> notes.apply("Staccato", (s, ids) -> NoteTools.staccato(s, ids, share))),
        edit(
            "trim",
            "Trim overlaps of one pitch",
            "",
            () -> notes.apply("Trim overlaps", NoteTools::trimOverlaps)),
        edit(
                "reverse",
                "Turn round in time",
                "",
                () -> notes.apply("Turn round", NoteTools::reverse))
            .plain("R")
            .onCap("reverse"),
        of(
            Group.MOVE,
            "move-step-finer",
            "Let keys move notes less far",
            "Shift+F12",
            () -> notes.nextMoveStep(1)),
        of(
            Group.MOVE,
            "move-step-coarser",
            "Let keys move notes farther",
            "Shift+F11",
            () -> notes.nextMoveStep(-1)));
  }

  private List<Command> cutting() {
    return List.of(
        edit(
                "split",
                "Split notes or clips at the playhead",
                "",
                ClipActions::splitAtPlace,
                notes::splitAtPlace)
            .plain("X")
            .onCap("split"),
        edit(
            "split-mouse",
            "Split notes or clips at the mouse",
            "Alt+X",
            c -> middle.get().atMouse(c::splitAt),
            () -> middle.get().atMouse(notes::splitAt)),
        edit(
                "split-lines",
                "Split notes at every line, clips at every bar",
                "",
                ClipActions::splitAtBars,
                notes::splitAtLines)
            .plain("Shift+X"),
        edit("split-parts", "Split notes into # equal parts", 2, 16, 2, this::split),
        edit(
            "split-alike",
            "Split all as up to the mouse",
            "Alt+Shift+X",
            () -> middle.get().atMouse(notes::splitAlike)),
        edit(
                "join",
                "Join neighbours of one pitch, or clips",
                "",
                ClipActions::join,
                () -> notes.apply("Join notes", NoteTools::join))
            .plain("J")
            .onCap("join"));
  }

  private void split(int parts) {
    notes.apply("Split notes", (s, ids) -> NoteTools.splitInto(s, ids, parts));
  }

  private List<Command> pitches() {
    Amount key = amount(session, "into-key", 0, Key.COUNT - 1, 0, n -> Key.ofNumber(n).toString());
    return List.of(
        edit("degree-up", "Move notes up a degree", "Alt+Shift+Up", () -> notes.moveDegrees(1))
            .repeating(),
        edit(
                "degree-down",
                "Move notes down a degree",
                "Alt+Shift+Down",
                () -> notes.moveDegrees(-1))
            .repeating(),
        edit("transpose", "Transpose by # semitones", -60, 60, 7, notes::transpose),
        edit(
                "into-key",
                "Take from the key under the hands into #",
                "",
                () -> notes.intoKey(Key.ofNumber(key.now().getAsInt())))
            .by(key),
        edit(
                "mirror",
                "Turn upside down",
                "",
                () -> notes.apply("Turn upside down", NoteTools::mirror))
            .plain("I")
            .onCap("mirror"));
  }
}
