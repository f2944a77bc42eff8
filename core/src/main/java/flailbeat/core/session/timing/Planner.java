package flailbeat.core.session.timing;

import flailbeat.core.edit.Scope;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.quantize.Decisions;
import flailbeat.core.quantize.FitMemory;
import flailbeat.core.quantize.InPlace;
import flailbeat.core.quantize.ProgramBounds;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.Quantizer;
import flailbeat.core.work.Progress;
import java.util.List;
import java.util.Optional;

/**
 * Plans notes within their song, one request after another: what was understood and what was found
 * to be in place is remembered while it is the same. Requests come from one thread at a time.
 */
final class Planner {
  private final FitMemory memory = new FitMemory();
  private volatile Surroundings surroundings = new Surroundings(Optional.empty(), InPlace.NOTHING);

  /** What a plan is made of: of another it would be another. */
  record Request(
      Song song, Track track, Scope scope, QuantizeSettings settings, Decisions decided) {
    boolean isSameAs(Request other) {
      return song == other.song
          && scope == other.scope
          && decided == other.decided
          && settings.equals(other.settings);
    }

    private boolean hasSameSurroundings(Request other) {
      return song == other.song
          && scope == other.scope
          && settings.method() == other.settings.method()
          && settings.hasSameLines(other.settings);
    }
  }

  /** What was found to be in place, and for what. */
  private record Surroundings(Optional<Request> request, InPlace inPlace) {}

  /** What would be done to the notes in scope. */
  QuantizePlan plan(Request r, Progress progress) {
    Song song = r.song();
    List<Note> notes = r.scope().notes();
    List<Note> others = r.scope().othersOf(r.track());
    return Quantizer.of(
            r.settings(), song.tempos(), song.meters(), inPlace(r, notes, others), memory, progress)
        .plan(notes, others, r.decided(), ProgramBounds.of(r.track()));
  }

  /** While only strength and the like are turned, what is in place is as it was. */
  private InPlace inPlace(Request r, List<Note> notes, List<Note> others) {
    Surroundings last = surroundings;
    if (last.request().isPresent() && last.request().get().hasSameSurroundings(r)) {
      return last.inPlace();
    }
    InPlace found = InPlace.beside(r.song(), r.track().id(), notes, others, r.settings());
    surroundings = new Surroundings(Optional.of(r), found);
    return found;
  }
}
