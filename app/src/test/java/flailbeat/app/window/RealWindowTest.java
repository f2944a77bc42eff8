package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.session.run.NoteVersion;
import flailbeat.core.transport.Transport.State;
import java.util.List;
import java.util.Optional;
import javafx.event.Event;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuBar;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Real keys sent to the real window, as Xvfb gives them. */
@Tag("window")
class RealWindowTest extends RealWindow {
  @Test
  void a_held_key_is_struck_once_however_long_the_system_repeats_it() throws Exception {
    keys.send("+SHIFT +SPACE -SPACE -SHIFT");
    ui.await(() -> ui.session.runControl().transport().state() == State.RECORDING);
    keys.send("+D ~1500 -D ~50 +SPACE -SPACE ~100");
    ui.await(() -> !ui.session.runControl().transport().isRunning());
    assertThat(notes()).hasSize(1);
    assertThat(ui.session.song().tempos().millisBetween(0, notes().get(0).length()))
        .as("how long exactly is for the bench to say")
        .isGreaterThan(200.0);
  }

  @Test
  void a_menu_that_is_left_by_esc_or_enter_leaves_keys_and_held_notes_as_they_were()
      throws Exception {
    Menu view =
        ui.get(
            () ->
                ((MenuBar) ui.node("menus"))
                    .getMenus().stream()
                        .filter(m -> m.getId().equals("menu-view"))
                        .findFirst()
                        .orElseThrow());
    keys.send("+A ~60");
    for (String end : List.of("ESCAPE", "ENTER")) {
      ui.run(view::show);
      keys.send("~150 +DOWN -DOWN ~50 +" + end + " -" + end + " ~150");
      ui.await(() -> !view.isShowing());
      expectSounding(60);
      assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.PLAY);
      assertThat(ui.session.performer().pedals().isSustaining()).isFalse();
    }
    keys.send("-A ~60");
    expectSounding();
  }

  /** Found by its name with a held note, heard by its letters, kept: with the keyboard alone. */
  @Test
  void a_sound_is_found_tried_and_kept_while_a_note_is_held() throws Exception {
    keys.send("+A ~60 +CONTROL +B -B -CONTROL ~200 +CONTROL +F -F -CONTROL ~200");
    keys.send("+K -K ~40 +O -O ~40 +T -T ~40 +O -O ~100 +ENTER -ENTER ~150");
    ui.await(() -> ui.session.sounds().current().isPresent());
    keys.send("+D ~60");
    assertThat(ui.get(() -> ui.session.sounds().isOpen())).isTrue();
    keys.send("-D ~40 +ENTER -ENTER ~150");
    assertThat(ui.get(() -> ui.session.document().track().instrument()))
        .isEqualTo(Instrument.melodic(107));
    keys.send("-A ~60");
    expectSounding();
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.PLAY);
  }

  /** No release comes for keys held as the focus goes; on the way back they may repeat. */
  @Test
  void when_the_focus_goes_with_keys_held_nothing_hangs_and_nothing_starts_by_itself()
      throws Exception {
    keys.send("+A +D +G ~60");
    expectSounding(60, 64, 67);
    Stage other = ui.get(Stage::new);
    ui.run(
        () -> {
          other.setScene(new Scene(new Pane(), 200, 100));
          other.show();
          other.requestFocus();
        });
    ui.await(() -> !ui.stage.isFocused());
    expectSounding();
    ui.run(
        () -> {
          other.hide();
          ui.stage.requestFocus();
        });
    ui.await(() -> ui.stage.isFocused());
    keys.send("~700");
    assertThat(sounding()).as("the held keys only repeat").isEmpty();
    keys.send("-A -D -G ~60 +A ~60");
    expectSounding(60);
    keys.send("-A ~60");
    expectSounding();
  }

  /**
   * The system's own keyboard descriptions (xkeyboard-config, by setxkbmap): the places of the home
   * row, pressed by what is printed there, play the same notes on every layout.
   */
  @Test
  void on_every_layout_the_same_places_play_the_same_notes_and_none_hangs() throws Exception {
    String[][] layouts = {
      {"QWERTY", "us", "A S D F J K", "Y"},
      {"QWERTZ", "de", "A S D F J K", "Z"},
      {"AZERTY", "fr", "Q S D F J K", "Y"},
      {"Dvorak", "us dvorak", "A O E U H T", "F"},
      {"Colemak", "us colemak", "A R S T N E", "J"}
    };
    for (String[] each : layouts) {
      setLayout(each[1]);
      ui.run(() -> ui.session.performer().setLayout(KeyLayout.named(each[0]).orElseThrow()));
      keys.send("~400");
      String[] home = each[2].split(" ");
      int[] notes = {60, 62, 64, 65, 71, 72};
      for (int i = 0; i < home.length; i++) {
        keys.send("+" + home[i] + " ~60");
        expectSounding(notes[i]);
        keys.send("-" + home[i] + " ~60");
      }
      keys.send("+" + each[3] + " ~60");
      expectSounding(68);
      keys.send("-" + each[3] + " ~60");
      expectSounding();
    }
  }

  @Test
  void letters_are_notes_at_the_start_and_escape_makes_them_commands() throws Exception {
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.PLAY);
    keys.chord("ESCAPE");
    ui.await(() -> ui.session.performer().keysMode() == KeysMode.COMMANDS);
    keys.send("+A ~40");
    expectSounding();
    keys.send("-A");
    keys.chord("F2");
    ui.await(() -> ui.session.performer().keysMode() == KeysMode.PLAY);
    keys.send("+A ~40");
    expectSounding(60);
    keys.send("-A ~40");
  }

  @Test
  void as_played_is_heard_for_as_long_as_its_keys_are_held() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    keys.chord("CONTROL", "T");
    keys.send("+CONTROL +SHIFT +T ~200");
    ui.await(() -> ui.session.timing().version() == NoteVersion.PLAYED);
    keys.send("-T -SHIFT -CONTROL ~100");
    ui.await(() -> ui.session.timing().version() == NoteVersion.STANDING);
    ui.await(() -> !ui.session.runControl().transport().isRunning());
  }

  @Test
  void three_doubtful_notes_are_decided_with_three_keys_and_no_letter_plays_meanwhile()
      throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    keys.chord("CONTROL", "D");
    ui.await(() -> ui.session.doubts().isOn());
    assertThat(ui.text("who-has-the-keys")).startsWith("Doubtful 1 of 3");
    keys.chord("LEFT");
    ui.await(() -> ui.session.doubts().left() == 2);
    keys.send("+A ~40");
    ui.await(() -> ui.session.doubts().left() == 1);
    expectSounding();
    keys.send("-A");
    keys.chord("LEFT");
    ui.await(() -> !ui.session.doubts().isOn());
    assertThat(ui.text("who-has-the-keys")).startsWith("Letter keys are notes");
    keys.send("+A ~40");
    expectSounding(60);
    keys.send("-A ~40");
    keys.chord("CONTROL", "T");
    ui.await(() -> notes().stream().allMatch(n -> n.onset() % 240 == 0));
  }

  @Test
  void enter_sustains_arrows_bend_and_shift_accents_and_losing_the_focus_lets_all_go()
      throws Exception {
    keys.send("+ENTER +RIGHT ~400");
    ui.await(() -> ((Label) ui.node("pedals")).getText().equals("sustain, bend +100 %"));
    keys.send("-RIGHT -ENTER ~400");
    ui.await(() -> !ui.session.performer().pedals().isSustaining());
    ui.await(() -> ui.session.performer().pedals().bend() == 0);
    keys.chord("SHIFT", "ENTER");
    keys.chord("SHIFT", "UP");
    ui.await(() -> ((Label) ui.node("pedals")).getText().equals("sustain latched, modulation 16"));
    keys.send("+SHIFT +SEMICOLON ~60");
    expectSounding(76);
    keys.send("-SEMICOLON -SHIFT ~60");
    expectSounding();
    keys.send("+A +SHIFT -A -SHIFT ~60");
    expectSounding();
    ui.run(() -> ui.stage.hide());
    assertThat(ui.get(() -> ui.session.performer().pedals().isSustaining())).isFalse();
  }

  /** The system then names the keys otherwise as they come up, by itself or by our own menu. */
  @Test
  void a_layout_switched_while_keys_are_held_leaves_no_note_behind() throws Exception {
    keys.send("+A +Y ~60");
    expectSounding(60, 68);
    setLayout("de");
    keys.send("~900 -Z ~60");
    expectSounding();
    keys.send("-A ~60");
    keys.send("+A ~60");
    expectSounding(60);
    ui.run(() -> ui.session.performer().setLayout(KeyLayout.QWERTZ));
    expectSounding();
    keys.send("-A ~60 +Z ~60");
    expectSounding(68);
    keys.send("-Z ~60");
    expectSounding();
  }

  /** As when a release is lost on its way: the press comes by itself, the real key follows. */
  @Test
  void a_lost_release_is_mended_by_the_next_one_of_the_same_key() throws Exception {
    ui.run(
        () ->
            Event.fireEvent(
                ui.stage.getScene(),
                new KeyEvent(
                    KeyEvent.KEY_PRESSED, "a", "a", KeyCode.A, false, false, false, false)));
    expectSounding(60);
    keys.send("+A ~50 -A ~60");
    expectSounding();
  }
}
