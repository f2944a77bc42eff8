package flailbeat.app.cli;

import flailbeat.core.format.smf.SmfPatch;
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
    List<Doubtful> doubtful) {
  /** A track that goes its own way, on another grid than the song. */
  record OwnGrid(int track, String grid, double swing) {}

  /** A way to understand a whole track; the one that was taken has 0 slots. */
  record Whole(int track, double weight, double lagMs, int slots) {}

  /** Times are in the ticks of the file that is written. */
  record Doubtful(int track, long tick, int pitch, long to, long orTo, double doubt) {}

  /**
   * What was done.
   *
   * @param moved how many notes stand elsewhere in the file that is written
   * @param ppq its ticks to a quarter note
   * @param by what each was quantized by
   * @param tracks their numbers from 0, one for each plan
   */
  static QuantizeReport of(
      int moved, int ppq, AutoGrid.Chosen by, List<Integer> tracks, List<QuantizePlan> plans) {
    List<NotePlan> all = plans.stream().flatMap(p -> p.notes().stream()).toList();
    double[] deviations =
        plans.stream().flatMapToDouble(p -> Arrays.stream(p.timing().deviationsMs())).toArray();
    Timing timing = Timing.of(deviations);
    List<Whole> readings = new ArrayList<>();
    List<Doubtful> doubtful = new ArrayList<>();
    for (int i = 0; i < plans.size(); i++) {
      int number = tracks.get(i) + 1;
      plans
          .get(i)
          .readings()
          .forEach(r -> readings.add(new Whole(number, r.weight(), r.lagMs(), r.slots())));
      plans.get(i).notes().stream()
          .filter(NotePlan::isDoubtful)
          .forEach(
              n ->
                  doubtful.add(
                      new Doubtful(
                          number,
                          SmfPatch.toFile(n.note().onset(), ppq),
                          n.note().pitch(),
                          SmfPatch.toFile(n.line(), ppq),
                          SmfPatch.toFile(n.otherLine(), ppq),
                          n.doubt())));
    }
    List<OwnGrid> own = new ArrayList<>();
    for (int i = 0; i < tracks.size(); i++) {
      QuantizeSettings its = by.each().get(i);
      if (!its.equals(by.song())) {
        own.add(new OwnGrid(tracks.get(i) + 1, its.grid().toString(), its.swing()));
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
        doubtful);
  }
}
