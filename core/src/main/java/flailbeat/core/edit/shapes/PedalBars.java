package flailbeat.core.edit.shapes;

import flailbeat.core.edit.NewControl;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;

/** A pedal as the stretches in which it is down. */
public final class PedalBars {
  private PedalBars() {}

  /** Where a switch of a track is down within a stretch, in order. */
  public static List<TickRange> of(Track track, Controller pedal, TickRange range) {
    List<TickRange> result = new ArrayList<>();
    boolean wasDown =
        ControlEdits.valueBefore(track, pedal, range.start()).orElse(0) >= Controller.DOWN;
    long down = wasDown ? range.start() : -1;
    for (ControlPoint point : ControlEdits.points(track, pedal, range)) {
      boolean isDown = point.control().value() >= Controller.DOWN;
      if (isDown && down < 0) {
        down = point.tick();
      } else if (!isDown && down >= 0) {
        result.add(new TickRange(down, point.tick()));
        down = -1;
      }
    }
    if (down >= 0) {
      result.add(new TickRange(down, range.end()));
    }
    return result;
  }

  /** Down over a stretch, up at its end. */
  public static ControlDrawn drawn(TrackId track, Controller pedal, TickRange bar) {
    return new ControlDrawn(
        track,
        pedal,
        new TickRange(bar.start(), bar.end() + 1),
        List.of(
            new NewControl(bar.start(), pedal.at(127)), new NewControl(bar.end(), pedal.at(0))));
  }

  /** The notes that ring on because a sustain pedal is down as they end. */
  public static List<Note> ringing(Track track, TickRange bar) {
    return track.tangible(bar).stream().filter(n -> bar.contains(n.end())).toList();
  }
}
