package flailbeat.app.view.page;

import flailbeat.app.control.Form;
import flailbeat.app.control.Menus;
import flailbeat.app.view.base.Follow;
import flailbeat.audio.line.GrowingLine;
import flailbeat.audio.line.OutputLine;
import flailbeat.core.playback.SoundSettings;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Chooses the sound device and how much it holds before it is heard. */
public final class SoundPart extends VBox {
  private static final String DEFAULT = "The system's";
  private static final String AUTOMATIC = "Automatic";

  private final Session session;
  private final MenuButton device =
      Menus.button("sound-device", "The device that you hear Flailbeat through");
  private final MenuButton buffer =
      Menus.button(
          "sound-buffer",
          "How much the device holds: smaller answers sooner, larger breaks off less");
  private final Label state = Form.remark("");

  /**
   * Makes the part.
   *
   * @param lookFor looks for the devices, and gives their names back when it has found them
   */
  public SoundPart(Session session, Consumer<Consumer<List<String>>> lookFor) {
    this.session = session;
    setSpacing(6);
    state.setId("sound-latency");
    state.setMinWidth(USE_PREF_SIZE);
    HBox.setHgrow(device, Priority.ALWAYS);
    device.setMaxWidth(Double.MAX_VALUE);
    device.setPrefWidth(0);
    offer(List.of());
    device.setOnShowing(e -> lookFor.accept(this::offer));
    buffer.getItems().add(Menus.item(AUTOMATIC, () -> set(settings().triedAnew())));
    for (int bytes : GrowingLine.SIZES) {
      buffer.getItems().add(Menus.item(inMs(bytes), () -> set(settings().withBuffer(bytes))));
    }
    getChildren()
        .addAll(
            Form.heading("Sound"), Form.row("Device", device), Form.row("Buffer", buffer, state));
    Follow.changes(this, session, this::refresh, Aspect.SETTINGS);
  }

  private static String inMs(int bytes) {
    double ms = bytes * 1000.0 / OutputLine.BYTES_PER_FRAME / OutputLine.FRAME_RATE;
    return String.format(Locale.ROOT, "%.0f ms", ms);
  }

  private SoundSettings settings() {
    return session.sound().settings();
  }

  private void set(SoundSettings value) {
    session.sound().set(value);
  }

  private void offer(List<String> names) {
    device.getItems().setAll(Menus.item(DEFAULT, () -> set(settings().withDevice(""))));
    for (String name : names) {
      device.getItems().add(Menus.item(name, () -> set(settings().withDevice(name))));
    }
  }

  private void refresh() {
    device.setText(settings().device().isEmpty() ? DEFAULT : settings().device());
    buffer.setText(settings().isAutomatic() ? AUTOMATIC : inMs(settings().bufferBytes()));
  }

  /** Shows how long sound waits in the device. */
  public void showState(String text) {
    state.setText(text);
  }
}
