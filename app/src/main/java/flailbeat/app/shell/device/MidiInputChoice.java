package flailbeat.app.shell.device;

import flailbeat.app.shell.work.Daemons;
import flailbeat.audio.midi.MidiInput;
import flailbeat.audio.midi.MidiInputLost;
import flailbeat.audio.midi.MidiInputs;
import flailbeat.core.event.Performed;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.hands.Performer;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.function.Consumer;
import javafx.application.Platform;

/**
 * Listens to a MIDI input device, and brings what is played there to the session's thread, stamped
 * with the moment at which it arrived. A device that goes takes its notes with it.
 *
 * <p>At most one device is open, which the thread of the inputs alone opens and closes. What a
 * device sends belongs to the choice by which it was opened: once another was made, it is not
 * listened to any more, though its messages were on their way.
 */
public final class MidiInputChoice {
  private final Session session;
  private final MidiInputs inputs;
  private final Queue<Arrived> arrived = new ConcurrentLinkedQueue<>();
  private final ExecutorService executor = Daemons.single("midi-inputs");

  /** Counts the choices: written on the window's thread. */
  private volatile int choice;

  /** The device that is open: for the thread of the inputs alone. */
  private Optional<MidiInput> open = Optional.empty();

  private Optional<MidiInput> current = Optional.empty();
  private Consumer<Optional<String>> onCurrent = name -> {};

  private record Arrived(int choice, Performed event) {}

  public MidiInputChoice(Session session, MidiInputs inputs) {
    this.session = session;
    this.inputs = inputs;
  }

  /** Tells the name of the device that is listened to: now, and whenever it is another. */
  public void onCurrent(Consumer<Optional<String>> listener) {
    onCurrent = listener;
    listener.accept(current.map(MidiInput::name));
  }

  /** Looks for devices, which may take a while. */
  public void lookFor(Consumer<List<MidiInput>> then) {
    executor.execute(
        () -> {
          List<MidiInput> found = inputs.all();
          Platform.runLater(() -> then.accept(found));
        });
  }

  /** Listens to a device, or to none. */
  public void choose(Optional<MidiInput> device) {
    session.performer().chooseDevice(device.map(MidiInput::name));
    leave();
    device.ifPresent(this::open);
  }

  /** Listens to the device that was chosen at another time, unless one was chosen since. */
  public void openRemembered() {
    int before = choice;
    session
        .performer()
        .chosenDevice()
        .ifPresent(
            name ->
                lookFor(
                    found -> {
                      if (before == choice) {
                        open(name, found);
                      }
                    }));
  }

  private void open(String name, List<MidiInput> found) {
    found.stream()
        .filter(d -> d.name().equals(name))
        .findFirst()
        .ifPresentOrElse(
            this::open,
            () ->
                session
                    .notices()
                    .tell(
                        new Notice(
                            name + ", which was listened to last, is not plugged in", false)));
  }

  private void open(MidiInput device) {
    int mine = choice;
    executor.execute(
        () -> {
          if (mine == choice) {
            open(device, mine);
          }
        });
  }

  private void open(MidiInput device, int mine) {
    try {
      open = Optional.of(device);
      device.open(event -> arrive(mine, event));
      Platform.runLater(() -> opened(device, mine));
    } catch (MidiInputLost | RuntimeException e) {
      closeOpen();
      Platform.runLater(() -> session.notices().tell(new Notice(e.getMessage(), true)));
    }
  }

  private void opened(MidiInput device, int mine) {
    if (mine == choice) {
      current = Optional.of(device);
      onCurrent.accept(Optional.of(device.name()));
      session.performer().setDevice(device.name());
      session.notices().tell(new Notice("Listening to " + device.name(), false));
    }
  }

  private void closeOpen() {
    open.ifPresent(MidiInput::close);
    open = Optional.empty();
  }

  private void arrive(int from, Performed event) {
    arrived.add(new Arrived(from, event));
    Platform.runLater(this::drain);
  }

  private void drain() {
    Performer performer = session.performer();
    for (Arrived next = arrived.poll(); next != null; next = arrived.poll()) {
      if (next.choice() != choice) {
        continue;
      }
      switch (next.event()) {
        case Performed.NoteOn on ->
            performer.pressOnDevice(on.pitch(), on.velocity(), on.atNanos());
        case Performed.NoteOff off -> performer.releaseOnDevice(off.pitch(), off.atNanos());
        case Performed.Control control -> performer.moveOnDevice(control);
        case Performed.Bend bend -> performer.moveOnDevice(bend);
        case Performed.Pressure pressure -> performer.moveOnDevice(pressure);
      }
    }
  }

  /** Called now and then: notices when the device has gone. */
  public void watch() {
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
      session.notices().tell(new Notice(device.name() + " has gone; its notes were ended", true));
    }
  }

  private void leave() {
    drain();
    choice++;
    executor.execute(this::closeOpen);
    current = Optional.empty();
    session.performer().releaseDevice(System.nanoTime());
    onCurrent.accept(Optional.empty());
  }

  public void close() {
    if (!executor.isShutdown()) {
      leave();
      executor.shutdown();
    }
  }
}
