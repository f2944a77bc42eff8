package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Links;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Sequence;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.IdSet;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.LongStream;

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

  /** The notes of these ids, in song time and in order; those that do not sound are left out. */
  public static List<Note> find(Song song, Set<NoteId> ids) {
    List<Note> result = new ArrayList<>();
    for (Track track : song.tracks()) {
      result.addAll(find(track, ids));
    }
    result.sort(Note.ORDER);
    return result;
  }

  /** The notes of a track of these ids, in song time and in order. */
  public static List<Note> find(Track track, Set<NoteId> ids) {
    List<Note> result = new ArrayList<>();
    forEach(track, ids, (clip, note) -> result.add(clip.heard(note)));
    result.sort(Note.ORDER);
    return result;
  }

  /** How many notes of a track that sound have these ids. */
  static int count(Track track, Set<NoteId> ids) {
    int[] count = new int[1];
    forEach(track, ids, (clip, note) -> count[0]++);
    return count[0];
  }

  /**
   * Shows the notes of a track of these ids that sound, each with its clip, in any order. O(k log
   * n) for k of n, and O(n) at most.
   */
  private static void forEach(Track track, Set<NoteId> ids, BiConsumer<Clip, Note> to) {
    IdSet numbers = NoteIds.numbers(ids);
    for (Clip clip : track.leaders()) {
      for (Note note : clip.content().notes().findAll(numbers)) {
        if (note.onset() < clip.contentLength()) {
          to.accept(clip, note);
        }
      }
    }
  }

  /** Changes each of the notes of these ids, which are in song time. */
  public static Song change(Song song, Set<NoteId> ids, UnaryOperator<Note> change) {
    return changed(song, find(song, ids), change);
  }

  /** Changes notes that were found in the song. */
  public static Song changed(Song song, List<Note> notes, UnaryOperator<Note> change) {
    List<Note> changed = new ArrayList<>();
    for (Note note : notes) {
      Note result = change.apply(note);
      if (result != note) {
        changed.add(result);
      }
    }
    return put(song, changed);
  }

  /** Changes every note that sounds; the function gives the very note back where it shall stay. */
  public static Song mapAll(Song song, UnaryOperator<Note> change) {
    List<Note> all = song.tracks().stream().flatMap(t -> t.notes().stream()).toList();
    return changed(song, all, change);
  }

  /**
   * Of notes as they shall be, those that may come to be so; any other would begin where another of
   * its pitch begins on the track, and {@link #put} leaves it as it is.
   */
  public static Collection<Note> free(Track track, Collection<Note> changed) {
    ById<Note> byId = ById.of(changed);
    ById<Note> free = OnePitch.free(track, byId);
    return free == byId ? changed : free.elements();
  }

  /** Puts notes, in song time, in place of those that have their ids. */
  public static Song put(Song song, Collection<Note> notes) {
    return ClipEdits.put(song, notes, List.of());
  }

  /** Takes the notes of these ids away. */
  public static Song delete(Song song, Set<NoteId> ids) {
    return song.mapTracks(t -> without(t, ids));
  }

  /** A track without the notes of some ids. */
  static Track without(Track track, Set<NoteId> ids) {
    IdSet gone = NoteIds.numbers(ids);
    return gone.isEmpty() ? track : mapped(track, notes -> notes.without(gone));
  }

  private static Track mapped(Track track, UnaryOperator<Sequence<Note>> change) {
    List<Clip> result = new ArrayList<>(track.clips().size());
    Links links = track.links();
    boolean same = true;
    for (Clip clip : track.clips()) {
      Clip changed =
          links.follows(clip)
              ? clip
              : clip.withContent(clip.content().withNotes(change.apply(clip.content().notes())));
      same &= changed == clip;
      result.add(changed);
    }
    return same ? track : track.withClips(result);
  }

  /**
   * Moves the named notes together. The move is shortened as far as it must be for all of them to
   * stay on the piano's 128 notes and in the song.
   */
  public static Song move(Song song, Set<NoteId> ids, long ticks, int semitones) {
    List<Note> notes = find(song, ids);
    return changed(song, notes, mover(notes, ticks, semitones));
  }

  /** What a move of these notes together does to each of them. */
  public static UnaryOperator<Note> mover(List<Note> notes, long ticks, int semitones) {
    Leeway room = Leeway.of(notes);
    long time = room.ticks(ticks);
    int pitch = room.semitones(semitones);
    return n -> time == 0 && pitch == 0 ? n : n.moved(time, pitch);
  }

  /** Puts the named notes back to where they were played. */
  public static Song restorePlayed(Song song, Set<NoteId> ids) {
    return change(song, ids, Note::standingAsPlayed);
  }

  /**
   * Adds notes to a track that were recorded over a stretch: {@link Placing#record} says where they
   * go. Loops that they meet are written out. They stand as they were played, also where one of
   * their pitch begins. Their ids are the first that are given out, in order from {@link
   * Song#nextId()}.
   *
   * @param range the stretch that was recorded
   */
  public static Song add(Song song, TrackId track, Collection<NewNote> added, TickRange range) {
    return record(song, track, added, List.of(), range);
  }

  /** The same with what controllers did meanwhile. */
  public static Song record(
      Song song,
      TrackId track,
      Collection<NewNote> added,
      Collection<NewControl> controls,
      TickRange range) {
    if (added.isEmpty() && controls.isEmpty()) {
      return song;
    }
    return ClipEdits.onTrack(
        song,
        track,
        (t, ids) -> {
          List<Note> notes = named(added, ids);
          List<ControlPoint> points = SongEdits.named(controls, ids);
          TickRange met = met(notes, points, range);
          Track open = ClipEdits.writtenOut(t, met, ids);
          return new Placing(open, song.meters(), ids).record(notes, points, met).track();
        });
  }

  /** The ids that the next so many notes get which come into a song. */
  public static Set<NoteId> nextIds(Song song, int count) {
    return NoteIds.of(
        LongStream.range(song.nextId(), song.nextId() + count).mapToObj(NoteId::new).toList());
  }

  private static TickRange met(List<Note> notes, List<ControlPoint> points, TickRange range) {
    long start = range.start();
    long end = range.end();
    for (Note note : notes) {
      start = Math.min(start, note.onset());
      end = Math.max(end, note.onset() + 1);
    }
    for (ControlPoint point : points) {
      start = Math.min(start, point.tick());
      end = Math.max(end, point.tick() + 1);
    }
    return new TickRange(start, end);
  }

  /** Notes with ids given out in order. */
  static List<Note> named(Collection<NewNote> added, Ids ids) {
    List<Note> notes = new ArrayList<>(added.size());
    for (NewNote n : added) {
      long onset = Math.clamp(n.onset(), 0, Ticks.LAST - 1);
      long length = Math.clamp(n.played().release() - onset, 1, Ticks.LAST - onset);
      notes.add(new Note(ids.note(), n.pitch(), n.velocity(), onset, length, n.played()));
    }
    return notes;
  }

  /** Takes away the notes of a track that begin in a range. */
  public static Song clear(Song song, TrackId track, TickRange range) {
    return ClipEdits.onTrack(
        song,
        track,
        (t, ids) ->
            withoutAny(ClipEdits.writtenOut(t, range, ids), n -> range.contains(n.onset())));
  }

  /** Takes away the notes of a track that a condition names; it sees them in song time. */
  public static Song clear(Song song, TrackId track, Predicate<Note> gone) {
    return song.withTrack(track, t -> withoutAny(t, gone));
  }

  private static Track withoutAny(Track track, Predicate<Note> gone) {
    return without(
        track, NoteIds.ofNotes(track.tangible(TickRange.EVER).stream().filter(gone).toList()));
  }

  /** How many notes are as they were though something else was asked of them: {@link OnePitch}. */
  public static int stayed(List<Note> before, Song after, UnaryOperator<Note> asked) {
    Map<NoteId, Note> now = new HashMap<>();
    find(after, NoteIds.ofNotes(before)).forEach(n -> now.put(n.id(), n));
    return (int)
        before.stream()
            .filter(n -> n.equals(now.get(n.id())))
            .filter(n -> !asked.apply(n).equals(n))
            .count();
  }
}
