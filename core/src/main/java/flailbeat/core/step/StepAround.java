package flailbeat.core.step;

import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.pitch.DrumNames;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.Collection;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
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

  /**
   * The step at the cursor that was gone back over, in the place of which the next one comes: on
   * the chosen track, with a note of it still there, unless steps are added or go onto a rhythm.
   */
  Optional<Step> met(StepState state) {
    StepSettings settings = state.settings();
    return state
        .place()
        .met()
        .filter(s -> !settings.adds() && !settings.ontoRhythm())
        .filter(s -> s.track().equals(track))
        .filter(
            s -> s.isRest() || !EnteredNotes.find(chosen(), s.onsetTick(), s.pitches()).isEmpty());
  }

  /** How long the next step is: as the one that was gone back over, else as was chosen. */
  StepLength nextLength(StepState state) {
    return met(state).map(Step::value).orElse(state.settings().length());
  }

  /** What a note that is entered there is called: by the drum of a kit, or by the song's key. */
  String name(int pitch, long tick) {
    return chosen().instrument().kit()
        ? DrumNames.orPitch(pitch, OctaveNames.MIDDLE_C4)
        : song.keys().name(pitch, tick, OctaveNames.MIDDLE_C4);
  }

  /** Notes by their names, for texts. */
  String names(Collection<Struck> notes, long tick) {
    return notes.stream().map(n -> name(n.pitch(), tick)).collect(Collectors.joining(" "));
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
