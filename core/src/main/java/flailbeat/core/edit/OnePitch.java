package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Links;
import flailbeat.core.model.Note;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.IdSet;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * One pitch in one place: two notes of one pitch never begin together. All edits share this rule.
 *
 * <ul>
 *   <li>A note that is <em>changed</em>, and would come to begin where another of its pitch begins,
 *       stays as it is: {@link #free}. So none is lost, and none becomes one with another.
 *   <li>A note that is <em>entered</em> takes the place of one of its pitch that begins there; one
 *       that sounds there ends there, and it ends itself where the next of its pitch begins: {@link
 *       #entering}.
 * </ul>
 *
 * <p>Places in a clip that loops are those of its first round, since a note there stands in every
 * round; places in clips that share what is in them are those of the one that speaks for all.
 */
public final class OnePitch {
  private static final int PITCH_SHIFT = 48;

  private final Track track;
  private final Links links;

  /** Whether anything sounds in more than one place. */
  private final boolean again;

  private OnePitch(Track track) {
    this.track = track;
    this.links = track.links();
    this.again = !links.isEmpty() || track.clips().stream().anyMatch(Clip::loops);
  }

  private long place(Note note) {
    return place(note.pitch(), firstRound(note.onset()));
  }

  private static long place(int pitch, long onset) {
    return (long) pitch << PITCH_SHIFT | onset;
  }

  /** Where a tick lies in the first round of its clip, or of the one that speaks for it. */
  private long firstRound(long tick) {
    return !again
        ? tick
        : track.clipAt(tick).map(c -> links.leader(c).start() + c.ownTick(tick)).orElse(tick);
  }

  /**
   * Of notes of a track as they shall be, those that may come to be so; the others would begin
   * where another of their pitch begins. Of several that would come to begin in one place the first
   * in time has it. Notes that began together before may go on to do so. O(k log k) for k of them,
   * and O(n log k) for the n notes where they go.
   *
   * @param changed in song time; those that the track does not have are passed over
   */
  static ById<Note> free(Track track, ById<Note> changed) {
    List<Move> moves = moves(track, changed);
    return moves.isEmpty() ? changed : new OnePitch(track).free(changed, moves);
  }

  /** A note that is to begin elsewhere, or at another pitch, as it is and as it shall be. */
  private record Move(Note from, Note to) {
    NoteId id() {
      return from.id();
    }
  }

  private static List<Move> moves(Track track, ById<Note> changed) {
    List<Move> result = new ArrayList<>();
    for (Clip clip : track.leaders()) {
      for (Note own : clip.content().notes().findAll(changed.ids())) {
        Note from = clip.heard(own);
        Note to = changed.get(own.idNumber());
        boolean sounds = own.onset() < clip.contentLength();
        if (sounds && (from.onset() != to.onset() || from.pitch() != to.pitch())) {
          result.add(new Move(from, to));
        }
      }
    }
    result.sort((a, b) -> Note.ORDER.compare(a.from(), b.from()));
    return result;
  }

  private ById<Note> free(ById<Note> changed, List<Move> moves) {
    long[] targets = moves.stream().mapToLong(m -> place(m.to())).sorted().toArray();
    Map<Long, Move> holders = standingAt(targets, moves);
    if (holders.isEmpty() && isRising(targets)) {
      return changed;
    }
    Set<NoteId> staying = staying(moves, holders);
    return ById.of(changed.elements().stream().filter(n -> !staying.contains(n.id())).toList());
  }

  private static boolean isRising(long[] places) {
    for (int i = 1; i < places.length; i++) {
      if (places[i - 1] == places[i]) {
        return false;
      }
    }
    return true;
  }

  /** The notes that do not move, by the places that others want. */
  private Map<Long, Move> standingAt(long[] targets, List<Move> moves) {
    IdSet moving = NoteIds.numbers(NoteIds.ofNotes(moves.stream().map(Move::from).toList()));
    long first = Long.MAX_VALUE;
    long last = 0;
    for (Move move : moves) {
      long tick = firstRound(move.to().onset());
      first = Math.min(first, tick);
      last = Math.max(last, tick);
    }
    Map<Long, Move> result = new HashMap<>();
    track.layOut(
        new TickRange(first, last + 1),
        (note, clip, round) -> {
          if (round == 0
              && !moving.has(note.idNumber())
              && Arrays.binarySearch(targets, place(note)) >= 0) {
            result.put(place(note), new Move(note, note));
          }
        });
    return result;
  }

  /** One that stays may stand where another wanted to go: then that one stays as well. */
  private Set<NoteId> staying(List<Move> moves, Map<Long, Move> holders) {
    Set<NoteId> result = new HashSet<>();
    for (Move move : moves) {
      Move next = move;
      while (next != null && !result.contains(next.id())) {
        Move holder = holders.putIfAbsent(place(next.to()), next);
        boolean free = holder == null || place(holder.from()) == place(next.from());
        if (free) {
          next = null;
        } else {
          result.add(next.id());
          next = holders.put(place(next.from()), new Move(next.from(), next.from()));
        }
      }
    }
    return result;
  }

  /**
   * What becomes of a track as notes are entered.
   *
   * @param gone notes whose place is taken
   * @param shortened notes that end where one that is entered begins
   * @param entered the notes themselves, each ending where the next of its pitch begins
   */
  record Entering(Set<NoteId> gone, List<Note> shortened, List<Note> entered) {}

  /**
   * Makes room for notes that are entered. Of two of these that begin together one is left, as loud
   * as the louder and as long as the longer. O(k log k + m) for k of them, where m others sound.
   *
   * @param notes in song time, whose ids the track does not have
   */
  static Entering entering(Track track, Collection<Note> notes) {
    return new OnePitch(track).entering(notes);
  }

  /** Whether no note of a pitch begins at a tick. O(log n). */
  public static boolean isFree(Track track, int pitch, long tick) {
    return track
        .clipAt(tick)
        .map(
            c ->
                c.content().notes().beginningIn(c.ownTick(tick), c.ownTick(tick) + 1).stream()
                    .map(c::heard)
                    .noneMatch(n -> n.pitch() == pitch))
        .orElse(true);
  }

  private Entering entering(Collection<Note> notes) {
    Map<Long, Note> byPlace = new HashMap<>();
    for (Note note : notes) {
      long later = firstRound(note.onset()) - note.onset();
      byPlace.merge(place(note), note.shifted(later), OnePitch::united);
    }
    List<Note> entered = new ArrayList<>(byPlace.values());
    entered.sort(Note.ORDER);
    Map<Integer, TreeSet<Long>> onsets = new HashMap<>();
    long first = Long.MAX_VALUE;
    long last = 0;
    for (Note note : entered) {
      onsets.computeIfAbsent(note.pitch(), p -> new TreeSet<>()).add(note.onset());
      first = Math.min(first, note.onset());
      last = Math.max(last, note.end());
    }
    Set<NoteId> gone = new HashSet<>();
    List<Note> shortened = new ArrayList<>();
    Map<Integer, TreeSet<Long>> there = new HashMap<>();
    for (Note note : track.placed(new TickRange(Math.min(first, last), last)).notes()) {
      TreeSet<Long> come = onsets.get(note.pitch());
      if (come == null) {
        continue;
      }
      if (come.contains(note.onset())) {
        gone.add(note.id());
        continue;
      }
      there.computeIfAbsent(note.pitch(), p -> new TreeSet<>()).add(note.onset());
      Long next = come.higher(note.onset());
      if (next != null && next < note.end()) {
        shortened.add(note.lasting(next - note.onset()));
      }
    }
    entered.replaceAll(n -> endingBefore(n, onsets, there));
    return new Entering(gone, shortened, entered);
  }

  private static Note endingBefore(
      Note note, Map<Integer, TreeSet<Long>> entered, Map<Integer, TreeSet<Long>> there) {
    long next = Math.min(next(note, entered), next(note, there));
    return next < note.end() ? note.resized(next - note.onset()) : note;
  }

  private static long next(Note note, Map<Integer, TreeSet<Long>> onsets) {
    TreeSet<Long> ofPitch = onsets.get(note.pitch());
    Long next = ofPitch == null ? null : ofPitch.higher(note.onset());
    return next == null ? Ticks.LAST + 1 : next;
  }

  private static Note united(Note a, Note b) {
    Note longer = Comparator.comparingLong(Note::length).compare(a, b) >= 0 ? a : b;
    return longer.withVelocity(Math.max(a.velocity(), b.velocity()));
  }
}
