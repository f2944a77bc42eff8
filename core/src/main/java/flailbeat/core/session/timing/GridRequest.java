package flailbeat.core.session.timing;

import flailbeat.core.edit.Scope;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.quantize.grids.SongGrid;
import flailbeat.core.quantize.grids.SwingSections;
import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What a ranking of grids is made of. */
record GridRequest(Song song, Scope scope, QuantizeSettings settings) {
  boolean isSameAs(GridRequest other) {
    return song == other.song
        && scope == other.scope
        && settings.lag().equals(other.settings.lag());
  }

  /** What was put rather than played says nothing of how it was meant, unless all was. */
  private static List<Note> performed(List<Note> notes) {
    List<Note> played = notes.stream().filter(n -> n.played().isPerformed()).toList();
    return played.isEmpty() ? notes : played;
  }

  GridsFound ranked(Progress progress) {
    List<Track> tracks = song.tracks().stream().filter(t -> t.noteCount() > 1).toList();
    boolean several = tracks.size() > 1;
    WhichGrid which = new WhichGrid(settings, song.tempos(), song.meters());
    double whole = several ? 0.4 : 1;
    List<Note> played = performed(scope.notes());
    List<WhichGrid.Match> own = which.rank(played, progress.part(0, whole / 2));
    List<SwingSections.Section> sections =
        own.isEmpty()
            ? List.of()
            : new SwingSections(which, song.meters())
                .find(played, own.getFirst().grid(), progress.part(whole / 2, whole));
    List<SwingSections.Section> changes = sections.size() < 2 ? List.of() : sections;
    if (!several) {
      return new GridsFound(own, changes, Optional.empty(), List.of());
    }
    // What is known of this person's lag is known of the chosen track alone.
    WhichGrid anybodys =
        new WhichGrid(QuantizeSettings.recommended(), song.tempos(), song.meters());
    SongGrid.Found found =
        new SongGrid(anybodys)
            .find(tracks.stream().map(t -> performed(t.notes())).toList(), progress.part(whole, 1));
    List<String> otherwise = new ArrayList<>();
    for (int i = 0; i < tracks.size(); i++) {
      if (found.parts().get(i).goesOwnWay()) {
        otherwise.add(tracks.get(i).name() + ": " + found.of(i));
      }
    }
    return new GridsFound(own, changes, Optional.of(found), otherwise);
  }
}
