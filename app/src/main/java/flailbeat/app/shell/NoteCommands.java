package flailbeat.app.shell;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.Group;
import flailbeat.app.view.bench.BenchView;
import flailbeat.app.view.timing.GridChoices;
import flailbeat.core.edit.NoteResize.Together;
import flailbeat.core.edit.NoteTools;
import flailbeat.core.session.DrawDesk;
import flailbeat.core.session.NoteDesk;
import flailbeat.core.session.Session;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import java.util.ArrayList;
import java.util.List;

/** What can be done to the selected notes by keys, and how notes come to be selected. */
final class NoteCommands {
  private static final int SHORT = 50;

  private final Session session;
  private final NoteDesk notes;
  private final BenchView bench;

  NoteCommands(Session session, BenchView bench) {
    this.bench = bench;
    this.session = session;
    this.notes = session.notes();
  }

  List<Command> list() {
    List<Command> all = new ArrayList<>();
    all.addAll(copying());
    all.addAll(shaping());
    all.addAll(selecting());
    all.addAll(mouse());
    return all;
  }

  private boolean hasSelection() {
    return !session.document().scope().selected().notes().isEmpty();
  }

  private Command edit(String id, String title, String keys, Runnable press) {
    return of(Group.NOTES, id, title, keys, press).when(this::hasSelection);
  }

  private List<Command> copying() {
    return List.of(
        edit("cut", "Cut the selected notes", "Ctrl+X", notes::cut),
        edit("copy", "Copy the selected notes", "Ctrl+C", notes::copy),
        of(Group.NOTES, "paste", "Paste where playing starts", "Ctrl+V", notes::paste)
            .when(notes::canPaste),
        of(
                Group.NOTES,
                "paste-mouse",
                "Paste at the mouse",
                "Ctrl+Shift+V",
                () -> bench.atMouse(notes::pasteAt))
            .when(notes::canPaste),
        edit("duplicate", "Lay a copy right behind", "Ctrl+Shift+D", notes::duplicate).repeating());
  }

  private List<Command> shaping() {
    return List.of(
        edit("lengthen", "Make notes longer", "", () -> notes.lengthen(1))
            .plain("Shift+Right")
            .repeating(),
        edit("shorten", "Make notes shorter", "", () -> notes.lengthen(-1))
            .plain("Shift+Left")
            .repeating(),
        edit("degree-up", "Move notes up a degree", "Alt+Shift+Up", () -> notes.moveDegrees(1))
            .repeating(),
        edit(
                "degree-down",
                "Move notes down a degree",
                "Alt+Shift+Down",
                () -> notes.moveDegrees(-1))
            .repeating(),
        edit("split", "Split notes at the playhead", "", notes::splitAtPlace)
            .plain("X")
            .onCap("split"),
        edit(
            "split-mouse",
            "Split notes at the mouse",
            "Alt+X",
            () -> bench.atMouse(notes::splitAt)),
        edit("split-lines", "Split notes at every line", "", notes::splitAtLines).plain("Shift+X"),
        edit("split-two", "Split notes in two", "", () -> split(2)),
        edit("split-three", "Split notes in three", "", () -> split(3)),
        edit("split-four", "Split notes in four", "", () -> split(4)),
        edit(
                "join",
                "Join neighbours of one pitch",
                "",
                () -> notes.apply("Join notes", NoteTools::join))
            .plain("J")
            .onCap("join"),
        edit(
                "legato",
                "Lengthen notes to the next onset",
                "",
                () -> notes.apply("Legato", NoteTools::legato))
            .plain("L")
            .onCap("legato"),
        edit(
            "staccato",
            "Half of the time to the next onset",
            "",
            () -> notes.apply("Staccato", (s, ids) -> NoteTools.staccato(s, ids, SHORT))),
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
        edit(
                "mirror",
                "Turn upside down",
                "",
                () -> notes.apply("Turn upside down", NoteTools::mirror))
            .plain("I")
            .onCap("mirror"));
  }

  private void split(int parts) {
    notes.apply("Split notes", (s, ids) -> NoteTools.splitInto(s, ids, parts));
  }

