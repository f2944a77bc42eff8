package flailbeat.app.cli;

import flailbeat.core.format.smf.SmfPatch;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.Timing;
import flailbeat.core.time.Grid;
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
    List<Whole> readings,
    List<Doubtful> doubtful) {
  /** A way to understand a whole track; the one that was taken has 0 slots. */
  record Whole(int track, double weight, double lagMs, int slots) {}

  /** Times are in the ticks of the file that is written. */
  record Doubtful(int track, long tick, int pitch, long to, long orTo, double doubt) {}

  /**
   * What was done.
   *
   * @param moved how many notes stand elsewhere in the file that is written
   * @param ppq its ticks to a quarter note
   * @param tracks their numbers from 0, one for each plan
   */
  static QuantizeReport of(
      int moved, int ppq, Grid on, List<Integer> tracks, List<QuantizePlan> plans) {
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
    return new QuantizeReport(
        all.size(), moved, timing.lagMs(), timing.spreadMs(), on.toString(), readings, doubtful);
  }
}
