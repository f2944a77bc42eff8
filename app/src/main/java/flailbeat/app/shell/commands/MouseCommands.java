package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Group;
import flailbeat.app.command.Need;
import flailbeat.app.view.timing.GridChoices;
import flailbeat.core.edit.notes.NoteResize.Together;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.DrumRows;
import flailbeat.core.session.bench.MouseDrawing;
import flailbeat.core.session.bench.MouseDrawing.Kept;
import flailbeat.core.session.bench.MouseDrawing.Start;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import java.util.List;

/** How the mouse draws and resizes, and in which rows. */
public final class MouseCommands {
  private final Session session;
  private final MouseDrawing drawing;

  public MouseCommands(Session session) {
    this.session = session;
    this.drawing = session.drawing();
  }

  public List<Command> list() {
    DrumRows rows = session.rows();
    return List.of(
        mouse(
            "snap",
            "The mouse goes from line to line, or not",
            "Alt+S",
            () -> set(kept().withSnaps(!kept().snaps()))),
        mouse(
            "snap-to-lines",
            "Moves go to the line, or keep offsets",
            "Alt+Shift+S",
            this::toggleToLines),
        mouse("grid-zoom", "Lines follow the zoom, or the grid", "Alt+Z", this::toggleFollowsZoom),
        mouse("grid-finer", "The next finer grid", "F12", () -> nextGrid(1)),
        mouse("grid-coarser", "The next coarser grid", "F11", () -> nextGrid(-1)),
        mouse("draw-start", "What new notes start from", "Alt+L", this::nextStart),
        mouse(
            "draw-like",
            "New notes like the selected one",
            "Alt+Shift+L",
            session.notes()::startLikeSelected),
        mouse("resize-together", "What notes resized together share", "Alt+R", this::nextTogether),
        mouse("stencil", "Fill with the selected notes: a stencil", "Alt+F", this::takeStencil),
        mouse("stencil-next", "Fill with the next kept stencil", "Alt+Page Down", () -> next(1)),
        mouse("stencil-previous", "Fill with the stencil before", "Alt+Page Up", () -> next(-1)),
        mouse("stencil-none", "Fill with plain notes again", "Alt+Shift+F", drawing::dropStencil),
        mouse("rows-used", "Show only rows with notes, or all", "Alt+H", rows::toggleOnlyUsed)
            .when(Need.of(rows::areOfKit, "this is of drums: choose a track with a drum kit")),
        mouse("row-up", "Put the row of the selected note higher", "", () -> rows.move(-1))
            .when(Need.of(rows::areOfKit, "this is of drums: choose a track with a drum kit")),
        mouse("row-down", "Put the row of the selected note lower", "", () -> rows.move(1))
            .when(Need.of(rows::areOfKit, "this is of drums: choose a track with a drum kit")),
        mouse("rows-reset", "Put the rows in order of pitch", "", rows::reset)
            .when(Need.of(rows::areOfKit, "this is of drums: choose a track with a drum kit")));
  }

  private static Command mouse(String id, String title, String keys, Runnable press) {
    return of(Group.MOUSE, id, title, keys, press);
  }

  private Kept kept() {
    return drawing.kept();
  }

  private void set(Kept value) {
    drawing.set(value);
  }

  private void toggleToLines() {
    set(kept().withToLines(!kept().toLines()));
    session
        .notices()
        .tell(kept().toLines() ? "Moved notes go to the line" : "Moved notes keep their offset");
  }

  private void toggleFollowsZoom() {
    set(kept().withFollowsZoom(!kept().followsZoom()));
    session
        .notices()
        .tell(
            kept().followsZoom()
                ? "The mouse goes by the lines that there is room for"
                : "The mouse goes by the grid");
  }

  private void nextStart() {
    Start[] all = Start.values();
    set(kept().withStart(all[(kept().start().ordinal() + 1) % all.length]));
    session.notices().tell("New notes start from " + kept().start().words());
  }

  private void nextTogether() {
    Together[] all = Together.values();
    set(kept().withTogether(all[(kept().together().ordinal() + 1) % all.length]));
    session.notices().tell("Resized together, notes " + kept().together().words());
  }

  private void next(int by) {
    session
        .notices()
        .tell(
            drawing.nextStencil(by)
                ? "Filling lays down " + drawing.stencilName()
                : "No stencil is kept yet: {stencil} takes one, the page Drawing ({page-drawing}) keeps it");
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
            drawing
                .takeStencil()
                .map(
                    s ->
                        "Filling lays down these "
                            + s.parts().size()
                            + " now; {stencil-none} goes back to plain notes")
                .orElse("Select the notes that filling shall lay down"));
  }
}
