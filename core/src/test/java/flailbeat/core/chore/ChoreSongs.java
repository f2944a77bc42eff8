package flailbeat.core.chore;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.Scale;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Songs at 120 bpm in 4/4 (a quarter is 960 ticks, 500 ms), whose notes are written {@code onset
 * pitch velocity length} and set apart by commas.
 */
final class ChoreSongs {
  private ChoreSongs() {}

  static Song song(String notes) {
    Song empty = Song.empty();
    List<NewNote> all =
        Stream.of(notes.split(","))
            .map(String::strip)
            .filter(n -> !n.isEmpty())
            .map(ChoreSongs::note)
            .toList();
    TickRange whole = NoteTools.range(all.stream().map(ChoreSongs::standing).toList());
    return NoteEdits.add(empty, empty.tracks().getFirst().id(), all, whole);
  }

  private static NewNote note(String text) {
    long[] n = Stream.of(text.split(" +")).mapToLong(Long::parseLong).toArray();
    return new NewNote((int) n[1], (int) n[2], new Played(n[0], n[0] + n[3]));
  }

  private static Note standing(NewNote n) {
    return Note.asPlayed(new NoteId(1), n.pitch(), n.velocity(), n.played());
  }

  /** The first track's notes, in C major over eighths. */
  static Area area(Song song, Reach reach) {
    Track track = song.tracks().getFirst();
    return Area.of(
        song,
        reach,
        track,
        Optional.of(track.clips().getFirst()),
        Selection.NONE,
        new GridLines(Grid.of(NoteValue.straight(8)), song.meters()),
        new Key(0, Scale.MAJOR));
  }

  static String text(Song song) {
    return song.tracks().getFirst().notes().stream()
        .map(n -> n.onset() + " " + n.pitch() + " " + n.velocity() + " " + n.length())
        .collect(Collectors.joining(", "));
  }

  static String marked(Outcome outcome) {
    return outcome.marked().stream()
        .map(n -> String.valueOf(n.onset()))
        .collect(Collectors.joining(" "));
  }
}
