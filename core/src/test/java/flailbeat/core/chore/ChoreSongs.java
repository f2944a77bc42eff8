package flailbeat.core.chore;

import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.Selection;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.Scale;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.NoteValue;
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
    List<Note> all =
        Stream.of(notes.split(","))
            .map(String::strip)
            .filter(n -> !n.isEmpty())
            .map(ChoreSongs::note)
            .toList();
    return EnteredNotes.place(empty, empty.tracks().getFirst().id(), all);
  }

  private static Note note(String text) {
    long[] n = Stream.of(text.split(" +")).mapToLong(Long::parseLong).toArray();
    return Note.placed(new NoteId(1), (int) n[1], (int) n[2], n[0], n[3]);
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
