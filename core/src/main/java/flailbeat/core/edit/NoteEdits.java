package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/** What can be done to notes. Each method gives the song it was given where nothing changes. */
public final class NoteEdits {
  private NoteEdits() {}

  /**
   * A note to be added: one that has no name yet.
   *
   * @param onset where it shall stand, until it was let go; not before the song's start
   */
  public record NewNote(int pitch, int velocity, Played played, long onset) {
    /** A note that shall stand where it was played, as far as the song reaches. */
    public NewNote(int pitch, int velocity, Played played) {
      this(pitch, velocity, played, Math.max(0, played.onset()));
    }
  }

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
    return edit(song, notes -> without(notes, n -> ids.contains(n.id())));
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
    return change(song, ids, Note::standingAsPlayed);
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
    List<Note> notes = named(song, added);
    MeterMap meters = song.meters();
    Clip fresh = Clip.around(notes, meters);
    TickRange wanted = fresh.range().span(meters.wholeBars(range));
    return song.withNextId(song.nextId() + notes.size())
        .withTrack(track, t -> t.withClips(merged(t, fresh.notes(), wanted)));
  }

  /** Notes with names given out in order from {@link Song#nextId()}. */
  static List<Note> named(Song song, Collection<NewNote> added) {
    List<Note> notes = new ArrayList<>(added.size());
    long id = song.nextId();
    for (NewNote n : added) {
      long onset = Math.clamp(n.onset(), 0, Ticks.LAST - 1);
      long length = Math.clamp(n.played().release() - onset, 1, Ticks.LAST - onset);
      notes.add(new Note(new NoteId(id++), n.pitch(), n.velocity(), onset, length, n.played()));
    }
    return notes;
  }

  /**
   * A clip with takes keeps its place: its heard take gets the notes that begin in it. The others
   * go into what lies between such clips, merged with the clips that are there.
   */
  private static List<Clip> merged(Track track, List<Note> added, TickRange range) {
    List<Clip> result = new ArrayList<>();
    List<Clip> loose = new ArrayList<>();
    List<Note> rest = new ArrayList<>(added);
    for (Clip clip : track.clips()) {
      if (clip.takes().isChoice()) {
        List<Note> all = new ArrayList<>(clip.notes());
        rest.stream().filter(n -> clip.range().contains(n.onset())).forEach(all::add);
        rest.removeIf(n -> clip.range().contains(n.onset()));
        result.add(Clip.of(clip.range(), all, clip.takes()));
      } else {
        loose.add(clip);
      }
    }
    for (TickRange gap : gaps(range, result)) {
      List<Note> begun = rest.stream().filter(n -> gap.contains(n.onset())).toList();
      boolean wholly = result.isEmpty();
      if (wholly || !begun.isEmpty()) {
        loose = mergedInto(loose, begun, gap);
      }
    }
    result.addAll(loose);
    result.sort(Comparator.comparingLong(c -> c.range().start()));
    return result;
  }

  /** What of a range the clips leave free. */
  private static List<TickRange> gaps(TickRange range, List<Clip> clips) {
    List<TickRange> result = new ArrayList<>();
    long from = range.start();
    for (Clip clip : clips) {
      if (clip.range().start() > from && from < range.end()) {
        result.add(new TickRange(from, Math.min(range.end(), clip.range().start())));
      }
      from = Math.max(from, clip.range().end());
    }
    if (from < range.end()) {
      result.add(new TickRange(from, range.end()));
    }
    return result;
  }

  private static List<Clip> mergedInto(List<Clip> clips, List<Note> added, TickRange wanted) {
    TickRange range = wanted;
    List<Note> notes = new ArrayList<>(added);
    List<Clip> result = new ArrayList<>();
    for (Clip clip : clips) {
      boolean overlaps = clip.range().start() < range.end() && range.start() < clip.range().end();
      if (overlaps) {
        range = range.span(clip.range());
        notes.addAll(clip.notes());
      } else {
        result.add(clip);
      }
    }
    result.add(Clip.of(range, notes, Takes.NONE));
    return result;
  }

  /** Takes away the notes of a track that begin in a range. */
  public static Song clear(Song song, TrackId track, TickRange range) {
    return clear(song, track, n -> range.contains(n.onset()));
  }

  /** Takes away the notes of a track that a condition names. */
  public static Song clear(Song song, TrackId track, Predicate<Note> gone) {
    return song.withTrack(
        track, t -> ClipEdits.mapNotes(t, notes -> without(notes, gone), song.meters()));
  }

  private static List<Note> without(List<Note> notes, Predicate<Note> gone) {
    List<Note> kept = notes.stream().filter(gone.negate()).toList();
    return kept.size() == notes.size() ? notes : kept;
  }

  private static Song edit(Song song, UnaryOperator<List<Note>> change) {
    return song.mapTracks(t -> ClipEdits.mapNotes(t, change, song.meters()));
  }
}
