package flailbeat.core.session;

import flailbeat.core.event.Performed;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.ControlPoint.Kind;
import flailbeat.core.model.Track;
import flailbeat.core.playback.Player;
import java.util.List;
import java.util.stream.Stream;

/** Lets what is performed be heard at once, with the sounds of the tracks that it goes to. */
final class LiveSound {
  private final Document document;
  private final Performer performer;
  private final Player player;
  private final Repeater repeater;
  private List<Integer> channels = List.of();

  LiveSound(Document document, Performer performer, Player player, Repeater repeater) {
    this.document = document;
    this.performer = performer;
    this.player = player;
    this.repeater = repeater;
  }

  /** The tracks that are played and recorded onto: the chosen one, and those that are armed. */
  List<Track> targets() {
    Track chosen = document.track();
    Stream<Track> along =
        document.song().tracks().stream().filter(t -> t.armed() && !t.id().equals(chosen.id()));
    return Stream.concat(Stream.of(chosen), along).toList();
  }

  /** The targets or their sounds may be others: what is held on other channels ends first. */
  void follow(long nowNanos) {
    for (Track track : document.song().tracks()) {
      player.instrument(track.channel(), track.instrument());
    }
    List<Track> onto = targets();
    onto.reversed().forEach(t -> player.instrument(t.channel(), t.instrument()));
    List<Integer> wanted = onto.stream().map(Track::channel).distinct().toList();
    if (!wanted.equals(channels)) {
      performer.releaseAll(nowNanos);
      performer.pedals().tellRangeAgain();
      channels = wanted;
      repeater.setChannels(wanted);
    }
  }

  void sound(Performed event) {
    channels.forEach(channel -> sound(channel, event));
  }

  private void sound(int channel, Performed event) {
    switch (event) {
      case Performed.NoteOn on -> player.noteOn(channel, on.pitch(), on.velocity());
      case Performed.NoteOff off -> player.noteOff(channel, off.pitch());
      case Performed.Control c -> move(channel, Kind.CONTROLLER, c.number(), c.value());
      case Performed.Bend b -> move(channel, Kind.PITCH_BEND, 0, b.value());
    }
  }

  private void move(int channel, Kind kind, int number, int value) {
    player.control(channel, new ControlPoint(0, kind, number, value));
  }
}
