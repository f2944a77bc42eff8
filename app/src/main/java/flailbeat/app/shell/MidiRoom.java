package flailbeat.app.shell;

import flailbeat.audio.midi.MidiInput;
import flailbeat.audio.midi.MidiInputLost;
import flailbeat.audio.midi.MidiInputs;
import flailbeat.core.event.Performed;
import flailbeat.core.session.Notice;
import flailbeat.core.session.Performer;
import flailbeat.core.session.Session;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import javafx.application.Platform;

/**
 * Listens to a MIDI input device, and brings what is played there to the session's thread, stamped
 * with the moment at which it arrived. A device that goes takes its notes with it.
 */
public final class MidiRoom {
  private final Session session;
  private final MidiInputs inputs;
  private final Queue<Performed> arrived = new ConcurrentLinkedQueue<>();
  private final ExecutorService executor =
      Executors.newSingleThreadExecutor(
          r -> {
            Thread thread = new Thread(r, "midi-inputs");
            thread.setDaemon(true);
            return thread;
          });
  private Optional<MidiInput> current = Optional.empty();
  private Consumer<Optional<String>> onCurrent = name -> {};

  MidiRoom(Session session, MidiInputs inputs) {
    this.session = session;
    this.inputs = inputs;
  }

  /** Tells the name of the device that is listened to, whenever it is another. */
  void onCurrent(Consumer<Optional<String>> listener) {
    onCurrent = listener;
  }

  /** Looks for devices, which may take a while. */
  void lookFor(Consumer<List<MidiInput>> then) {
    executor.execute(
        () -> {
          List<MidiInput> found = inputs.all();
          Platform.runLater(() -> then.accept(found));
        });
  }

  /** Listens to a device, or to none. */
  public void choose(Optional<MidiInput> device) {
    leave();
    device.ifPresent(this::open);
  }

  private void open(MidiInput device) {
    executor.execute(
        () -> {
          try {
            device.open(this::arrive);
            Platform.runLater(
                () -> {
                  current = Optional.of(device);
                  onCurrent.accept(Optional.of(device.name()));
                  session.tell(new Notice("Listening to " + device.name(), false));
                });
          } catch (MidiInputLost e) {
            Platform.runLater(() -> session.tell(new Notice(e.getMessage(), true)));
          }
        });
  }

  private void arrive(Performed event) {
    arrived.add(event);
    Platform.runLater(this::drain);
  }

  private void drain() {
    Performer performer = session.performer();
    for (Performed event = arrived.poll(); event != null; event = arrived.poll()) {
      switch (event) {
        case Performed.NoteOn on ->
            performer.pressOnDevice(on.pitch(), on.velocity(), on.atNanos());
        case Performed.NoteOff off -> performer.releaseOnDevice(off.pitch(), off.atNanos());
        case Performed.Control control -> performer.moveOnDevice(control);
        case Performed.Bend bend -> performer.moveOnDevice(bend);
      }
    }
  }

  /** Called now and then: notices when the device has gone. */
  void watch() {
    current.ifPresent(
        device ->
            executor.execute(
                () -> {
                  if (!device.isThere()) {
                    Platform.runLater(() -> lost(device));
                  }
                }));
  }

  private void lost(MidiInput device) {
    if (current.filter(d -> d == device).isPresent()) {
      leave();
      session.tell(new Notice(device.name() + " has gone; its notes were ended", true));
    }
  }

  private void leave() {
    current.ifPresent(device -> executor.execute(device::close));
    current = Optional.empty();
    drain();
    session.performer().releaseDevice(System.nanoTime());
    onCurrent.accept(Optional.empty());
  }

  void close() {
    leave();
    executor.shutdown();
  }
}
