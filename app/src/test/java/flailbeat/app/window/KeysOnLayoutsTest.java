package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import flailbeat.app.command.Group;
import flailbeat.app.command.Keystroke;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.keys.KeySign;
import flailbeat.core.keys.PhysicalKey;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The keys of the table on every layout of a keyboard. */
class KeysOnLayoutsTest extends HeadlessWindow {
  private Commands commands() {
    return ui.window.commands();
  }

  /** Whoever reads a key somewhere must be able to press it: by its sign, or where it would lie. */
  @ParameterizedTest
  @MethodSource("layouts")
  void every_key_of_the_table_can_be_typed_on_every_layout(KeyLayout layout) {
    ui.run(() -> ui.session.performer().setLayout(layout));
    List<String> cannot = new ArrayList<>();
    for (Command command : commands().all()) {
      KeyContext where = command.where() == KeyContext.ANYWHERE ? KeyContext.PLAY : command.where();
      for (Keystroke key : command.keys().own()) {
        if (typedBy(layout, where, key, command).isEmpty()) {
          cannot.add(command.id() + " " + key);
        }
      }
      for (Keystroke key : command.keys().plain()) {
        if (typedBy(layout, KeyContext.COMMANDS, key, command).isEmpty()) {
          cannot.add(command.id() + " " + key);
        }
      }
    }
    assertThat(cannot).isEmpty();
  }

  static Stream<KeyLayout> layouts() {
    return KeyLayout.all().stream();
  }

  /** What the system says as a key of this keyboard is pressed that carries the command out. */
  private Optional<KeySign> typedBy(
      KeyLayout layout, KeyContext where, Keystroke wanted, Command command) {
    if (!wanted.withoutModifiers().isTyped()) {
      return Optional.of(new KeySign(wanted.code().name(), ""));
    }
    return Stream.of(PhysicalKey.values())
        .map(layout::signAt)
        .filter(sign -> sign.isKnowable())
        .filter(
            sign -> {
              Keystroke pressed =
                  new Keystroke(
                      KeyCode.valueOf(sign.code()),
                      wanted.shortcut(),
                      wanted.alt(),
                      wanted.shift());
              return commands().at(where, pressed, layout.placeOf(sign.code(), sign.text()))
                  == command;
            })
        .findFirst();
  }

  @Test
  void a_key_that_a_layout_has_not_is_told_by_what_is_printed_where_it_would_lie() {
    ui.run(() -> ui.session.performer().setLayout(KeyLayout.AZERTY));
    assertThat(commands().keysOf(commands().get("all-off"))).isEqualTo("Ctrl+:");
    ui.run(() -> ui.session.performer().setLayout(KeyLayout.QWERTY));
    assertThat(commands().keysOf(commands().get("all-off"))).isEqualTo("Ctrl+.");
  }

  @Test
  void two_commands_on_one_key_or_of_one_name_are_refused_with_both_named() {
    Command first = Command.of(Group.EDIT, "first", "First", "Ctrl+Q", () -> {});
    Command second = Command.of(Group.EDIT, "second", "Second", "Ctrl+Q", () -> {});
    assertThatThrownBy(() -> new Commands(List.of(first, second)))
        .hasMessageContaining("first")
        .hasMessageContaining("second");
    assertThatThrownBy(() -> new Commands(List.of(first, first))).hasMessageContaining("first");
    assertThat(new Commands(List.of(first, second.in(KeyContext.PLAY))).all()).hasSize(2);
  }
}
