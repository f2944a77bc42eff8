package flailbeat.app.view.page;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.Menus;
import flailbeat.app.control.Segments;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.base.PageBox;
import flailbeat.core.edit.notes.MoveStep;
import flailbeat.core.edit.notes.NoteResize.Together;
import flailbeat.core.model.roll.NoteStart;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.MouseDrawing;
import flailbeat.core.session.bench.MouseDrawing.Kept;
import flailbeat.core.session.bench.MouseDrawing.Start;
import flailbeat.core.session.document.Aspect;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.SeparatorMenuItem;

/** How notes are drawn, moved and resized by hand; stencils; the rows of a kit. */
public final class DrawingPage extends PageBox {
  private final Session session;
  private final MouseDrawing drawing;
  private final Segments<Start> start;
  private final Label startText = Form.remark("");
  private final Button like;
  private final CheckBox snaps;
  private final Segments<Boolean> toLines;
  private final Segments<Boolean> follows;
  private final Segments<Together> together;
  private final MenuButton step =
      Menus.button("move-step", "{move-step-coarser}, {move-step-finer}");
  private final MenuButton stencils = Menus.button("stencils", "What filling lays down");
  private final EntryField name;
  private final Button take;
  private final CheckBox onlyUsed;
  private final Button reset;
  private final Label rows = Form.remark("");

  /** The page. */
  public static Page page(Session session) {
    return new Page(
        "drawing",
        "Drawing",
        "",
        "How notes are drawn and moved; drums",
        "Shift+F7",
        "M3 16 L5 11 L15 2 L19 6 L9 14.5 Z M13 4 L17 8",
        () -> new DrawingPage(session));
  }

  public DrawingPage(Session session) {
    super("drawing-page");
    this.session = session;
    this.drawing = session.drawing();
    start =
        new Segments<Start>(v -> set(kept().withStart(v)))
            .add(Start.LAST, "Last", "As long and as loud as the note touched last ({draw-start})")
            .add(Start.GRID, "Grid", "A step of the grid, as loud as the keys ({draw-start})")
            .add(Start.TRACK, "Track", "What was chosen for this track ({draw-start})")
            .named("start");
    like =
        Buttons.text(
            "Like the selected note",
            "New notes of this track are as long and as loud as it ({draw-like})",
            session.notes()::startLikeSelected);
    like.setId("draw-like");
    snaps =
        Form.check(
            "snaps",
            "Go from line to line",
            "Alt does the other for as long as it is held ({snap})",
            on -> set(kept().withSnaps(on)));
    toLines =
        new Segments<Boolean>(v -> set(kept().withToLines(v)))
            .add(
                false,
                "By the step",
                "Whole steps; the offset from the lines is kept ({snap-to-lines})")
            .add(
                true,
                "To the line",
                "The note that is held comes to stand on a line ({snap-to-lines})")
            .named("to-lines");
    follows =
        new Segments<Boolean>(v -> set(kept().withFollowsZoom(v)))
            .add(false, "The grid", "The lines are those of the grid ({grid-zoom})")
            .add(true, "The zoom", "As fine as there is room for on the screen ({grid-zoom})")
            .named("follows");
    together =
        new Segments<Together>(v -> set(kept().withTogether(v)))
            .add(Together.AMOUNT, "Amount", "Each changes by the same amount ({resize-together})")
            .add(Together.LENGTH, "Length", "They become equally long ({resize-together})")
            .add(Together.PLACE, "Place", "They begin or end together ({resize-together})")
            .named("together");
    for (MoveStep each : MoveStep.values()) {
      step.getItems().add(Menus.item(each.words(), () -> set(kept().withStep(each))));
    }
    take =
        Buttons.text(
            "Take from selection",
            "Filling lays down the selected notes, whole beats apart ({stencil})",
            drawing::takeStencil);
    take.setId("take-stencil");
    name =
        new EntryField(
            "stencil-name", 11, "A name, to keep this stencil under it", drawing::keepStencil);
    onlyUsed =
        Form.check(
            "rows-used",
            "Only rows with notes",
            "Drums that the part does not use are hidden ({rows-used})",
            on -> session.rows().toggleOnlyUsed());
    reset = Buttons.text("In order of pitch", "As they lie on a keyboard", session.rows()::reset);
    reset.setId("rows-reset");
    getChildren()
        .addAll(
            Form.heading("New notes"),
            Form.row("Start from", start),
            startText,
            like,
            Form.heading("Lines"),
            snaps,
            Form.row("Lines are", follows),
            Form.row("Moves go", toLines),
            Form.row("Keys move", step),
            Form.heading("Resized together, notes share"),
            together,
            Form.heading("Stencil"),
            Form.row("Fill with", stencils),
            Form.row("Keep as", name),
            take,
            Form.heading("Drums"),
            onlyUsed,
            rows,
            reset);
    Follow.changes(this, session, this::refresh, Aspect.SETTINGS, Aspect.SONG, Aspect.CHOICE);
  }

  private Kept kept() {
    return drawing.kept();
  }

  private void set(Kept value) {
    drawing.set(value);
  }

  private void refresh() {
    Kept now = kept();
    start.show(now.start());
    startText.setText(startWords(now.start(), session.document().track().roll().start()));
    like.setDisable(session.document().scope().selected().notes().isEmpty());
    snaps.setSelected(now.snaps());
    toLines.show(now.toLines());
    follows.show(now.followsZoom());
    together.show(now.together());
    step.setText(now.step().words());
    showStencils();
    boolean kit = session.rows().areOfKit();
    onlyUsed.setDisable(!kit);
    onlyUsed.setSelected(kit && session.document().track().roll().rows().onlyUsed());
    reset.setDisable(!kit || session.document().track().roll().rows().order().isEmpty());
    rows.setText(
        kit
            ? "Drag a drum's name with Alt to put its row elsewhere."
            : "On a kit's track: its drums by name, in an order of your own.");
  }

  private static String startWords(Start start, Optional<NoteStart> track) {
    return switch (start) {
      case LAST -> "As long and as loud as the note touched last.";
      case GRID -> "A step of the grid, as loud as the keys are set.";
      case TRACK ->
          track
              .map(n -> n.length() + " ticks, velocity " + n.velocity() + ".")
              .orElse("Nothing chosen for this track yet: as the grid.");
    };
  }

  private void showStencils() {
    String kept = drawing.stencilName();
    boolean any = drawing.stencil().isPresent();
    stencils.setText(!any ? "Plain notes" : kept.isEmpty() ? "Taken, not kept yet" : kept);
    stencils.getItems().setAll(Menus.item("Plain notes", drawing::dropStencil));
    for (String each : drawing.stencils().all().keySet()) {
      stencils.getItems().add(Menus.item(each, () -> drawing.useStencil(each)));
    }
    if (drawing.stencils().all().containsKey(kept)) {
      stencils.getItems().add(new SeparatorMenuItem());
      stencils
          .getItems()
          .add(
              Menus.item("Forget \u201c" + kept + "\u201d", () -> drawing.stencils().remove(kept)));
    }
    name.setDisable(!any);
    name.show(kept);
    take.setDisable(session.document().scope().selected().notes().isEmpty());
  }
}