  private List<Command> selecting() {
    return List.of(
        of(Group.NOTES, "select-none", "Select nothing", "Alt+N", notes::selectNone)
            .when(this::hasSelection),
        of(Group.NOTES, "select-others", "Select the others instead", "Alt+I", notes::invert),
        edit("select-names", "Select these pitches in every octave", "", notes::selectSameNames),
        of(
            Group.NOTES,
            "select-highest",
            "Keep the highest of each chord selected",
            "",
            () -> notes.selectOuter(1)),
        of(
            Group.NOTES,
            "select-lowest",
            "Keep the lowest of each chord selected",
            "",
            () -> notes.selectOuter(-1)),
        of(
            Group.NOTES,
            "select-after",
            "Select all from where playing starts",
            "",
            () -> notes.selectFrom(1)),
        of(
            Group.NOTES,
            "select-before",
            "Select all before where playing starts",
            "",
            () -> notes.selectFrom(-1)),
        of(Group.NOTES, "note-next", "Go to the next note", "", () -> notes.step(1, false))
            .plain("Tab")
            .repeating(),
        of(Group.NOTES, "note-previous", "Go to the note before", "", () -> notes.step(-1, false))
            .plain("Shift+Tab")
            .repeating(),
        of(Group.NOTES, "note-next-too", "Select the next note too", "", () -> notes.step(1, true))
            .plain("N")
            .repeating()
            .onCap("next too"),
        of(
                Group.NOTES,
                "note-previous-too",
                "Select the note before too",
                "",
                () -> notes.step(-1, true))
            .plain("B")
            .repeating()
            .onCap("before too"));
  }

  private List<Command> mouse() {
    DrawDesk drawing = session.drawing();
    return List.of(
        of(
            Group.NOTES,
            "snap",
            "The mouse goes from line to line, or not",
            "Alt+S",
            () -> drawing.setSnaps(!drawing.snaps())),
        of(
            Group.NOTES,
            "stencil",
            "Fill with the selected notes: a stencil",
            "Alt+F",
            this::takeStencil),
        of(
            Group.NOTES,
            "stencil-none",
            "Fill with plain notes again",
            "Alt+Shift+F",
            drawing::dropStencil),
        of(
            Group.NOTES,
            "draw-length",
            "Draw notes as long as the last, or as the grid",
            "Alt+L",
            () -> drawing.setTakesLastLength(!drawing.takesLastLength())),
        of(Group.NOTES, "grid-finer", "The next finer grid", "F12", () -> nextGrid(1)),
        of(Group.NOTES, "grid-coarser", "The next coarser grid", "F11", () -> nextGrid(-1)),
        of(
            Group.NOTES,
            "resize-together",
            "What notes resized together share",
            "Alt+R",
            this::nextTogether));
  }

  /** From one plain note value to the next, whatever the grid is made of. */
  private void nextGrid(int finer) {
    long now = session.timing().settings().grid().finestTicks();
    List<Integer> all = GridChoices.DENOMINATORS;
    int at = finer > 0 ? 0 : all.size() - 1;
    while (at >= 0
        && at < all.size()
        && (finer > 0
            ? NoteValue.straight(all.get(at)).ticks() >= now
            : NoteValue.straight(all.get(at)).ticks() <= now)) {
      at += finer;
    }
    if (at >= 0 && at < all.size()) {
      Grid grid = Grid.of(NoteValue.straight(all.get(at)));
      session.timing().setSettings(session.timing().settings().withGrid(grid));
      session.notices().tell("Lines " + grid + " apart");
    }
  }

  private void takeStencil() {
    session
        .notices()
        .tell(
            session
                .drawing()
                .takeStencil()
                .map(
                    s ->
                        "Filling lays down these "
                            + s.notes().size()
                            + " now; {stencil-none} goes back to plain notes")
                .orElse("Select the notes that filling shall lay down"));
  }

  private void nextTogether() {
    DrawDesk drawing = session.drawing();
    Together[] all = Together.values();
    drawing.setTogether(all[(drawing.together().ordinal() + 1) % all.length]);
    session.notices().tell("Resized together, notes " + drawing.together().words());
  }
}
