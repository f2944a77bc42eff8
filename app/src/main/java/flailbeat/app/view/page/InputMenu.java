package flailbeat.app.view.page;

import flailbeat.app.control.Menus;
import flailbeat.audio.midi.MidiInput;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.MenuButton;

/** Chooses the MIDI input device. */
public final class InputMenu extends MenuButton {
  private static final String NONE = "None";

  private final Consumer<Optional<MidiInput>> onChosen;

  /**
   * Makes a menu.
   *
   * @param lookFor looks for the devices, and gives them back when it has found them
   */
  public InputMenu(
      Consumer<Consumer<List<MidiInput>>> lookFor, Consumer<Optional<MidiInput>> onChosen) {
    this.onChosen = onChosen;
    Menus.dressed(this, "midi-input", "A MIDI device to play on, beside the computer's keys");
    offer(List.of());
    showName(Optional.empty());
    setOnShowing(e -> lookFor.accept(this::offer));
  }

  private void offer(List<MidiInput> devices) {
    getItems().setAll(Menus.item(NONE, () -> onChosen.accept(Optional.empty())));
    for (MidiInput device : devices) {
      getItems().add(Menus.item(device.name(), () -> onChosen.accept(Optional.of(device))));
    }
  }

  /** Shows which is listened to. */
  public void showName(Optional<String> name) {
    setText(name.orElse(NONE));
  }
}
