package flailbeat.core.edit;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * Notes that are put at a place rather than played: entering them, and putting right what was just
 * entered. Each method costs what it changes, however many notes there are.
 *
 * <p>No two notes of one pitch overlap by it: one that sounds at the onset of another of its pitch
 * ends there.
 */
public final class EnteredNotes {
  /** A tick later than any. */
  private static final long NEVER = Long.MAX_VALUE;

  private EnteredNotes() {}

  /** The notes of a track that begin at a tick and have some pitches, in song time. */
  public static List<Note> find(Track track, long onset, Set<Integer> pitches) {
    return track.notesBeginningIn(new TickRange(onset, onset + 1)).stream()
        .filter(n -> pitches.contains(n.pitch()))
        .toList();
  }

  /**
   * Enters notes on a track.
   *
   * @param notes in order of onset
   * @param cleared what began in these stretches goes first; else those of the same onset and pitch
   *     do
   */
  public static Song enter(
      Song song, TrackId id, Collection<NewNote> notes, List<TickRange> cleared) {
    if (notes.isEmpty() && cleared.isEmpty()) {
      return song;
    }
    Song result = song;
    for (TickRange range : cleared) {
      result = clear(result, id, range, n -> true);
    }
    for (NewNote note : notes) {
      TickRange onset = new TickRange(note.onset(), note.onset() + 1);
      result = clear(result, id, onset, n -> n.pitch() == note.pitch());
      result = endBefore(result, id, note.pitch(), note.onset());
    }
    Track track = result.track(id).orElseThrow();
    List<NewNote> apart = notes.stream().map(n -> endingBeforeNext(track, n)).toList();
    return ClipEdits.onTrack(
        result,
        id,
        (t, ids) -> new Placing(t, song.meters(), ids).enter(NoteEdits.named(apart, ids)).track());
  }

  private static Song clear(Song song, TrackId id, TickRange range, Predicate<Note> gone) {
    Set<NoteId> ids =
        song.track(id).stream()
            .flatMap(t -> t.notesBeginningIn(range).stream())
            .filter(gone)
            .map(Note::id)
            .collect(Collectors.toSet());
    return ids.isEmpty() ? song : NoteEdits.delete(song, ids);
  }

  private static Song endBefore(Song song, TrackId id, int pitch, long tick) {
    List<Note> reaching = new ArrayList<>();
    song.track(id)
        .ifPresent(
            t ->
                t.layOut(
                    new TickRange(tick, tick + 1),
                    (note, repeated) -> {
                      if (note.pitch() == pitch && note.onset() < tick) {
                        reaching.add(note.lasting(tick - note.onset()));
                      }
                    }));
    return NoteEdits.put(song, reaching);
  }

  private static NewNote endingBeforeNext(Track track, NewNote note) {
    long end = note.played().release();
    long next = nextOnset(track, note.pitch(), note.onset(), end);
    return next == NEVER
        ? note
        : new NewNote(note.pitch(), note.velocity(), new Played(note.onset(), next), note.onset());
  }

  private static long nextOnset(Track track, int pitch, long onset, long end) {
    return track.notesBeginningIn(new TickRange(onset + 1, Math.max(onset + 1, end))).stream()
        .filter(n -> n.pitch() == pitch)
        .mapToLong(Note::onset)
        .min()
        .orElse(NEVER);
  }

  /**
   * Gives notes that begin at a tick another length.
   *
   * @param cleared what began in this stretch, others than they, goes; none where it shall stay
   */
  public static Song lengthen(
      Song song,
      TrackId id,
      long onset,
      Set<Integer> pitches,
      long length,
      Optional<TickRange> cleared) {
    Optional<Track> before = song.track(id);
    if (before.isEmpty()) {
      return song;
    }
    Set<NoteId> own =
        find(before.get(), onset, pitches).stream().map(Note::id).collect(Collectors.toSet());
    Song result =
        cleared.isEmpty() ? song : clear(song, id, cleared.get(), n -> !own.contains(n.id()));
    Track track = result.track(id).orElseThrow();
    return NoteEdits.change(
        result,
        own,
        n -> {
          long next = nextOnset(track, n.pitch(), n.onset(), n.onset() + length);
          return placed(n, next == NEVER ? length : next - n.onset());
        });
  }

  /** A note that was never played was first put as long as it is. */
  private static Note placed(Note note, long length) {
    boolean asPut = note.played().equals(new Played(note.onset(), note.end()));
    Played played = asPut ? new Played(note.onset(), note.onset() + length) : note.played();
    return new Note(
        note.id(),
        note.pitch(),
        note.velocity(),
        note.onset(),
        length,
        played,
        note.releaseVelocity());
  }

  /** Takes the notes of a track away that begin at a tick and have some pitches. */
  public static Song remove(Song song, TrackId id, long onset, Set<Integer> pitches) {
    return clear(song, id, new TickRange(onset, onset + 1), n -> pitches.contains(n.pitch()));
  }

  /** Puts notes, in song time, onto a track under ids of their own, as they are. */
  public static Song place(Song song, TrackId id, Collection<Note> notes) {
    return notes.isEmpty()
        ? song
        : ClipEdits.onTrack(
            song,
            id,
            (t, ids) ->
                new Placing(t, song.meters(), ids)
                    .enter(notes.stream().map(n -> n.withId(ids.note())).toList())
                    .track());
  }

  /**
   * Gives notes of a track other pitches.
   *
   * @param changed in song time, each in the place of the one that has its id
   * @param more to be added at their onset
   * @param length how long those last
   */
  public static Song give(
      Song song, TrackId id, List<Note> changed, List<NewNote> more, long length) {
    Song result = song;
    for (Note note : changed) {
      result = endBefore(result, id, note.pitch(), note.onset());
    }
    result = NoteEdits.put(result, changed);
    List<NewNote> lasting =
        more.stream()
            .map(
                n ->
                    new NewNote(
                        n.pitch(),
                        n.velocity(),
                        new Played(n.onset(), n.onset() + length),
                        n.onset()))
            .toList();
    return enter(result, id, lasting, List.of());
  }
}
