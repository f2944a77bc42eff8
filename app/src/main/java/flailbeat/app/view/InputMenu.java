package flailbeat.app.view;

import flailbeat.audio.midi.MidiInput;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;

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
    setId("midi-input");
    setFocusTraversable(false);
    setTooltip(new Tooltip("A MIDI device to play on, beside the computer's keys"));
    offer(List.of());
    showName(Optional.empty());
    setOnShowing(e -> lookFor.accept(this::offer));
  }

  private void offer(List<MidiInput> devices) {
    MenuItem none = new MenuItem(NONE);
    none.setOnAction(e -> onChosen.accept(Optional.empty()));
    getItems().setAll(none);
    for (MidiInput device : devices) {
      MenuItem item = new MenuItem(device.name());
      item.setOnAction(e -> onChosen.accept(Optional.of(device)));
      getItems().add(item);
    }
  }

  /** Shows which is listened to. */
  public void showName(Optional<String> name) {
    setText(name.orElse(NONE));
  }
}
