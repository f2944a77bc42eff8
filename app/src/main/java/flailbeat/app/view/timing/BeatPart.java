package flailbeat.app.view.timing;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.control.KeyTexts;
import flailbeat.core.quantize.PhraseBeat.Taking;
import flailbeat.core.quantize.beat.BeatGuess;
import flailbeat.core.session.Session;
import flailbeat.core.session.timing.BeatSearch;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The beat of what was played with no click: found, heard, and taken. */
final class BeatPart extends TimingPart {
  private static final int SHOWN = 3;

  /** What is less likely is not offered. */
  private static final double LEAST_TOLD = 0.01;

  private final Label remark = Form.remark("");
  private final VBox guesses = new VBox(3);
  private final HBox takings = new HBox(4);
  private final Button hear;
  private final Button leave;

  BeatPart(Session session) {
    super(session);
    Button find =
        Buttons.text(
            "Find the beat",
            "Tempo and bar line from the notes alone ({find-beat})",
            session.beat()::find);
    find.setId("find-beat");
    find.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(find, Priority.ALWAYS);
    Button inSong =
        Buttons.text(
            "Of all tracks",
            "Tempo, meter and bars from all tracks together ({find-song-beat})",
            session.beat()::findInSong);
    inSong.setId("find-song-beat");
    hear =
        Buttons.text(
            "Hear",
            "This track, or the song, with a click on the beats shown",
            session.beat()::hear);
    hear.setId("hear-beat");
    leave = Buttons.text("Leave it", "Forget what was found", session.beat()::leave);
    guesses.setId("beat-guesses");
    for (Taking taking : Taking.values()) {
      Button take = Buttons.text(word(taking), hint(taking), () -> session.beat().take(taking));
      take.setId("take-" + taking.name().toLowerCase(Locale.ROOT).replace('_', '-'));
      take.setMaxWidth(Double.MAX_VALUE);
      take.getStyleClass().add("tight");
      HBox.setHgrow(take, Priority.ALWAYS);
      takings.getChildren().add(take);
    }
    getChildren().addAll(new HBox(6, find, inSong, hear), remark, guesses, takings, leave);
  }

  private static String word(Taking taking) {
    return switch (taking) {
      case PHRASE_FITS -> "Phrase fits";
      case AVERAGE_TEMPO -> "One tempo";
      case TEMPO_MAP -> "Every beat";
    };
  }

  private static String hint(Taking taking) {
    return switch (taking) {
      case PHRASE_FITS -> "Its beats go to the song's beats, at the song's tempo";
      case AVERAGE_TEMPO -> "The song takes the phrase's average tempo";
      case TEMPO_MAP -> "A tempo for every beat: it sounds just as you played it";
    };
  }

  @Override
  void refresh() {
    BeatSearch beat = session().beat();
    boolean on = beat.isOn();
    KeyTexts.set(
        remark,
        on
            ? "Bar lines over the notes show the one chosen."
            : "For a phrase played with no click, such as one from Keep ({keep}).");
    guesses.getChildren().clear();
    List<BeatGuess> all = beat.guesses();
    for (int i = 0; i < Math.min(SHOWN, all.size()); i++) {
      if (i == beat.chosen() || all.get(i).probability() >= LEAST_TOLD) {
        guesses.getChildren().add(choice(i, all.get(i).probability(), i == beat.chosen()));
      }
    }
    hear.setDisable(!on);
    leave.setVisible(on);
    takings.setVisible(on);
    Form.show(takings.getChildren().getFirst(), !beat.isOfSong());
  }

  private Button choice(int index, double probability, boolean chosen) {
    Button button =
        Buttons.text(
            String.format(
                Locale.ROOT, "%3.0f %%  %s", 100 * probability, session().beat().words(index)),
            "Show this one",
            () -> session().beat().choose(index));
    button.setMaxWidth(Double.MAX_VALUE);
    button.getStyleClass().add("ranked");
    if (chosen) {
      button.getStyleClass().add("in-force");
    }
    return button;
  }
}
