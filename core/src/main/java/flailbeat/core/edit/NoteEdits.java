package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Played;
import flailbeat.core.model.Sequence;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.LongPredicate;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/** What can be done to notes. Each method gives the song it was given where nothing changes. */
public final class NoteEdits {
  /** One in so many, and it is quicker to look at every note than for each of the ids. */
  private static final int MANY = 3;

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
    forEach(track, ids, (clip, note) -> result.add(note.shifted(clip.start())));
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
    long[] sorted = NoteIds.values(ids);
    LongPredicate test = NoteIds.test(ids);
    for (Clip clip : track.clips()) {
      Sequence<Note> notes = clip.content().notes();
      boolean few = sorted.length * MANY < notes.size();
      for (Note note : few ? notes.findAll(sorted) : notes) {
        if (note.onset() < clip.contentLength() && (few || test.test(note.idNumber()))) {
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
  static Song changed(Song song, List<Note> notes, UnaryOperator<Note> change) {
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

  /** Puts notes, in song time, in place of those that have their ids. */
  public static Song put(Song song, Collection<Note> notes) {
    return ClipEdits.put(song, notes, List.of());
  }

  /** Takes the notes of these ids away. */
  public static Song delete(Song song, Set<NoteId> ids) {
    List<Long> gone = ids.stream().map(NoteId::value).toList();
    return song.mapTracks(t -> mapped(t, notes -> notes.withoutIds(gone)));
  }

  private static Track mapped(Track track, UnaryOperator<Sequence<Note>> change) {
    List<Clip> result = new ArrayList<>(track.clips().size());
    boolean same = true;
    for (Clip clip : track.clips()) {
      Clip changed =
          clip.withContent(clip.content().withNotes(change.apply(clip.content().notes())));
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
  static UnaryOperator<Note> mover(List<Note> notes, long ticks, int semitones) {
    Room room = Room.of(notes);
    long time = room.ticks(ticks);
    int pitch = room.semitones(semitones);
    return n -> time == 0 && pitch == 0 ? n : n.moved(time, pitch);
  }

  /** Puts the named notes back to where they were played. */
  public static Song restorePlayed(Song song, Set<NoteId> ids) {
    return change(song, ids, Note::standingAsPlayed);
  }

  /**
   * Adds notes to a track: into the first clip that they meet, which grows to hold them, or else
   * into a new clip of whole bars. Ids are given out in order from {@link Song#nextId()}.
   *
   * @param range the stretch that was recorded, which the clip shall cover as well
   */
  public static Song add(Song song, TrackId track, Collection<NewNote> added, TickRange range) {
    if (added.isEmpty()) {
      return song;
    }
    MeterMap meters = song.meters();
    return ClipEdits.onTrack(
        song,
        track,
        (t, ids) -> {
          List<Note> notes = named(added, ids);
          Clip fresh = Clip.around(ids.clip(), notes, List.of(), meters);
          TickRange wanted = fresh.range().span(meters.wholeBars(range));
          return t.withClips(merged(ClipEdits.writtenOut(t, wanted, ids), notes, wanted, ids));
        });
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

  /**
   * A clip with takes keeps its place: its active take gets the notes that begin in it. The others
   * go into what lies between such clips, merged with the clips that are there.
   */
  private static List<Clip> merged(Track track, List<Note> added, TickRange range, Ids ids) {
    List<Clip> result = new ArrayList<>();
    List<Clip> loose = new ArrayList<>();
    List<Note> rest = new ArrayList<>(added);
    for (Clip clip : track.clips()) {
      if (clip.takes().isChoice()) {
        List<Note> begun = rest.stream().filter(n -> clip.contains(n.onset())).toList();
        rest.removeAll(begun);
        result.add(with(clip, begun));
      } else {
        loose.add(clip);
      }
    }
    for (TickRange gap : gaps(range, result)) {
      List<Note> begun = rest.stream().filter(n -> gap.contains(n.onset())).toList();
      boolean wholly = result.isEmpty();
      if (wholly || !begun.isEmpty()) {
        loose = mergedInto(loose, begun, gap, ids);
      }
    }
    result.addAll(loose);
    result.sort(Comparator.comparingLong(Clip::start));
    return result;
  }

  private static Clip with(Clip clip, List<Note> notes) {
    List<Note> own = notes.stream().map(n -> n.shifted(-clip.start())).toList();
    return clip.withContent(clip.content().with(own, List.of()));
  }

  /** What of a range the clips leave free. */
  private static List<TickRange> gaps(TickRange range, List<Clip> clips) {
    List<TickRange> result = new ArrayList<>();
    long from = range.start();
    for (Clip clip : clips) {
      if (clip.start() > from && from < range.end()) {
        result.add(new TickRange(from, Math.min(range.end(), clip.start())));
      }
      from = Math.max(from, clip.end());
    }
    if (from < range.end()) {
      result.add(new TickRange(from, range.end()));
    }
    return result;
  }

  private static List<Clip> mergedInto(
      List<Clip> clips, List<Note> added, TickRange wanted, Ids ids) {
    List<Clip> met = clips.stream().filter(c -> c.range().overlaps(wanted)).toList();
    List<Clip> result = new ArrayList<>(clips);
    result.removeAll(met);
    Clip all =
        met.isEmpty()
            ? Clip.of(ids.clip(), wanted, List.of())
            : met.stream().reduce((a, b) -> ClipEdits.joined(a, b, ids)).orElseThrow();
    TickRange range = all.range().span(wanted);
    result.add(with(range.equals(all.range()) ? all : all.over(range), added));
    return result;
  }

  /** Takes away the notes of a track that begin in a range. */
  public static Song clear(Song song, TrackId track, TickRange range) {
    return ClipEdits.onTrack(
        song,
        track,
        (t, ids) -> without(ClipEdits.writtenOut(t, range, ids), n -> range.contains(n.onset())));
  }

  /** Takes away the notes of a track that a condition names; it sees them in song time. */
  public static Song clear(Song song, TrackId track, Predicate<Note> gone) {
    return song.withTrack(track, t -> without(t, gone));
  }

  private static Track without(Track track, Predicate<Note> gone) {
    List<Long> ids = track.notes().stream().filter(gone).map(Note::idNumber).toList();
    return mapped(track, notes -> notes.withoutIds(ids));
  }
}
