package flailbeat.app.view.row;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.control.Hints;
import flailbeat.app.control.KeyTexts;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Narrowness;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.session.document.Notice;
import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.remixicon.RemixiconAL;

/** One line that says what is going on, what last happened, and what is wrong with the sound. */
public final class NoticeLine extends VBox {
  private static final PseudoClass RECORDING = PseudoClass.getPseudoClass("recording");
  private static final PseudoClass COUNTING = PseudoClass.getPseudoClass("counting");
  private static final PseudoClass PLAYING = PseudoClass.getPseudoClass("playing");

  /** A narrower window has no room for a hint beside what is told. */
  private static final double WIDE = 760;

  private static final int AFTER_GAP = 3;

  private final HBox line = new HBox();
  private final HBox below = new HBox();
  private final Session session;
  private final Label state = new Label();
  private final Label text = new Label();
  private final Label sound = new Label();
  private final Label journal = new Label();
  private final Button retry;
  private final ProgressBar progress = new ProgressBar();
  private final Button leaveOff;
  private final Label hint = new Label();
  private final Button noHints;
  private Optional<String> shownHint = Optional.of("");
  private final StateWords states;
  private Narrowness narrowness;
  private String shownState = "";
  private String shownFault = "";

  /**
   * Makes the line.
   *
   * @param retrySound looks for the sound device again
   * @param callOff ends what is being worked out
   */
  public NoticeLine(Session session, Runnable retrySound, Runnable callOff) {
    this.session = session;
    states = new StateWords(session);
    setMinHeight(USE_PREF_SIZE);
    for (HBox each : List.of(line, below)) {
      each.getStyleClass().add("notice-line");
    }
    state.getStyleClass().addAll("state-word", "small");
    state.setId("state");
    state.setMinWidth(USE_PREF_SIZE);
    text.setId("notice");
    sound.setId("sound-fault");
    sound.getStyleClass().add("warning");
    journal.setId("journal-fault");
    journal.getStyleClass().add("warning");
    retry = Buttons.text("Try again", "Look for a sound device again", retrySound);
    retry.getStyleClass().addAll("quiet", "small");
    leaveOff = Buttons.text("Leave off", "What is being worked out is not wanted", callOff);
    leaveOff.setId("leave-off");
    leaveOff.getStyleClass().addAll("quiet", "small");
    progress.setId("progress");
    progress.setPrefWidth(120);
    showWork(Optional.empty(), false);
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    hint.setId("hint");
    hint.getStyleClass().addAll("hint", "small");
    noHints =
        Buttons.icon(
            RemixiconAL.CLOSE_LINE,
            "No more hints for newcomers; Help has them again ({first-steps})",
            session.person().firstSteps()::toggle);
    noHints.setId("no-hints");
    noHints.getStyleClass().addAll("quiet", "small");
    line.getChildren().addAll(state, text, gap, progress, leaveOff, journal, sound, retry);
    getChildren().addAll(line, below);
    narrowness = new Narrowness(this, session, WIDE, scale -> placeHint());
    placeHint();
    showJournal(Optional.empty());
    showFault(Optional.empty());
    Follow.changes(this, session, this::onChange);
    refreshState();
    showHint();
  }

  /** The one thing that is useful next, for who has not done it yet; a lesson says its own. */
  private void showHint() {
    Optional<String> next =
        session
            .person()
            .firstSteps()
            .next()
            .filter(s -> !session.document().isPractice())
            .map(s -> s.says(session.performer().keysMode()));
    if (next.equals(shownHint)) {
      return;
    }
    shownHint = next;
    next.ifPresent(
        says -> {
          KeyTexts.set(hint, "Next: " + says);
          Hints.on(hint, "Useful next: " + says);
        });
    Form.show(hint, next.isPresent());
    Form.show(noHints, next.isPresent());
    placeHint();
  }

  /** Who has a screen read out hears of it, as long as the window itself has the focus. */
  private void readOut() {
    if (getScene() != null) {
      getScene().getRoot().setAccessibleText(text.getText());
    }
  }

  /** In a narrow window it stands in a line of its own, so that neither cuts the other. */
  private void placeHint() {
    boolean narrow = narrowness != null && narrowness.isNarrow();
    HBox wanted = narrow ? below : line;
    if (hint.getParent() != wanted) {
      line.getChildren().removeAll(hint, noHints);
      below.getChildren().removeAll(hint, noHints);
      wanted.getChildren().addAll(narrow ? 0 : AFTER_GAP, List.of(hint, noHints));
    }
    Form.show(below, narrow && shownHint.isPresent());
  }

  private void onChange(Change change) {
    if (change.isOf(Aspect.NOTICE)) {
      Notice notice = session.notices().current();
      KeyTexts.set(text, notice.text());
      readOut();
      text.getStyleClass().remove("warning");
      if (notice.warning()) {
        text.getStyleClass().add("warning");
      }
    }
    refreshState();
    if (change.isOf(Aspect.SETTINGS, Aspect.SONG, Aspect.KEYS)) {
      showHint();
    }
  }

  private void refreshState() {
    String words = states.now();
    if (words.equals(shownState)) {
      return;
    }
    shownState = words;
    KeyTexts.set(state, words);
    PseudoClass style =
        switch (session.runControl().transport().state()) {
          case STOPPED -> null;
          case COUNTING_IN -> COUNTING;
          case PLAYING -> PLAYING;
          case RECORDING -> RECORDING;
        };
    for (PseudoClass each : new PseudoClass[] {RECORDING, COUNTING, PLAYING}) {
      state.pseudoClassStateChanged(each, each == style);
    }
  }

  /**
   * Called for each frame: says how far work is that takes a while, if there is any.
   *
   * @param done 0 to 1, or below 0 where that cannot be told
   */
  public void showWork(Optional<Double> done, boolean canBeLeft) {
    done.ifPresent(progress::setProgress);
    show(progress, done.isPresent());
    show(leaveOff, done.isPresent() && canBeLeft);
  }

  private static void show(Node node, boolean shown) {
    if (node.isVisible() != shown) {
      Form.show(node, shown);
    }
  }

  /** Called for each frame: says why what is done would not outlast a crash, if so. */
  public void showJournal(Optional<String> trouble) {
    String now = trouble.map(t -> "Not safe from a crash: " + t).orElse("");
    if (!now.equals(journal.getText()) || journal.isVisible() == now.isEmpty()) {
      journal.setText(now);
      Hints.on(journal, now + ". What you do is in memory alone: save often ({song-save})");
      Form.show(journal, !now.isEmpty());
    }
  }

  /** Called for each frame: says why nothing is heard, if so. */
  public void showFault(Optional<String> fault) {
    String now = fault.map(f -> "Silent: " + f).orElse("");
    boolean shown = !now.isEmpty();
    if (!now.equals(shownFault) || sound.isVisible() != shown) {
      shownFault = now;
      sound.setText(now);
      sound.setVisible(shown);
      Form.show(retry, shown);
    }
  }
}
