package flailbeat.app.view.timing;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.Segments;
import flailbeat.core.quantize.QuantizeSettings.Method;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.quantize.grids.SongGrid;
import flailbeat.core.quantize.grids.SwingSections;
import flailbeat.core.session.Session;
import flailbeat.core.session.timing.GridsFound;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.Ticks;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.VBox;

/** Which lines, by which method, and how far towards them. */
final class LinesPart extends TimingPart {
  private static final int RANKED = 3;

  private final Segments<Grid> straight;
  private final Segments<Grid> triplet;
  private final EntryField own;
  private final Slider strength =
      Form.slider("strength", 0, 100, v -> change(s -> s.withStrength(v)));
  private final Slider swing = Form.slider("swing", 50, 75, v -> change(s -> s.withSwing(v)));
  private final Label strengthText = Form.figure();
  private final Label swingText = Form.figure();
  private final Segments<Method> method;
  private final VBox ranked = new VBox(3);

  LinesPart(Session session) {
    super(session);
    straight = new Segments<>(session.timing()::setGrid);
    triplet = new Segments<>(session.timing()::setGrid);
    for (int d : GridChoices.DENOMINATORS) {
      straight.add(Grid.of(NoteValue.straight(d)), "1/" + d, "Lines 1/" + d + " apart");
      triplet.add(Grid.of(NoteValue.triplet(d)), "1/" + d + "T", "Triplets of 1/" + d);
    }
    own =
        new EntryField(
            "own-grid",
            9,
            "Any sum: 1/16+1/8T, 1/4D (dotted), 1/4:5 (five in a quarter), 1/4:7",
            text -> session.timing().setGrid(Grid.parse(text).requireWithin(Ticks.PPQ)));
    method =
        new Segments<Method>(m -> change(s -> s.withMethod(m)))
            .add(Method.NEAREST, "Nearest", "Each note to the nearest line")
            .add(
                Method.FIT,
                "Fit",
                "The likeliest lines for the whole: finds the lag, follows a drift")
            .named("method");
    Button which =
        Buttons.text(
            "Suggest",
            "Rank the grids by how well they explain it ({which-grid})",
            this::toggleRanked);
    which.setId("which-grid");
    which.getStyleClass().add("tight");
    ranked.setId("ranked-grids");
    getChildren()
        .addAll(
            row("Grid", straight),
            beside(which, triplet),
            ranked,
            row("Method", method),
            row("Strength", strength, strengthText),
            row("Swing", swing, swingText),
            row("Own grid", own));
  }

  /** Ranks the grids; they are shown until other notes are in scope. */
  void askWhichGrid() {
    session().timing().askGrids();
  }

  private void toggleRanked() {
    if (session().timing().isAskingGrids()) {
      session().timing().leaveGrids();
    } else {
      askWhichGrid();
    }
  }

  @Override
  void refresh() {
    straight.show(settings().grid());
    triplet.show(settings().grid());
    own.show(settings().grid().toString());
    method.show(settings().method());
    strength.setValue(settings().strength());
    swing.setValue(settings().swing());
    strengthText.setText(percent(settings().strength()));
    swingText.setText(settings().swing() == 50 ? "even" : percent(settings().swing()));
    showRanked();
  }

  private void showRanked() {
    boolean asking = session().timing().isAskingGrids();
    ranked.getChildren().clear();
    ranked.setManaged(asking);
    if (!asking) {
      return;
    }
    Optional<GridsFound> found = session().timing().grids();
    if (found.isEmpty()) {
      ranked.getChildren().add(Form.remark("Trying the grids ..."));
      return;
    }
    List<WhichGrid.Match> matches = found.get().own();
    if (matches.isEmpty()) {
      ranked.getChildren().add(Form.remark("It takes two notes at least to tell grids apart."));
    }
    matches.stream().limit(RANKED).forEach(m -> ranked.getChildren().add(choice(m, "")));
    found.get().sections().forEach(s -> ranked.getChildren().add(section(s)));
    found.get().song().ifPresent(this::showSong);
    found
        .get()
        .otherwise()
        .forEach(t -> ranked.getChildren().add(Form.remark("goes its own way, " + t)));
  }

  /** A stretch of another swing than the rest: its notes are taken in hand, with that. */
  private Button section(SwingSections.Section section) {
    String words = section.inWords(session().song().meters());
    Button button =
        Buttons.text(
            Character.toUpperCase(words.charAt(0)) + words.substring(1),
            "The swing changes: take these notes in hand, with theirs",
            () -> session().quantizing().takeSection(section));
    button.setMaxWidth(Double.MAX_VALUE);
    button.getStyleClass().addAll("ranked");
    return button;
  }

  private void showSong(SongGrid.Found song) {
    song.song().stream()
        .findFirst()
        .ifPresent(m -> ranked.getChildren().add(choice(m, ", all tracks together")));
  }

  private Button choice(WhichGrid.Match match, String whose) {
    Button button =
        Buttons.text(
            String.format(Locale.ROOT, "%3.0f %%  %s%s", 100 * match.probability(), match, whose),
            "Take this grid: by it the spread is " + Math.round(match.spreadMs()) + " ms",
            () -> session().quantizing().takeGrid(match));
    button.setMaxWidth(Double.MAX_VALUE);
    button.getStyleClass().addAll("ranked");
    boolean inForce = match.grid().equals(settings().grid()) && match.swing() == settings().swing();
    if (inForce) {
      button.getStyleClass().add("in-force");
    }
    return button;
  }
}
