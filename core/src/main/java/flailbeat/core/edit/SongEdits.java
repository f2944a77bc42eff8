package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Links;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.FileTraits;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.IdSet;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.time.Meter;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** What can be done to a song and its tracks. */
public final class SongEdits {
  private SongEdits() {}

  /** Sets the tempo that the song starts with. Notes keep their place in the bar. */
  public static Song setTempo(Song song, Tempo tempo) {
    return song.withTempos(song.tempos().withFirst(tempo));
  }

  /** Sets the meter that the song starts with. Notes keep their ticks; the bar lines move. */
  public static Song setMeter(Song song, Meter meter) {
    return song.withMeters(song.meters().withFirst(meter));
  }

  /**
   * Sets the tempo from the start of a bar on, up to the next change.
   *
   * @param bar 0 for the first
   */
  public static Song setTempo(Song song, int bar, Tempo tempo) {
    return song.withTempos(song.tempos().with(song.meters().barStart(bar), tempo));
  }

  /** Takes the change of tempo at the start of a bar away; what begins the song stays. */
  public static Song removeTempo(Song song, int bar) {
    return song.withTempos(song.tempos().without(song.meters().barStart(bar)));
  }

  /**
   * Sets the meter from a bar on, up to the next change. Notes and later changes keep their ticks;
   * the bar lines move.
   *
   * @param bar 0 for the first
   */
  public static Song setMeter(Song song, int bar, Meter meter) {
    return song.withMeters(song.meters().with(song.meters().barStart(bar), meter));
  }

  /** Takes the change of meter at a bar away; what begins the song stays. */
  public static Song removeMeter(Song song, int bar) {
    return song.withMeters(song.meters().without(song.meters().barStart(bar)));
  }

  /** Adds an empty track at the end; its name is the first "Track n" that is free. */
  public static Song addTrack(Song song, Instrument instrument) {
    int n = song.tracks().size() + 1;
    while (hasName(song, "Track " + n)) {
      n++;
    }
    return addTrack(song, "Track " + n, instrument);
  }

  /** Adds an empty track of a name at the end. */
  public static Song addTrack(Song song, String name, Instrument instrument) {
    Ids ids = new Ids(song.nextId());
    List<Track> tracks = new ArrayList<>(song.tracks());
    tracks.add(Track.empty(ids.track(), name, instrument, song.freeChannel(instrument.kit())));
    return ids.recordedIn(song.withTracks(tracks));
  }

  /** Gives a track another sound, moving it to or from the drum channel as the sound asks. */
  public static Song setInstrument(Song song, TrackId id, Instrument instrument) {
    return song.withTrack(
        id,
        t -> {
          boolean moves = t.instrument().kit() != instrument.kit();
          int channel = moves ? song.freeChannel(instrument.kit()) : t.channel();
          return withoutFirstProgram(t).withInstrument(instrument, channel);
        });
  }

  /** The program that a file began with, and its bank, give way to the sound that is chosen. */
  private static Track withoutFirstProgram(Track track) {
    if (!track.traits().statesProgram()) {
      return track;
    }
    List<ControlPoint> points = track.controls();
    Optional<ControlPoint> program = points.stream().filter(SongEdits::isProgram).findFirst();
    Set<ControlId> gives =
        points.stream()
            .takeWhile(p -> program.isPresent() && !p.equals(program.get()))
            .filter(SongEdits::isBank)
            .map(ControlPoint::id)
            .collect(Collectors.toCollection(HashSet::new));
    program.ifPresent(p -> gives.add(p.id()));
    return withoutControls(track, p -> gives.contains(p.id()))
        .withTraits(new FileTraits(false, track.traits().endTick()));
  }

  /** Has a track sent on another channel, 0 to 15. */
  public static Song setChannel(Song song, TrackId id, int channel) {
    return song.withTrack(
        id, t -> t.channel() == channel ? t : t.withInstrument(t.instrument(), channel));
  }

  private static boolean isProgram(ControlPoint point) {
    return point.control().kind() == Control.Kind.PROGRAM;
  }

  private static boolean isBank(ControlPoint point) {
    int number = point.control().number();
    return point.control().kind() == Control.Kind.CONTROLLER && (number == 0 || number == 32);
  }

  /** Adds what controllers did to a track, in its place among what they did already. */
  public static Song addControls(Song song, TrackId id, List<NewControl> added) {
    if (added.isEmpty()) {
      return song;
    }
    long first = added.stream().mapToLong(NewControl::tick).min().orElseThrow();
    long last = added.stream().mapToLong(NewControl::tick).max().orElseThrow();
    TickRange range = new TickRange(first, last + 1);
    return ClipEdits.onTrack(
        song,
        id,
        (t, ids) ->
            ClipEdits.withControls(
                ClipEdits.writtenOut(t, range, ids), named(added, ids), song.meters(), ids));
  }

  /** Control points with ids given out in order. */
  public static List<ControlPoint> named(Collection<NewControl> added, Ids ids) {
    return added.stream().map(c -> new ControlPoint(ids.control(), c.tick(), c.control())).toList();
  }

  /**
   * Takes away what hands and feet did to controllers of a track in a range; what sets the sound of
   * the part up stays, and so does what holds after the range.
   */
  public static Song clearControls(Song song, TrackId id, TickRange range) {
    return replaceControls(song, id, range, List.of());
  }

  /**
   * Puts what hands and feet did to controllers in the place of what they did in a range.
   *
   * @param come in order, within the range; they are put in later
   */
  public static Song replaceControls(
      Song song, TrackId id, TickRange range, List<NewControl> come) {
    return ClipEdits.onTrack(
        song,
        id,
        (t, ids) -> {
          Track open = ClipEdits.writtenOut(t, range, ids);
          Track left =
              withoutControls(open, p -> range.contains(p.tick()) && isPerformed(p.control()));
          List<NewControl> besides =
              HeldControls.around(open, open, range, Controller::isPerformed, come);
          return besides.isEmpty()
              ? left
              : ClipEdits.withControls(left, named(besides, ids), song.meters(), ids);
        });
  }

  static boolean isPerformed(Control control) {
    return control.kind() != Control.Kind.PROGRAM
        && Controller.of(control).map(Controller::isPerformed).orElse(true);
  }

  /** Without the control points that a condition names; it sees them in song time. */
  private static Track withoutControls(Track track, Predicate<ControlPoint> gone) {
    return without(track, track.tangibleControls(TickRange.EVER).stream().filter(gone).toList());
  }

  /** Without some control points. */
  public static Track without(Track track, List<ControlPoint> gone) {
    if (gone.isEmpty()) {
      return track;
    }
    return without(track, IdSet.ofAny(gone.stream().mapToLong(ControlPoint::idNumber)));
  }

  /** Without the control points of some ids. */
  public static Track without(Track track, IdSet ids) {
    List<Clip> clips = new ArrayList<>(track.clips().size());
    boolean same = true;
    Links links = track.links();
    for (Clip clip : track.clips()) {
      Content content = clip.content();
      Clip changed =
          links.follows(clip)
              ? clip
              : clip.withContent(content.withControls(content.controls().without(ids)));
      same &= changed == clip;
      clips.add(changed);
    }
    return same ? track : track.withClips(clips);
  }

  /** Whether a track is called so. */
  public static boolean hasName(Song song, String name) {
    return song.tracks().stream().anyMatch(t -> t.name().equals(name));
  }
}
