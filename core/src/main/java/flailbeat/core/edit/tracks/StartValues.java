package flailbeat.core.edit.tracks;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What the dials of a track's strip stand at before its first note. One place holds each: what the
 * track's own content says there, as that of a MIDI file does, else the track's {@link
 * flailbeat.core.model.sound.Mix}. What comes later in the content is drawn in lanes.
 */
public final class StartValues {
  private StartValues() {}

  /** What a dial stands at, 0 to 127. */
  public static int of(Track track, Dial dial) {
    return point(track, dial)
        .map(p -> p.control().value())
        .orElse(track.sound().mix().set(dial).orElse(dial.controller().atRest()));
  }

  /** Whether the content moves it later, so that it does not stay there. */
  public static boolean movesLater(Track track, Dial dial) {
    long first = firstNote(track);
    return track.clips().stream()
        .anyMatch(
            c ->
                c.content().controls().stream()
                    .anyMatch(
                        p -> dial.controller().isOf(p.control()) && c.start() + p.tick() > first));
  }

  /** All that must be said for what its dials stand at, in order; what rests is said too. */
  public static List<Control> all(Track track) {
    return Arrays.stream(Dial.values()).map(d -> d.controller().at(of(track, d))).toList();
  }

  /** Sets a dial, 0 to 127, where its value stands. */
  public static Song set(Song song, TrackId id, Dial dial, int value) {
    return song.withTrack(
        id,
        t ->
            point(t, dial)
                .map(p -> moved(t, p, dial.controller().at(value)))
                .orElseGet(
                    () -> of(t, dial) == value ? t : t.withMix(t.sound().mix().with(dial, value))));
  }

  /** Puts a dial to rest. */
  public static Song reset(Song song, TrackId id, Dial dial) {
    Controller controller = dial.controller();
    return song.withTrack(
        id,
        t ->
            point(t, dial)
                .map(p -> moved(t, p, controller.at(controller.atRest())))
                .orElseGet(
                    () ->
                        t.sound().mix().set(dial).isEmpty()
                            ? t
                            : t.withMix(t.sound().mix().without(dial))));
  }

  private static Track moved(Track track, ControlPoint point, Control control) {
    if (point.control().equals(control)) {
      return track;
    }
    List<Clip> clips = new ArrayList<>(track.clips());
    for (int i = 0; i < clips.size(); i++) {
      Clip clip = clips.get(i);
      Optional<ControlPoint> own = clip.content().controls().find(point.idNumber());
      if (own.isPresent()) {
        ControlPoint changed = new ControlPoint(own.get().id(), own.get().tick(), control);
        Content content = clip.content();
        clips.set(
            i, clip.withContent(content.withControls(content.controls().with(List.of(changed)))));
        break;
      }
    }
    return track.withClips(clips);
  }

  /** The last point of a dial at or before the first note. */
  private static Optional<ControlPoint> point(Track track, Dial dial) {
    return track.tangibleControls(new TickRange(0, firstNote(track) + 1)).stream()
        .filter(p -> dial.controller().isOf(p.control()))
        .reduce((a, b) -> b);
  }

  /** Where its first note begins; the end of time where it has none. */
  private static long firstNote(Track track) {
    return track.clips().stream()
        .filter(c -> !c.content().notes().isEmpty())
        .findFirst()
        .map(c -> c.start() + c.content().notes().get(0).onset())
        .orElse(TickRange.EVER.end() - 1);
  }
}
