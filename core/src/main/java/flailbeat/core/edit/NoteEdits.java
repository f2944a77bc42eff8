package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;

/** What can be done to notes. Each method gives the song it was given where nothing changes. */
public final class NoteEdits {
  private NoteEdits() {}

  /** A note to be added: one that has no name yet. */
  public record NewNote(int pitch, int velocity, Played played) {}

  /** The notes of these names, in order. */
  public static List<Note> find(Song song, Set<NoteId> ids) {
    return song.tracks().stream()
        .flatMap(t -> t.clips().stream())
        .flatMap(c -> c.notes().stream())
        .filter(n -> ids.contains(n.id()))
        .sorted(Note.ORDER)
        .toList();
  }

  /** Changes each of the named notes. */
  public static Song change(Song song, Set<NoteId> ids, UnaryOperator<Note> change) {
    return ids.isEmpty() ? song : mapAll(song, n -> ids.contains(n.id()) ? change.apply(n) : n);
  }

  /** Puts every note through a function, which gives the very note back where it shall stay. */
  public static Song mapAll(Song song, UnaryOperator<Note> change) {
    return edit(
        song,
        notes -> {
          List<Note> result = new ArrayList<>(notes.size());
          boolean same = true;
          for (Note note : notes) {
            Note changed = change.apply(note);
            same &= changed == note;
            result.add(changed);
          }
          return same ? notes : result;
        });
  }

  /** Takes the named notes away. */
  public static Song delete(Song song, Set<NoteId> ids) {
    return edit(
        song,
        notes -> {
          List<Note> kept = notes.stream().filter(n -> !ids.contains(n.id())).toList();
          return kept.size() == notes.size() ? notes : kept;
        });
  }

  /**
   * Moves the named notes together. The move is shortened as far as it must be for all of them to
   * stay on the piano's 128 notes and in the song.
   */
  public static Song move(Song song, Set<NoteId> ids, long ticks, int semitones) {
    List<Note> notes = find(song, ids);
    if (notes.isEmpty()) {
      return song;
    }
    long first = notes.get(0).onset();
    long last = notes.stream().mapToLong(Note::end).max().orElseThrow();
    int low = notes.stream().mapToInt(Note::pitch).min().orElseThrow();
    int high = notes.stream().mapToInt(Note::pitch).max().orElseThrow();
    long time = Math.clamp(ticks, -first, Ticks.LAST - last);
    int pitch = Math.clamp(semitones, Pitch.LOWEST - low, Pitch.HIGHEST - high);
    return time == 0 && pitch == 0 ? song : change(song, ids, n -> n.moved(time, pitch));
  }

  /** Puts the named notes back to where they were played. */
  public static Song restorePlayed(Song song, Set<NoteId> ids) {
    return change(song, ids, n -> Note.asPlayed(n.id(), n.pitch(), n.velocity(), n.played()));
  }

  /**
   * Adds notes to a track: into the first clip that they meet, which grows to hold them, or else
   * into a new clip of whole bars. Names are given out in order from {@link Song#nextId()}.
   *
   * @param range the stretch that was recorded, which the clip shall cover as well
   */
  public static Song add(Song song, TrackId track, Collection<NewNote> added, TickRange range) {
    if (added.isEmpty()) {
      return song;
    }
    List<Note> notes = new ArrayList<>(added.size());
    long id = song.nextId();
    for (NewNote n : added) {
      notes.add(Note.asPlayed(new NoteId(id++), n.pitch(), n.velocity(), n.played()));
    }
    MeterMap meters = song.meters();
    Clip fresh = Clip.around(notes, meters);
    TickRange wanted = fresh.range().span(meters.wholeBars(range));
    return song.withNextId(id)
        .withTrack(track, t -> t.withClips(merged(t, new Clip(wanted, fresh.notes()))));
  }

  private static List<Clip> merged(Track track, Clip added) {
    TickRange range = added.range();
    List<Note> notes = new ArrayList<>(added.notes());
    List<Clip> result = new ArrayList<>();
    for (Clip clip : track.clips()) {
      boolean overlaps = clip.range().start() < range.end() && range.start() < clip.range().end();
      if (overlaps) {
        range = range.span(clip.range());
        notes.addAll(clip.notes());
      } else {
        result.add(clip);
      }
    }
    notes.sort(Note.ORDER);
    result.add(new Clip(range, notes));
    result.sort((a, b) -> Long.compare(a.range().start(), b.range().start()));
    return result;
  }

  private static Song edit(Song song, UnaryOperator<List<Note>> change) {
    return song.mapTracks(t -> t.mapNotes(change, song.meters()));
  }
}
