package flailbeat.core.edit;

import flailbeat.core.model.Controller;
import flailbeat.core.model.Song;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Locale;

/**
 * A controller's values drawn over a stretch, in the place of what was there.
 *
 * @param range what is drawn over
 * @param values in rising order, within the range
 */
public record ControlDrawn(
    TrackId track, Controller controller, TickRange range, List<NewControl> values)
    implements Edit {
  public ControlDrawn {
    values = List.copyOf(values);
  }

  @Override
  public Song apply(Song song) {
    return ControlEdits.replace(song, track, controller, range, values);
  }

  @Override
  public boolean isNothing() {
    return range.length() == 0;
  }

  @Override
  public String label() {
    return (values.isEmpty() ? "Erase " : "Draw ") + controller.title().toLowerCase(Locale.ROOT);
  }
}
