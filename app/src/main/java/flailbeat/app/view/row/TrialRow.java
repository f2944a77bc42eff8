package flailbeat.app.view.row;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.Segments;
import flailbeat.app.view.base.Follow;
import flailbeat.core.chore.ByNumber;
import flailbeat.core.chore.Chore;
import flailbeat.core.chore.Cleanup;
import flailbeat.core.chore.Measure;
import flailbeat.core.chore.Reach;
import flailbeat.core.session.Session;
import flailbeat.core.session.chores.ChoreTrial;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Notice;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;

/**
 * A chore that is tried, in a row over the bench: what it would do and to how much, its number, and
 * whether to do it. Not there while none is.
 */
public final class TrialRow extends FlowPane {
  private static final double GAP = 5;
  private static final double REACH_WIDTH = 232;

  private final Session session;
  private final ChoreTrial chores;
  private final Label before = StepStrip.label("");
  private final EntryField number;
  private final Label after = StepStrip.label("");
  private final Segments<Reach> reach;
  private final Label says = Form.remark("");
  private final Button again;
  private final Button doIt;

  public TrialRow(Session session) {
    this.session = session;
    this.chores = session.chores();
    getStyleClass().add("note-panel");
    setId("trial");
    number =
        Form.number(
                "trial-number",
                "The number that it goes by",
                n -> chores.trying().ifPresent(c -> chores.setAmount(c, n)))
            .stepping(this::step);
    before.setMinWidth(USE_PREF_SIZE);
    after.setMinWidth(USE_PREF_SIZE);
    reach = reachOf(chores, "trial-on");
    reach.setPrefWidth(REACH_WIDTH);
    says.setId("trial-says");
    says.setWrapText(false);
    again = Buttons.text("Draw again", "Leave it to chance anew", chores::drawAgain);
    again.setId("trial-again");
    doIt =
        Buttons.text("Do it", "As one step, which undo takes back ({chore-do})", chores::carryOut);
    doIt.setId("trial-do");
    doIt.getStyleClass().add("primary");
    Button leave = Buttons.text("Leave it", "All stays as it is ({chore-leave})", chores::leave);
    leave.setId("trial-leave");
    HBox title = new HBox(GAP, before, number, after);
    title.setAlignment(Pos.CENTER_LEFT);
    getChildren().addAll(title, reach, says, again, doIt, leave);
    Follow.changes(
        this,
        session,
        this::refresh,
        Aspect.CHORES,
        Aspect.SONG,
        Aspect.CHOICE,
        Aspect.TIMING,
        Aspect.KEYS);
  }

  /** Chooses how much of the song chores work on. */
  public static Segments<Reach> reachOf(ChoreTrial chores, String name) {
    Segments<Reach> result = new Segments<>(chores::setReach);
    for (Reach each : Reach.values()) {
      result.add(each, each.title(), hint(each));
    }
    return result.named(name);
  }

  private static String hint(Reach reach) {
    return switch (reach) {
      case SELECTION -> "The selected notes ({chore-reach-selection})";
      case CLIP -> "The chosen clip ({chore-reach-clip})";
      case TRACK -> "The chosen track ({chore-reach-track})";
      case SONG -> "Every track ({chore-reach-song})";
    };
  }

  private void step(int by) {
    chores
        .trying()
        .ifPresent(
            c -> chores.setAmount(c, Math.clamp(chores.amount(c) + by, c.least(), c.most())));
  }

  private void refresh() {
    Form.show(this, chores.isTrying());
    if (!chores.isTrying()) {
      return;
    }
    Optional<Cleanup> built = chores.trying().filter(Cleanup::hasAmount);
    List<String> parts =
        built
            .map(c -> List.of(c.title().split(ByNumber.MARK, -1)))
            .orElse(List.of(chores.title(), ""));
    String scale = chores.trying().filter(Cleanup::isOfScale).map(c -> ", " + key()).orElse("");
    before.setText(parts.getFirst().strip() + scale);
    after.setText(parts.getLast().strip());
    Form.show(number, built.isPresent());
    Form.show(after, built.isPresent() && !after.getText().isEmpty());
    built.ifPresent(c -> number.show(String.valueOf(chores.amount(c))));
    reach.show(chores.reach());
    boolean nothing = chores.outcome().isNothing();
    says.setText(
        (nothing ? "Nothing to do" : chores.outcome().inWords())
            + ", of "
            + Notice.notes(chores.among()));
    doIt.setDisable(nothing);
    Form.show(again, chores.tryingOwn().filter(TrialRow::isLeftToChance).isPresent());
  }

  private String key() {
    return session.performer().key().toString();
  }

  private static boolean isLeftToChance(Chore chore) {
    return chore.when().stream()
        .flatMap(List::stream)
        .anyMatch(term -> term.of() == Measure.CHANCE);
  }
}
