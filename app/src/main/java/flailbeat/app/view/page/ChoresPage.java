package flailbeat.app.view.page;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.control.Hints;
import flailbeat.app.control.Segments;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.base.PageBox;
import flailbeat.app.view.row.TrialRow;
import flailbeat.core.chore.Chore;
import flailbeat.core.chore.Cleanup;
import flailbeat.core.chore.Reach;
import flailbeat.core.pitch.Key;
import flailbeat.core.session.Session;
import flailbeat.core.session.chores.ChoreCounts;
import flailbeat.core.session.chores.ChoreTrial;
import flailbeat.core.session.document.Aspect;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * The chores, each with the number of notes that it would touch: those that come with the
 * application, and the person's own, which are put together here. A click shows one on the bench.
 */
public final class ChoresPage extends PageBox {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

  private final Session session;
  private final ChoreTrial chores;
  private final Segments<Reach> reach;
  private final Map<Cleanup, Row> built = new EnumMap<>(Cleanup.class);
  private final VBox ownRows = new VBox();
  private final VBox list = new VBox(4);
  private final Label scale = Form.remark("");
  private final Label none = Form.remark("None yet. A chore finds notes by what you say of them.");
  private final ChoreComposer composer;
  private Map<String, Row> own = Map.of();
  private Key shownKey;

  /** One chore. */
  private record Row(HBox box, Button button, Label count) {
    void show(String title, Optional<Integer> found, boolean chosen) {
      button.setText(title);
      count.setText(found.map(String::valueOf).orElse(""));
      count.setOpacity(found.orElse(0) == 0 ? 0.6 : 1);
      box.pseudoClassStateChanged(CHOSEN, chosen);
    }
  }

  /** The page. */
  public static Page page(Session session, ChoreFiles files) {
    return new Page(
        "chores",
        "Chores",
        "",
        "Clean-ups over many notes at once",
        "Shift+F6",
        "M2 9 L8 15 L20 3",
        () -> new ChoresPage(session, files));
  }

  /** The list. */
  public ChoresPage(Session session, ChoreFiles files) {
    super("chores-page");
    this.session = session;
    this.chores = session.chores();
    composer = new ChoreComposer(session, this::showList);
    reach = TrialRow.reachOf(chores, "chores-on");
    VBox builtRows = new VBox(1);
    for (Cleanup each : Cleanup.values()) {
      Row row = row("chore-" + each.id(), () -> chores.tryOut(each));
      built.put(each, row);
      builtRows.getChildren().add(row.box());
    }
    Button fresh =
        Buttons.text("New chore", "Put one together", () -> compose("", Chore.starting()));
    fresh.setId("chore-new");
    Button takeIn =
        Buttons.text("Take in\u2026", "Chores from a file that was handed on", files::importChores);
    takeIn.setId("chores-take-in");
    Button handOn = Buttons.text("Hand on\u2026", "All of yours to a file", files::exportChores);
    handOn.setId("chores-hand-on");
    list.getChildren()
        .addAll(
            Form.row("Work on", reach),
            Form.heading("Clean up"),
            builtRows,
            scale,
            Form.heading("Your own"),
            none,
            ownRows,
            new HBox(6, fresh, takeIn, handOn));
    Follow.changes(
        this,
        session,
        change -> {
          boolean inScale = session.performer().key().equals(shownKey);
          if (!inScale
              || change.isOf(
                  Aspect.CHORES, Aspect.SONG, Aspect.CHOICE, Aspect.SETTINGS, Aspect.TIMING)) {
            refresh();
          }
        });
    sceneProperty()
        .addListener(
            (property, before, now) -> {
              chores.count(now != null);
              refresh();
            });
    showList();
  }

  private static Row row(String id, Runnable press) {
    Button button = Buttons.text("", "Show what it would do", press);
    button.setId(id);
    button.getStyleClass().add("chore");
    button.setMinWidth(0);
    button.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(button, Priority.ALWAYS);
    Label count = new Label();
    count.getStyleClass().addAll("figures", "small");
    count.setMinWidth(USE_PREF_SIZE);
    Hints.on(count, "So many notes or events would be touched");
    HBox box = new HBox(4, button, count);
    box.setAlignment(Pos.CENTER_LEFT);
    box.getStyleClass().add("chore-row");
    return new Row(box, button, count);
  }

  private void showList() {
    getChildren().setAll(list);
    refresh();
  }

  private void compose(String name, Chore chore) {
    composer.open(name, chore);
    getChildren().setAll(composer);
  }

  private void refresh() {
    if (getScene() == null || getChildren().contains(composer)) {
      return;
    }
    reach.show(chores.reach());
    shownKey = session.performer().key();
    scale.setText("The scale is the one under the hands: " + shownKey + ".");
    Optional<ChoreCounts> counts = chores.counts();
    built.forEach(
        (cleanup, row) ->
            row.show(
                cleanup.title(chores.amount(cleanup)),
                counts.map(c -> c.built().get(cleanup)),
                chores.trying().filter(c -> c == cleanup).isPresent()));
    if (!own.keySet().equals(chores.own().all().keySet())) {
      makeOwn();
    }
    own.forEach(
        (name, row) ->
            row.show(
                name,
                counts.map(c -> c.own().get(name)),
                chores.tryingOwn().filter(chores.own().all().get(name)::equals).isPresent()));
    Form.show(none, own.isEmpty());
  }

  private void makeOwn() {
    own = new LinkedHashMap<>();
    for (String name : chores.own().all().keySet()) {
      Row row =
          row("chore-own-" + own.size(), () -> chores.tryOut(name, chores.own().all().get(name)));
      Button edit =
          Buttons.text("Edit", "Change it", () -> compose(name, chores.own().all().get(name)));
      edit.setId("chore-edit-" + own.size());
      edit.getStyleClass().add("small");
      row.box().getChildren().add(edit);
      own.put(name, row);
    }
    ownRows.getChildren().setAll(own.values().stream().map(Row::box).toList());
  }
}
