package flailbeat.core.quantize.fit;

/**
 * A first guess at the slots, from a lag at the beginning: each slot near an event keeps the best
 * way to it, with the lag met on that way, followed as {@link LagTrack} does. O(n).
 */
final class FirstPath {
  private static final double WILD = 2.5;

  private final double[] times;
  private final Slots slots;
  private final Lattice lattice;

  FirstPath(double[] timesMs, Slots slots, Lattice lattice) {
    this.times = timesMs;
    this.slots = slots;
    this.lattice = lattice;
  }

  /** The path from a lag, with a spread that is not yet known. */
  int[] from(double startLagMs, Occupancy occupancy, double spread) {
    int n = times.length;
    int k = lattice.near();
    int[] first = lattice.first();
    double[] cost = new double[k];
    double[] lag = new double[k];
    double[] nextCost = new double[k];
    double[] nextLag = new double[k];
    byte[] from = new byte[n * k];
    double variance = spread * spread;
    int at = 0;
    for (int i = 0; i < n; i++) {
      double seconds = i == 0 ? 0 : (times[i] - times[i - 1]) / 1000;
      double walked = variance + LagTrack.WALK_MS * LagTrack.WALK_MS * seconds;
      double gain = walked / (walked + spread * spread);
      double sigma = Math.sqrt(walked + spread * spread);
      double around = i == 0 ? startLagMs : lag[Lattice.cheapest(cost)];
      int before = i == 0 ? 0 : first[i - 1];
      at = slots.from(at, times[i] - around);
      first[i] = Math.clamp(at - k / 2, 0, slots.size() - k);
      for (int c = 0; c < k; c++) {
        int to = first[i] + c;
        nextCost[c] = Double.POSITIVE_INFINITY;
        for (int p = 0; p < (i == 0 ? 1 : k); p++) {
          double known = i == 0 ? startLagMs : lag[p];
          double off = times[i] - slots.ms()[to] - known;
          double way =
              i == 0 ? occupancy.playing(to) : cost[p] + lattice.step(i, before + p, to, occupancy);
          double total = way + Gaussian.cost(off / sigma);
          if (total < nextCost[c]) {
            nextCost[c] = total;
            nextLag[c] = known + gain * Math.clamp(off, -WILD * spread, WILD * spread);
            from[i * k + c] = (byte) p;
          }
        }
      }
      variance = (1 - gain) * walked;
      System.arraycopy(nextCost, 0, cost, 0, k);
      System.arraycopy(nextLag, 0, lag, 0, k);
    }
    return lattice.traced(from, Lattice.cheapest(cost));
  }
}
