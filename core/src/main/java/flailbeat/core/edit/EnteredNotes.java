package flailbeat.core.edit;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.MeterMap;
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
 * <p>No two notes of one pitch overlap by it: {@link OnePitch} says which gives way.
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
   * Enters notes on a track; {@link OnePitch} says what gives way to them.
   *
   * @param notes in order of onset
   * @param cleared what began in these stretches goes first
   */
  public static Song enter(
      Song song, TrackId id, Collection<NewNote> notes, List<TickRange> cleared) {
    if (notes.isEmpty() && cleared.isEmpty()) {
      return song;
    }
    return ClipEdits.onTrack(
        song,
        id,
        (t, ids) -> {
          List<Long> ticks = new ArrayList<>(notes.stream().map(NewNote::onset).toList());
          cleared.forEach(range -> ticks.addAll(onsetsIn(t, range)));
          List<Note> named = NoteEdits.named(notes, ids);
          Track free = cleared(ClipEdits.writtenOutAcross(t, ticks, ids), cleared);
          return entered(free, named, song.meters(), ids);
        });
  }

  private static List<Long> onsetsIn(Track track, TickRange range) {
    return track.notesBeginningIn(range).stream().map(Note::onset).toList();
  }

  private static Track cleared(Track track, List<TickRange> ranges) {
    List<Note> gone = new ArrayList<>();
    ranges.forEach(range -> gone.addAll(track.notesBeginningIn(range)));
    return NoteEdits.without(track, NoteIds.ofNotes(gone));
  }

  /** A track with notes entered that have ids of their own. */
  private static Track entered(Track track, Collection<Note> notes, MeterMap meters, Ids ids) {
    OnePitch.Entering entering = OnePitch.entering(track, notes);
    return new Placing(NoteEdits.without(track, entering.gone()), meters, ids)
        .put(entering.shortened(), List.of())
        .enter(entering.entered(), List.of())
        .track();
  }

  private static Song clear(Song song, TrackId id, TickRange range, Predicate<Note> gone) {
    List<Note> notes =
        song.track(id).stream()
            .flatMap(t -> t.notesBeginningIn(range).stream())
            .filter(gone)
            .toList();
    return notes.isEmpty()
        ? song
        : song.withTrack(id, t -> NoteEdits.without(t, NoteIds.ofNotes(notes)));
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
    Played played =
        note.played().isPerformed()
            ? note.played()
            : note.played().at(note.onset(), note.onset() + length);
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
    return copy(song, id, notes, List.of());
  }

  /**
   * The same with copies of notes of the track.
   *
   * @param originals where those that are copied begin: a loop of which notes are copied into
   *     another round is written out
   */
  public static Song copy(
      Song song, TrackId id, Collection<Note> notes, Collection<Long> originals) {
    return notes.isEmpty()
        ? song
        : ClipEdits.onTrack(
            song,
            id,
            (t, ids) -> {
              List<Note> named = notes.stream().map(n -> n.withId(ids.note())).toList();
              List<Long> ticks = new ArrayList<>(originals);
              named.forEach(n -> ticks.add(n.onset()));
              Track open = ClipEdits.writtenOutAcross(t, ticks, ids);
              return entered(open, named, song.meters(), ids);
            });
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
    Song result = song.withTrack(id, t -> endingBefore(t, changed, song.meters()));
    result = NoteEdits.put(result, changed);
    List<NewNote> lasting =
        more.stream()
            .map(
                n ->
                    new NewNote(
                        n.pitch(),
                        n.velocity(),
                        Played.put(n.onset(), n.onset() + length),
                        n.onset()))
            .toList();
    return enter(result, id, lasting, List.of());
  }

  /** What sounds where others of its pitch come to begin ends there. */
  private static Track endingBefore(Track track, List<Note> others, MeterMap meters) {
    Set<NoteId> own = NoteIds.ofNotes(others);
    List<Note> shortened =
        OnePitch.entering(track, others).shortened().stream()
            .filter(n -> !own.contains(n.id()))
            .toList();
    return new Placing(track, meters, new Ids(0)).put(shortened, List.of()).track();
  }
}
