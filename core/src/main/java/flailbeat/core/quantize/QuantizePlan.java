package flailbeat.core.quantize;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What quantizing would do, before it is done.
 *
 * @param notes one plan for each note, in order of the times as played
 * @param timing how they were played, against the lines chosen
 * @param removedLagMs the lag that was taken out before lines were chosen
 */
public record QuantizePlan(List<NotePlan> notes, Timing timing, double removedLagMs) {
  /** A plan for no notes. */
  public static final QuantizePlan NONE = new QuantizePlan(List.of(), Timing.of(new double[0]), 0);

  public int moved() {
    return (int) notes.stream().filter(NotePlan::changes).count();
  }

  public int doubtful() {
    return (int) notes.stream().filter(NotePlan::isDoubtful).count();
  }

  public int count(NotePlan.Outcome outcome) {
    return (int) notes.stream().filter(n -> n.outcome() == outcome).count();
  }

  /** The song with the plan carried out: the same song when nothing changes. */
  public Song applyTo(Song song) {
    Map<NoteId, NotePlan> changed = HashMap.newHashMap(moved());
    for (NotePlan plan : notes) {
      if (plan.changes()) {
        changed.put(plan.note().id(), plan);
      }
    }
    return NoteEdits.change(song, changed.keySet(), n -> changed.get(n.id()).result());
  }
}
