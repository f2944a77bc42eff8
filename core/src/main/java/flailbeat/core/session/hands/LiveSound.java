package flailbeat.core.session.hands;

import flailbeat.core.event.Performed;
import flailbeat.core.model.Instrument;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.control.Controller;
import flailbeat.core.playback.Parts;
import flailbeat.core.playback.Player;
import flailbeat.core.session.document.Document;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;

/** Lets what is performed be heard at once, with the sounds of the tracks that it goes to. */
public final class LiveSound {
  private final Document document;
  private final Performer performer;
  private final Player player;
  private final Consumer<List<Integer>> onParts;
  private final Instrument[] told = new Instrument[Parts.MOST];

  /** Which controllers were moved away from where they rest, by the parts that heard it. */
  private final Map<Integer, Set<Controller>> held = new HashMap<>();

  private List<Integer> parts = List.of();

  /**
   * Nothing sounds yet.
   *
   * @param onParts is told which parts sound, when they are others
   */
  public LiveSound(
      Document document, Performer performer, Player player, Consumer<List<Integer>> onParts) {
    this.document = document;
    this.performer = performer;
    this.player = player;
    this.onParts = onParts;
  }

  /** The tracks that are played and recorded onto: the chosen one, and those that are armed. */
  public List<Track> targets() {
    Track chosen = document.track();
    Stream<Track> along =
        document.song().tracks().stream().filter(t -> t.armed() && !t.id().equals(chosen.id()));
    return Stream.concat(Stream.of(chosen), along).toList();
  }

  /** The targets or their sounds may be others: what is held in other parts ends first. */
  public void follow(long nowNanos) {
    for (int part = 0; part < Parts.count(document.song()); part++) {
      Instrument wanted = document.song().tracks().get(part).instrument();
      if (!wanted.equals(told[part])) {
        told[part] = wanted;
        player.instrument(part, wanted);
      }
    }
    List<Integer> wanted =
        targets().stream()
            .flatMapToInt(t -> Parts.of(document.song(), t).stream())
            .boxed()
            .toList();
    if (!wanted.equals(parts)) {
      performer.releaseAll(nowNanos);
      performer.pedals().tellRangeAgain();
      List<Integer> before = parts;
      before.stream().filter(p -> !wanted.contains(p)).forEach(this::rest);
      parts = wanted;
      onParts.accept(wanted);
      wanted.stream()
          .filter(p -> !before.contains(p))
          .forEach(p -> performer.stillHeld().forEach(c -> move(p, c)));
    }
  }

  /** All that live controllers of any part hold goes back to where it rests. */
  public void rest() {
    List.copyOf(held.keySet()).forEach(this::rest);
  }

  /** What goes on being held is heard in the parts that are played now, and in no other. */
  private void rest(int part) {
    Set<Controller> away = held.remove(part);
    if (away != null) {
      away.forEach(c -> player.control(part, c.at(c.atRest())));
    }
  }

  private void move(int part, Control control) {
    player.control(part, control);
    Controller.of(control)
        .filter(Controller::isPerformed)
        .ifPresent(
            of -> {
              Set<Controller> away = held.computeIfAbsent(part, p -> new LinkedHashSet<>());
              if (of.isAtRest(control.value())) {
                away.remove(of);
              } else {
                away.add(of);
              }
            });
  }

  public void sound(Performed event) {
    parts.forEach(part -> sound(part, event));
  }

  private void sound(int part, Performed event) {
    switch (event) {
      case Performed.NoteOn on -> player.noteOn(part, on.pitch(), on.velocity());
      case Performed.NoteOff off -> player.noteOff(part, off.pitch());
      default -> Performer.control(event).ifPresent(c -> move(part, c));
    }
  }
}
