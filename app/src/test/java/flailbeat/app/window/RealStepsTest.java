package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.files.SongFiles;
import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Note;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.transport.Transport.State;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Stepping parts in by real keys in the real window, without the mouse. */
@Tag("window")
class RealStepsTest extends RealWindow {
  private static final Path MELODIES = Path.of("../core/src/test/resources/flailbeat/core/step");
  private static final Map<String, String> DIGITS =
      Map.of("1", "1", "2", "2", "4", "4", "8", "8", "16", "6", "32", "3", "64", "5");

  /** At Span, where notes lie on length keys, those are reached with Ctrl or Alt. */
  @ParameterizedTest
  @CsvSource({"ode, HOME, 60", "minuet, SPAN, 55", "moonlight, SPAN, 48"})
  void a_melody_is_stepped_in_and_is_what_its_notation_says(
      String name, ArrangementKind kind, int base) throws Exception {
    ui.run(
        () -> {
          ui.session.performer().arrange(kind);
          ui.session.performer().moveReach(base - ui.session.performer().hands().base());
        });
    steps(Files.readString(MELODIES.resolve(name + ".keys")));
    List<Note> notated =
        SongFiles.standard().read(MELODIES.resolve(name + ".mid")).song().tracks().stream()
            .flatMap(t -> t.notes().stream())
            .toList();
    // abc2midi begins each note a tick of its 480 late.
    assertThat(notes())
        .extracting(n -> n.onset() + " " + n.end() + " " + n.pitch())
        .containsExactlyElementsOf(
            notated.stream().map(n -> n.onset() - 2 + " " + n.end() + " " + n.pitch()).toList());
  }

  @Test
  void eight_of_each_length_from_quarters_to_thirty_seconds_of_one_drum() throws Exception {
    ui.run(() -> ui.session.performer().arrange(ArrangementKind.PADS));
    steps("/4 C2 x8 /8 C2 x8 /16 C2 x8 /32 C2 x8");
    List<String> lines = new ArrayList<>();
    long at = 0;
    for (int length : new int[] {960, 480, 240, 120}) {
      for (int i = 0; i < 8; i++) {
        lines.add(at + " 36 " + length);
        at += length;
      }
    }
    assertThat(lines()).isEqualTo(lines);
  }

  @Test
  void voicings_are_found_first_and_entered_after() throws Exception {
    keys.send("+F3 -F3 ~60");
    keys.chord("CONTROL", "F");
    steps("/2 C4 E4 G4 +C4 +E4 +A4 -A4 +G4 > -C4 -E4 -G4");
    steps("+C4 +F4 +A4 > -C4 -F4 -A4 +D4 +G4 +B4 /4 -D4 -G4 -B4 +C4 +E4 +G4 /1 -C4 -E4 -G4");
    assertThat(notes()).hasSize(12);
    assertThat(notes().stream().map(n -> n.onset() + "+" + n.length()).distinct())
        .containsExactly("0+1920", "1920+1920", "3840+960", "4800+3840");
  }

  @Test
  void a_tapped_rhythm_gets_its_pitches_afterwards() throws Exception {
    ui.run(
        () ->
            ui.session.runControl().setSettings(PlaySettings.standard().withCountIn(CountIn.NONE)));
    keys.send("+SHIFT +SPACE -SPACE -SHIFT");
    ui.await(() -> ui.session.runControl().transport().state() == State.RECORDING);
    keys.send("~150 +A ~90 -A ~160 +A ~70 -A ~60 +A ~70 -A ~300 +A ~200 -A ~80 +SPACE -SPACE");
    ui.await(() -> !ui.session.runControl().transport().isRunning());
    List<Note> tapped = notes();
    assertThat(tapped).hasSize(4);
    keys.send("+F3 -F3 ~60");
    keys.chord("CONTROL", "R");
    keys.chord("CONTROL", "HOME");
    steps("D4 F4 A4 G4");
    assertThat(notes()).extracting(Note::pitch).containsExactly(62, 65, 69, 67);
    assertThat(notes())
        .extracting(n -> n.onset() + " " + n.length() + " " + n.velocity())
        .isEqualTo(
            tapped.stream().map(n -> n.onset() + " " + n.length() + " " + n.velocity()).toList());
    assertThat(ui.text("step-says")).startsWith("No note is left");
  }

  @Test
  void steps_on_a_french_keyboard_have_their_lengths_where_the_digits_are() throws Exception {
    setLayout("fr");
    ui.run(
        () ->
            ui.session
                .performer()
                .setLayout(flailbeat.core.keys.KeyLayout.named("AZERTY").orElseThrow()));
    keys.send("+F3 -F3 ~60 +8 -8 ~60 +Q ~20 -Q ~60");
    ui.await(() -> notes().size() == 1);
    assertThat(lines()).containsExactly("0 60 480");
  }

  /** Keys as {@code StepScript} has them, at Steps. */
  private void steps(String script) throws Exception {
    if (ui.get(() -> ui.session.performer().keysMode()) != KeysMode.STEPS) {
      keys.send("+F3 -F3 ~80");
    }
    boolean covered =
        ui.get(() -> ui.session.performer().hands().arrangement().kind()) != ArrangementKind.HOME;
    StringBuilder words = new StringBuilder();
    String before = "";
    for (String key : script.strip().split("\\s+")) {
      int times = key.startsWith("x") ? Integer.parseInt(key.substring(1)) - 1 : 1;
      before = times == 1 && !key.startsWith("x") ? key : before;
      words.append((word(before, covered) + " ").repeat(times));
    }
    keys.send(words.append("~150").toString());
  }

  private String word(String key, boolean covered) {
    String tail = " ~6 ";
    return switch (key.charAt(0)) {
      case '/' -> tapped(DIGITS.get(key.substring(1)), covered ? "CONTROL" : "") + tail;
      case '.' -> tapped("PERIOD", covered ? "ALT" : "") + tail;
      case 't' -> tapped("SLASH", covered ? "CONTROL" : "") + tail;
      case '>' -> "+RIGHT -RIGHT" + tail;
      case '+' -> "+" + keyOf(key.substring(1)) + tail;
      case '-' -> "-" + keyOf(key.substring(1)) + tail;
      default -> tapped(keyOf(key), "") + tail;
    };
  }

  private static String tapped(String key, String modifier) {
    return modifier.isEmpty()
        ? "+" + key + " ~6 -" + key
        : "+" + modifier + " +" + key + " -" + key + " -" + modifier;
  }

  private String keyOf(String name) {
    int pitch =
        "C C#D D#E F F#G G#A A#B "
                    .indexOf((name.substring(0, name.length() - 1) + " ").substring(0, 2))
                / 2
            + 12 * (Character.digit(name.charAt(name.length() - 1), 10) + 1);
    return ui.get(
        () -> {
          for (PhysicalKey key : PhysicalKey.values()) {
            if (ui.session.performer().hands().pitchesAt(key).equals(List.of(pitch))) {
              return key.name()
                  .replace("DIGIT_", "")
                  .replace("LEFT_BRACKET", "OPEN_BRACKET")
                  .replace("RIGHT_BRACKET", "CLOSE_BRACKET");
            }
          }
          throw new IllegalArgumentException("No key gives " + name);
        });
  }

  private List<String> lines() {
    return notes().stream().map(n -> n.onset() + " " + n.pitch() + " " + n.length()).toList();
  }
}
