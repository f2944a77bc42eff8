package flailbeat.core.edit;

import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
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
        limits.putAll(edge == Edge.END ? nextOnsets(track, notes) : endsBefore(track, notes));
      }
    }
    return new NoteResize(ids, edge, together, at, 0, limits);
  }

  /** Of each note, where the next of its pitch begins. One pass over what comes after the first. */
  private static Map<NoteId, Long> nextOnsets(Track track, List<Note> notes) {
    Map<Integer, Long> next = new HashMap<>();
    Map<NoteId, Long> result = new HashMap<>();
    List<Note> all =
        track.notesBeginningIn(new TickRange(notes.get(0).onset(), Ticks.LAST)).reversed();
    for (Note note : all) {
      result.put(note.id(), next.getOrDefault(note.pitch(), Ticks.LAST));
      next.put(note.pitch(), note.onset());
    }
    result
        .keySet()
        .retainAll(notes.stream().map(Note::id).collect(java.util.stream.Collectors.toSet()));
    return result;
  }

  /** Of each note, where the one of its pitch before it ends. */
  private static Map<NoteId, Long> endsBefore(Track track, List<Note> notes) {
    Map<Integer, Long> before = new HashMap<>();
    Map<NoteId, Long> result = new HashMap<>();
    long last = notes.getLast().onset();
    for (Note note : track.notesBeginningIn(new TickRange(0, last + 1))) {
      result.put(note.id(), Math.min(note.onset(), before.getOrDefault(note.pitch(), 0L)));
      before.put(note.pitch(), note.end());
    }
    result
        .keySet()
        .retainAll(notes.stream().map(Note::id).collect(java.util.stream.Collectors.toSet()));
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

  private Note ending(Note note, long wanted) {
    long latest = limits.getOrDefault(note.id(), Ticks.LAST);
    long least = Math.min(note.end(), note.onset() + SHORTEST);
    long end = Math.clamp(wanted, least, Math.max(least, Math.max(latest, note.end())));
    long by = end - note.end();
    return by == 0 ? note : resized(note, 0, by);
  }

  private Note starting(Note note, long wanted) {
    long earliest = Math.min(limits.getOrDefault(note.id(), 0L), note.onset());
    long most = Math.max(note.onset(), note.end() - SHORTEST);
    long by = Math.clamp(wanted, earliest, most) - note.onset();
    return by == 0 ? note : resized(note, by, 0);
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
        Played.within(
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
