package flailbeat.core.step;

import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.Locale;
import java.util.Optional;
import org.apache.commons.numbers.fraction.BigFraction;

/**
 * What steps are entered into.
 *
 * @param track the chosen one
 * @param loop the range that is gone round
 */
public record StepAround(Song song, TrackId track, Optional<TickRange> loop) {
  /** Where a song ends at the latest. */
  static final BigFraction LAST = BigFraction.of(Ticks.LAST);

  Track chosen() {
    return song.track(track).orElse(song.tracks().get(0));
  }

  /** Why nothing goes beyond the end of a song. */
  String pastTheEnd() {
    return "A song ends in bar "
        + (song.meters().barAt(Ticks.LAST) + 1)
        + " at the latest, "
        + String.format(Locale.ROOT, "%,d", Ticks.LAST / Ticks.PPQ)
        + " quarter notes from its start";
  }
}
