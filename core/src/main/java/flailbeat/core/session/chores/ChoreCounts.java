package flailbeat.core.session.chores;

import flailbeat.core.chore.Area;
import flailbeat.core.chore.Chore;
import flailbeat.core.chore.Cleanup;
import flailbeat.core.chore.Outcome;
import flailbeat.core.chore.Reach;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.notes.Stencil;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.pitch.Key;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.work.Progress;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** How many notes and events each chore would touch. */
public record ChoreCounts(Map<Cleanup, Integer> built, Map<String, Integer> own) {
  /** What chores would work on. */
  record Now(
      Song song,
      Reach reach,
      TrackId track,
      Optional<Clip> clip,
      Selection selection,
      QuantizeSettings timing,
      Key key,
      Optional<Stencil> stencil) {
    boolean isSameAs(Now other) {
      return other != null
          && song == other.song
          && selection == other.selection
          && reach == other.reach
          && track.equals(other.track)
          && clip.map(Clip::id).equals(other.clip.map(Clip::id))
          && timing.equals(other.timing)
          && key.equals(other.key)
          && stencil.equals(other.stencil);
    }
  }

  /** What is counted. */
  record Ask(Now now, Area area, Map<Cleanup, Integer> amounts, Map<String, Chore> own) {
    boolean isSameAs(Ask other) {
      return now.isSameAs(other.now) && amounts.equals(other.amounts) && own.equals(other.own);
    }
  }

  /** Counts; what is left to chance is drawn once. */
  static ChoreCounts of(Ask ask, Progress progress) {
    Map<Cleanup, Integer> built = new EnumMap<>(Cleanup.class);
    Map<String, Integer> own = new HashMap<>();
    double all = ask.amounts().size() + ask.own().size();
    for (Map.Entry<Cleanup, Integer> each : ask.amounts().entrySet()) {
      built.put(each.getKey(), size(each.getKey().outcome(ask.area(), each.getValue())));
      progress.at(built.size() / all);
    }
    for (Map.Entry<String, Chore> each : ask.own().entrySet()) {
      own.put(each.getKey(), size(each.getValue().outcome(ask.area(), 1)));
      progress.at((built.size() + own.size()) / all);
    }
    return new ChoreCounts(built, own);
  }

  private static int size(Outcome outcome) {
    return outcome.noteCount() + outcome.controlCount();
  }
}
