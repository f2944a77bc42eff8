package flailbeat.core.quantize;

import flailbeat.core.model.id.NoteId;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;

/**
 * What a person has decided, note by note, whatever seemed likelier.
 *
 * @param lines the lines, as ticks, that notes are meant for
 * @param ends the ticks at which notes are meant to end
 */
public record Decisions(Map<NoteId, Long> lines, Map<NoteId, Long> ends) {
  /** Nothing is decided. */
  public static final Decisions NONE = new Decisions(Map.of(), Map.of());

  public Decisions {
    lines = Map.copyOf(lines);
    ends = Map.copyOf(ends);
  }

  /** With the line of some notes decided. O(n) for all that are decided. */
  public Decisions withLine(Collection<NoteId> notes, long line) {
    return new Decisions(with(lines, notes, line), ends);
  }

  /** With the end of some notes decided. O(n) for all that are decided. */
  public Decisions withEnd(Collection<NoteId> notes, long end) {
    return new Decisions(lines, with(ends, notes, end));
  }

  private static Map<NoteId, Long> with(
      Map<NoteId, Long> decided, Collection<NoteId> notes, long tick) {
    Map<NoteId, Long> more = new HashMap<>(decided);
    notes.forEach(n -> more.put(n, tick));
    return more;
  }
}
