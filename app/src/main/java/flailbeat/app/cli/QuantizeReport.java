package flailbeat.app.cli;

import flailbeat.core.format.smf.SmfPatch;
import flailbeat.core.model.Note;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.Timing;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** What was done to a file, as JSON has it. */
record QuantizeReport(
    int notes,
    int moved,
    double lagMs,
    double spreadMs,
    String grid,
    List<OwnGrid> ownGrids,
    List<Whole> readings,
    List<Doubtful> doubtful,
    List<Doubtful> doubtfulEnds) {
  /**
   * A track that goes its own way, on another grid than the song, or has another swing.
   *
   * @param from the tick of its first note that does so
   */
  record OwnGrid(int track, String grid, double swing, long from) {}

  /** A way to understand a whole track; the one that was taken has 0 slots. */
  record Whole(int track, double weight, double lagMs, int slots) {}

  /**
   * A note that may be meant for another line, or to end elsewhere. Times are in the ticks of the
   * file that is written.
   */
  record Doubtful(int track, long tick, int pitch, long to, long orTo, double doubt) {}

  /**
   * What was done.
   *
   * @param moved how many notes stand elsewhere in the file that is written
   * @param ppq its ticks to a quarter note
   * @param by what each was quantized by, a piece for each plan
   */
  static QuantizeReport of(int moved, int ppq, AutoGrid.Chosen by, List<QuantizePlan> plans) {
    List<NotePlan> all = plans.stream().flatMap(p -> p.notes().stream()).toList();
    double[] deviations =
        plans.stream().flatMapToDouble(p -> Arrays.stream(p.timing().deviationsMs())).toArray();
    Timing timing = Timing.of(deviations);
    List<Whole> readings = new ArrayList<>();
    List<Doubtful> doubtful = new ArrayList<>();
    List<Doubtful> ends = new ArrayList<>();
    for (int i = 0; i < plans.size(); i++) {
      int number = by.pieces().get(i).track() + 1;
      plans
          .get(i)
          .readings()
          .forEach(r -> readings.add(new Whole(number, r.weight(), r.lagMs(), r.slots())));
      for (NotePlan note : plans.get(i).notes()) {
        if (note.isDoubtful()) {
          long[] lines = {note.line(), note.otherLine()};
          doubtful.add(doubt(number, ppq, note, lines, note.doubt()));
        }
        if (note.meant().isDoubtful()) {
          long[] places = {note.onset() + note.length(), note.meant().other()};
          ends.add(doubt(number, ppq, note, places, note.meant().doubt()));
        }
      }
    }
    List<OwnGrid> own = new ArrayList<>();
    for (AutoGrid.Piece piece : by.pieces()) {
      QuantizeSettings its = piece.settings();
      if (!its.equals(by.song())) {
        long from = piece.notes().stream().mapToLong(Note::onset).min().orElse(0);
        own.add(
            new OwnGrid(
                piece.track() + 1, its.grid().toString(), its.swing(), SmfPatch.toFile(from, ppq)));
      }
    }
    return new QuantizeReport(
        all.size(),
        moved,
        timing.lagMs(),
        timing.spreadMs(),
        by.song().grid().toString(),
        own,
        readings,
        doubtful,
        ends);
  }

  private static Doubtful doubt(int track, int ppq, NotePlan note, long[] places, double doubt) {
    return new Doubtful(
        track,
        SmfPatch.toFile(note.note().onset(), ppq),
        note.note().pitch(),
        SmfPatch.toFile(places[0], ppq),
        SmfPatch.toFile(places[1], ppq),
        doubt);
  }
}
