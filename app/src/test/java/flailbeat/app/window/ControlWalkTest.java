package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.command.Command;
import flailbeat.app.command.Group;
import flailbeat.app.control.ControlWalk;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.run.NoteVersion;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.Slider;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** All controls are reached by keys alone, and everybody sees which one has the keys. */
class ControlWalkTest extends HeadlessWindow {
  @BeforeEach
  void openDemo() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    ui.run(() -> ui.session.keysSwitch().set(KeysMode.PLAY));
  }

  private Node owner() {
    return ui.get(() -> ui.stage.getScene().getFocusOwner());
  }

  private List<Node> all() {
    return ui.get(() -> new ControlWalk(ui.stage.getScene().getRoot()).all());
  }

  private void lead() throws Exception {
    type(KeyCode.SHIFT, KeyCode.F2);
  }

  private void leadTo(String id) throws Exception {
    lead();
    for (int i = 0; i < 200 && !id.equals(owner().getId()); i++) {
      type(KeyCode.TAB);
    }
    assertThat(owner().getId()).isEqualTo(id);
  }

  @Test
  void every_control_in_sight_is_reached_once_by_tab_with_a_ring_and_a_name() throws Exception {
    List<Node> controls = all();
    assertThat(controls).hasSizeGreaterThan(60);
    lead();
    List<Node> reached = new ArrayList<>();
    for (int i = 0; i < controls.size(); i++) {
      Node now = owner();
      reached.add(now);
      boolean caret = now instanceof TextInputControl;
      assertThat(ui.get(() -> ui.node("focus-ring").isVisible())).as("%s", now).isNotEqualTo(caret);
      assertThat(nameOf(now)).as("%s", now).isNotBlank();
      type(KeyCode.TAB);
    }
    assertThat(new HashSet<>(reached)).hasSize(controls.size());
    assertThat(reached).containsAll(controls);
    assertThat(owner()).as("round").isSameAs(reached.getFirst());
    type(KeyCode.SHIFT, KeyCode.TAB);
    assertThat(owner()).isSameAs(reached.getLast());
  }

  /** WCAG 2.2, 4.1.2 (name, role, value): what a screen reader has to say of each. */
  @Test
  void every_control_of_every_page_has_a_name_for_a_screen_reader() {
    List<String> nameless = new ArrayList<>();
    for (Command page : ui.window.commands().of(Group.PAGES)) {
      ui.choose(page.id());
      for (Node node : all()) {
        if (ui.get(() -> nameOf(node)).isBlank()) {
          nameless.add(page.id() + ": " + node);
        }
      }
    }
    assertThat(nameless).isEmpty();
  }

  private static String nameOf(Node node) {
    String told = node.getAccessibleText();
    return told != null && !told.isBlank()
        ? told
        : node instanceof Labeled labeled ? labeled.getText() : "";
  }

  @Test
  void a_control_has_the_plain_keys_until_escape_and_no_letter_plays() throws Exception {
    leadTo("loop");
    assertThat(ui.text("who-has-the-keys")).startsWith("The controls have the keys");
    press(KeyCode.A);
    assertThat(sounding()).isEmpty();
    release(KeyCode.A);
    boolean before = ui.session.runControl().looping().isOn();
    type(KeyCode.SPACE);
    assertThat(ui.session.runControl().looping().isOn()).isNotEqualTo(before);
    assertThat(ui.session.runControl().transport().isRunning()).isFalse();
    type(KeyCode.ESCAPE);
    assertThat(ui.session.performer().keysMode()).as("as before").isEqualTo(KeysMode.PLAY);
    assertThat(ui.get(() -> ui.node("focus-ring").isVisible())).isFalse();
    press(KeyCode.A);
    assertThat(sounding()).as("letters are notes again").containsExactly(60);
    release(KeyCode.A);
  }

  @Test
  void tab_goes_on_from_a_field_and_a_note_that_is_held_ends_with_its_finger() throws Exception {
    press(KeyCode.A);
    leadTo("tempo");
    release(KeyCode.A);
    assertThat(sounding()).isEmpty();
    assertThat(ui.text("who-has-the-keys")).startsWith("The field has the letters");
    type(KeyCode.TAB);
    assertThat(owner().getId()).isEqualTo("meter");
    type(KeyCode.TAB);
    assertThat(owner()).isNotInstanceOf(TextInputControl.class);
    type(KeyCode.F2);
    assertThat(ui.get(() -> ui.node("focus-ring").isVisible())).isFalse();
    press(KeyCode.S);
    assertThat(sounding()).containsExactly(62);
    release(KeyCode.S);
  }

  @Test
  void a_control_that_has_nothing_more_to_do_hands_the_keys_to_the_next() throws Exception {
    leadTo("quantize");
    type(KeyCode.SPACE);
    ui.await(() -> ui.node("quantize").isDisabled());
    ui.await(() -> ui.stage.getScene().getFocusOwner() == ui.node("as-played"));
    assertThat(ui.get(() -> ui.node("focus-ring").isVisible())).isTrue();
    assertThat(ui.text("who-has-the-keys")).startsWith("The controls have the keys");
  }

  @Test
  void a_button_that_is_held_by_the_mouse_is_pressed_by_space_until_it_is_pressed_again()
      throws Exception {
    leadTo("as-played");
    type(KeyCode.SPACE);
    assertThat(ui.session.timing().version()).isEqualTo(NoteVersion.PLAYED);
    type(KeyCode.SPACE);
    assertThat(ui.session.timing().version()).isEqualTo(NoteVersion.STANDING);
    type(KeyCode.SPACE);
    type(KeyCode.ESCAPE);
    assertThat(ui.session.timing().version()).as("it is left").isEqualTo(NoteVersion.STANDING);
  }

  /** WCAG 2.2, 4.1.2: what kind of control it is, and what it is set to. */
  @Test
  void every_control_of_every_page_has_a_role_and_what_is_set_has_a_value() {
    List<String> faults = new ArrayList<>();
    for (Command page : ui.window.commands().of(Group.PAGES)) {
      ui.choose(page.id());
      for (Node node : all()) {
        Object role = ui.get(() -> node.queryAccessibleAttribute(AccessibleAttribute.ROLE));
        if (role == null || role == AccessibleRole.NODE || role == AccessibleRole.PARENT) {
          faults.add(page.id() + ": no role: " + node);
        }
        if (ui.get(() -> lacksValue(node))) {
          faults.add(page.id() + ": no value: " + node);
        }
      }
    }
    assertThat(faults).isEmpty();
  }

  private static boolean lacksValue(Node node) {
    AccessibleAttribute wanted =
        switch (node) {
          case Slider slider -> AccessibleAttribute.VALUE;
          case ToggleButton toggle -> AccessibleAttribute.SELECTED;
          case CheckBox box -> AccessibleAttribute.SELECTED;
          case TextInputControl text -> AccessibleAttribute.TEXT;
          default -> AccessibleAttribute.ROLE;
        };
    return node.queryAccessibleAttribute(wanted) == null;
  }

  @Test
  void a_control_that_goes_out_of_sight_gives_the_keys_back() throws Exception {
    leadTo("quantize");
    type(KeyCode.F9);
    ui.await(() -> !ui.node("focus-ring").isVisible());
    press(KeyCode.A);
    assertThat(sounding()).containsExactly(60);
    release(KeyCode.A);
    type(KeyCode.F9);
  }
}
