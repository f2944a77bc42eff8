package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.Chords;
import flailbeat.core.harmony.ChordReading;
import flailbeat.core.harmony.Voicing;
import flailbeat.core.model.Note;
import flailbeat.core.transport.Transport.State;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** A progression from its names to how it sounds, by real keys in the real window alone. */
@Tag("window")
class RealChordsTest extends RealWindow {
  @Test
  void a_progression_is_typed_voiced_smoothed_strummed_turned_over_and_heard() throws Exception {
    keys.chord("CONTROL", "SHIFT", "H");
    ui.await(() -> ui.text("who-has-the-keys").startsWith("The field has the letters"));
    type("Dm7 G13 | Cmaj7 | A7");
    keys.send("+ENTER -ENTER ~200");
    ui.await(() -> chords().size() == 4);
    assertThat(names()).containsExactly("Dm7", "G13", "Cmaj7", "A7");
    assertThat(ui.text("who-has-the-keys")).startsWith("Letter keys are notes");
    find("close position");
    find("lead chords");
    List<List<Integer>> led = chords();
    for (int i = 1; i < led.size(); i++) {
      int moved = Voicing.distance(led.get(i - 1), led.get(i));
      assertThat(moved)
          .isEqualTo(Voicing.distance(led.get(i - 1), Voicing.nearest(led.get(i - 1), led.get(i))));
    }
    keys.chord("CONTROL", "U");
    ui.await(() -> !chords().equals(led));
    assertThat(chords().getFirst().getFirst()).isEqualTo(led.getFirst().get(1));
    List<Note> before = notes();
    find("strum 30");
    assertThat(names()).containsExactly("F6", "G13", "Cmaj7/G", "A7/G");
    assertThat(notes()).hasSameSizeAs(before);
    assertThat(notes().stream().map(Note::onset).distinct().count()).isGreaterThan(12);
    keys.send("+SPACE -SPACE ~300");
    ui.await(() -> ui.session.runControl().transport().state() == State.PLAYING);
    ui.await(() -> ui.session.runControl().positionTicks() > 400);
    keys.send("+SPACE -SPACE ~100");
    ui.await(() -> !ui.session.runControl().transport().isRunning());
    for (int i = 0; i < 5; i++) {
      keys.chord("CONTROL", "Z");
    }
    ui.await(() -> ui.session.song().noteCount() == 0);
    keys.send("+A ~60");
    expectSounding(60);
    keys.send("-A ~60");
    expectSounding();
  }

  private void find(String words) throws Exception {
    String label = ui.get(() -> String.valueOf(ui.session.document().undoLabel()));
    keys.send("+F4 -F4 ~100");
    type(words);
    keys.send("~150 +ENTER -ENTER ~150");
    ui.await(() -> !String.valueOf(ui.session.document().undoLabel()).equals(label));
  }

  private void type(String text) throws Exception {
    StringBuilder words = new StringBuilder();
    for (String letter : text.split("")) {
      boolean shift = letter.equals("|") || !letter.equals(letter.toLowerCase(Locale.ROOT));
      String key =
          switch (letter) {
            case " " -> "SPACE";
            case "|" -> "BACK_SLASH";
            default -> letter.toUpperCase(Locale.ROOT);
          };
      words.append(shift ? "+SHIFT " : "").append('+').append(key).append(" -").append(key);
      words.append(shift ? " -SHIFT" : "").append(" ~15 ");
    }
    keys.send(words.toString());
  }

  private List<List<Integer>> chords() {
    List<List<Integer>> result = new ArrayList<>();
    for (List<Note> chord :
        ui.get(() -> Chords.ofStrummed(notesNow(), ui.session.song().tempos()))) {
      result.add(chord.stream().map(Note::pitch).sorted().toList());
    }
    return result;
  }

  private List<Note> notesNow() {
    return ui.session.document().track().notes();
  }

  private List<String> names() {
    return chords().stream()
        .map(c -> ui.get(() -> ui.session.chords().harmony().names(c)))
        .map(List::getFirst)
        .map(ChordReading::chord)
        .map(c -> c.name())
        .toList();
  }
}
