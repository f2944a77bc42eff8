package flailbeat.core.edit.notes;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * Makes notes longer or shorter together, by their starts or by their ends. No end passes the next
 * onset of the same pitch, no start the end of the note before it; none becomes shorter than
 * {@value #SHORTEST} ticks.
 *
 * @param at the note that is held
 * @param ticks how far its edge is moved; negative is earlier
 * @param limits how early a note's start, or how late its end, may come to lie, by its id
 */
public record NoteResize(
    Set<NoteId> ids, Edge edge, Together together, Note at, long ticks, Map<NoteId, Long> limits)
    implements NotesEdit {
  /** The shortest that a note becomes: a 256th note. */
  public static final long SHORTEST = 15;

  /** Which end of a note is moved. */
  public enum Edge {
    START,
    END
  }

  /** What several notes have in common once they are resized. */
  public enum Together {
    /** Each is moved by the same amount. */
    AMOUNT("change by the same amount"),
    /** All become as long as the one that is held. */
    LENGTH("become equally long"),
    /** All begin, or end, where the one that is held does. */
    PLACE("begin or end together");

    private final String words;

    Together(String words) {
      this.words = words;
    }

    /** What they do, in words. */
    public String words() {
      return words;
    }
  }

  /** A resize that has not begun. */
  public static NoteResize of(Song song, Set<NoteId> ids, Edge edge, Together together, Note at) {
    Map<NoteId, Long> limits = new HashMap<>();
    for (Track track : song.tracks()) {
      List<Note> notes = NoteEdits.find(track, ids);
      if (!notes.isEmpty()) {
        limits.putAll(
            edge == Edge.END ? nextOnsets(track, notes, ids) : endsBefore(track, notes, ids));
      }
    }
    return new NoteResize(ids, edge, together, at, 0, limits);
  }

  /** Of each note, where the next of its pitch begins. One pass over what comes after the first. */
  private static Map<NoteId, Long> nextOnsets(Track track, List<Note> notes, Set<NoteId> ids) {
    Map<Integer, Long> next = new HashMap<>();
    Map<NoteId, Long> result = new HashMap<>();
    TickRange rest = new TickRange(notes.getFirst().onset(), Ticks.LAST);
    for (Note n : track.notesBeginningIn(rest).reversed()) {
      if (ids.contains(n.id())) {
        result.put(n.id(), next.getOrDefault(n.pitch(), Ticks.LAST));
      }
      next.put(n.pitch(), n.onset());
    }
    return result;
  }

  /** Of each note, where the one of its pitch before it ends. */
  private static Map<NoteId, Long> endsBefore(Track track, List<Note> notes, Set<NoteId> ids) {
    Map<Integer, Long> before = new HashMap<>();
    Map<NoteId, Long> result = new HashMap<>();
    long last = notes.getLast().onset();
    for (Note n : track.notesBeginningIn(new TickRange(0, last + 1))) {
      if (ids.contains(n.id())) {
        result.put(n.id(), Math.min(n.onset(), before.getOrDefault(n.pitch(), 0L)));
      }
      before.put(n.pitch(), n.end());
    }
    return result;
  }

  /** The same with the edge moved so far. */
  public NoteResize by(long wanted) {
    return new NoteResize(ids, edge, together, at, wanted, limits);
  }

  @Override
  public UnaryOperator<Note> change(Song song) {
    long place = (edge == Edge.END ? at.end() : at.onset()) + ticks;
    long length = Math.max(SHORTEST, edge == Edge.END ? at.length() + ticks : at.length() - ticks);
    return edge == Edge.END
        ? n ->
            ending(
                n,
                switch (together) {
                  case AMOUNT -> n.end() + ticks;
                  case LENGTH -> n.onset() + length;
                  case PLACE -> place;
                })
        : n ->
            starting(
                n,
                switch (together) {
                  case AMOUNT -> n.onset() + ticks;
                  case LENGTH -> n.end() - length;
                  case PLACE -> place;
                });
  }

  private Note ending(Note n, long wanted) {
    long latest = limits.getOrDefault(n.id(), Ticks.LAST);
    long least = Math.min(n.end(), n.onset() + SHORTEST);
    long end = Math.clamp(wanted, least, Math.max(least, Math.max(latest, n.end())));
    long by = end - n.end();
    return by == 0 ? n : resized(n, 0, by);
  }

  private Note starting(Note n, long wanted) {
    long earliest = Math.min(limits.getOrDefault(n.id(), 0L), n.onset());
    long most = Math.max(n.onset(), n.end() - SHORTEST);
    long by = Math.clamp(wanted, earliest, most) - n.onset();
    return by == 0 ? n : resized(n, by, 0);
  }

  /** What was played is moved along with the edge that is moved. */
  private static Note resized(Note note, long start, long end) {
    Played played = note.played();
    return new Note(
        note.id(),
        note.pitch(),
        note.velocity(),
        note.onset() + start,
        note.length() - start + end,
        played.at(
            Math.min(played.onset() + start, played.release() + end - 1), played.release() + end),
        note.releaseVelocity());
  }

  @Override
  public boolean isNothing() {
    return ticks == 0 && together == Together.AMOUNT;
  }

  @Override
  public String label() {
    return ids.size() == 1 ? "Resize note" : "Resize " + ids.size() + " notes";
  }
}
