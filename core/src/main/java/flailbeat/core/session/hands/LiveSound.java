package flailbeat.core.session.hands;

import flailbeat.core.edit.tracks.StartValues;
import flailbeat.core.event.Performed;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.model.sound.TrackSound;
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
  private static final int NONE = -1;

  private final Document document;
  private final Performer performer;
  private final Player player;
  private final Consumer<List<LivePart>> onParts;
  private final TrackSound[] told = new TrackSound[Parts.MOST];

  /** The tracks as they were when they were told. */
  private final Track[] toldTracks = new Track[Parts.MOST];

  /** What each dial of each part was set to, and one more; 0 where it rests. */
  private final int[][] dials = new int[Parts.MOST][Dial.values().length];

  /** The part that sounds otherwise for now. */
  private int tried = NONE;

  /** Which controllers were moved away from where they rest, by the parts that heard it. */
  private final Map<Integer, Set<Controller>> held = new HashMap<>();

  private List<LivePart> parts = List.of();

  /**
   * Nothing sounds yet.
   *
   * @param onParts is told which parts sound, when they are others
   */
  public LiveSound(
      Document document, Performer performer, Player player, Consumer<List<LivePart>> onParts) {
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
    Parts all = document.parts();
    for (Track track : document.song().tracks()) {
      all.of(track).ifPresent(part -> tell(part, track));
    }
    List<LivePart> wanted =
        targets().stream()
            .flatMap(t -> all.of(t).stream().mapToObj(p -> new LivePart(p, t.sound())))
            .toList();
    if (!areAs(wanted, parts)) {
      performer.releaseAll(nowNanos);
      performer.pedals().tellRangeAgain();
      List<LivePart> before = parts;
      before.stream().filter(p -> !isIn(p, wanted)).forEach(p -> rest(p.part()));
      parts = wanted;
      onParts.accept(wanted);
      wanted.stream()
          .filter(p -> !isIn(p, before))
          .forEach(p -> performer.stillHeld().forEach(c -> move(p.part(), c)));
    }
  }

  private static boolean areAs(List<LivePart> some, List<LivePart> others) {
    return some.size() == others.size() && some.stream().allMatch(p -> isIn(p, others));
  }

  private static boolean isIn(LivePart part, List<LivePart> others) {
    return others.stream().anyMatch(part::isAs);
  }

  /** Tells the player what a part sounds like, as far as that is another than it was. */
  private void tell(int part, Track track) {
    if (toldTracks[part] == track) {
      return;
    }
    toldTracks[part] = track;
    TrackSound sound = track.sound();
    if (!sound.equals(told[part])) {
      if (told[part] == null || !sound.instrument().equals(told[part].instrument())) {
        player.instrument(part, sound.instrument());
        tried = tried == part ? NONE : tried;
      }
      boolean wentOut = told[part] != null && !told[part].port().isEmpty();
      if (wentOut || !sound.port().isEmpty()) {
        player.output(part, sound.port(), sound.channel());
      }
      told[part] = sound;
    }
    for (Dial dial : Dial.values()) {
      int value = StartValues.of(track, dial);
      int before = dials[part][dial.ordinal()] - 1;
      if (value != (before < 0 ? dial.controller().atRest() : before)) {
        dials[part][dial.ordinal()] = value + 1;
        player.dial(part, dial.controller().at(value));
      }
    }
  }

  /** Lends parts to another song that is heard for a while, with the sounds of its tracks. */
  public void lend(Song other, Parts to) {
    for (Track track : other.tracks()) {
      to.of(track)
          .ifPresent(
              part -> {
                toldTracks[part] = null;
                tell(part, track);
                toldTracks[part] = null;
              });
    }
  }

  /** Lets a dial of a track be heard as it is turned, before it is let go. */
  public void turn(Track track, Dial dial, int value) {
    document
        .parts()
        .of(track)
        .ifPresent(
            part -> {
              dials[part][dial.ordinal()] = value + 1;
              player.dial(part, dial.controller().at(value));
            });
  }

  /** Has what is played live on the chosen track sound otherwise for now. */
  public void tryOut(Instrument instrument) {
    document
        .parts()
        .of(document.track())
        .ifPresent(
            part -> {
              if (tried != part) {
                endTrying();
              }
              tried = part;
              player.tryInstrument(part, instrument);
            });
  }

  /** Whether a part sounds otherwise for now. */
  public boolean isTrying() {
    return tried != NONE;
  }

  /** Has it sound as its track does again. */
  public void endTrying() {
    if (tried != NONE) {
      player.tryInstrument(tried, told[tried].instrument());
      tried = NONE;
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

  private void sound(LivePart to, Performed event) {
    switch (event) {
      case Performed.NoteOn on -> player.noteOn(to.part(), to.heard(on.pitch()), on.velocity());
      case Performed.NoteOff off -> player.noteOff(to.part(), to.heard(off.pitch()));
      default -> Performer.control(event).ifPresent(c -> move(to.part(), c));
    }
  }
}
