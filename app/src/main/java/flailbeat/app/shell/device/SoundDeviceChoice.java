package flailbeat.app.shell.device;

import flailbeat.app.shell.work.Daemons;
import flailbeat.audio.AudioEngine;
import flailbeat.core.playback.SoundSettings;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.hands.SoundChoice;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.application.Platform;

/**
 * Lets sound go where the person has chosen, and remembers what buffer a device was found to need.
 */
public final class SoundDeviceChoice {
  private final SoundChoice desk;
  private final AudioEngine engine;
  private Consumer<String> onState = text -> {};
  private String shown = "";
  private SoundSettings opened;

  public SoundDeviceChoice(Session session, AudioEngine engine) {
    this.desk = session.sound();
    this.engine = engine;
    session
        .changes()
        .listen(
            change -> {
              if (change.isOf(Aspect.SETTINGS) && opened != null) {
                follow();
              }
            });
  }

  /** Begins to sound, where the person has chosen. */
  public void open() {
    opened = desk.settings();
    engine.open(opened);
  }

  private void follow() {
    SoundSettings wanted = desk.settings();
    if (wanted.equals(opened)) {
      return;
    }
    boolean another =
        !wanted.device().equals(opened.device())
            || wanted.bufferBytes() != opened.bufferBytes()
            || wanted.equals(opened.triedAnew());
    opened = wanted;
    if (another) {
      engine.open(wanted);
    }
  }

  /** Tells how long sound waits in the device, in words: now, and whenever that is another. */
  public void onState(Consumer<String> listener) {
    onState = listener;
    listener.accept(shown);
  }

  /** Looks for devices, which may take a while. */
  public void lookFor(Consumer<List<String>> then) {
    Runnable look =
        () -> {
          List<String> found = engine.devices();
          Platform.runLater(() -> then.accept(found));
        };
    Daemons.of("sound-devices", look).start();
  }

  /** Called now and then: a device that hangs is seen to, and what it was found to need is kept. */
  public void watch() {
    engine.watch();
    int buffer = engine.bufferBytes();
    SoundSettings settings = desk.settings();
    if (opened != null && buffer > 0 && settings.isAutomatic()) {
      int expected = settings.bufferToBegin(0);
      if (buffer != expected) {
        desk.set(settings.withFound(buffer));
      }
    }
    String state =
        buffer == 0
            ? "silent now"
            : String.format(Locale.ROOT, "%.0f ms now", engine.latencyNanos() / 1e6);
    if (!state.equals(shown)) {
      shown = state;
      onState.accept(state);
    }
  }
}
