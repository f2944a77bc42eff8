package flailbeat.core.quantize.lag;

import java.util.ArrayList;
import java.util.List;

/**
 * What has been learned of how late a person plays by some input: the lag of each part, the latest
 * last. What is old says less, so that a changed chair or device is found again within a few parts.
 *
 * @param partsMs late when positive; what cannot be a person's lag is left out, and the oldest of
 *     more than {@value #MOST}
 */
public record KnownLag(List<Double> partsMs) {
  /** Nothing yet. */
  public static final KnownLag NONE = new KnownLag(List.of());

  private static final int MOST = 20;

  /** A lag beyond this is no person's. */
  private static final double ABSURD_MS = 250;

  /** How much each part says, against the one after it. */
  private static final double MEMORY = 0.75;

  /** What is expected of anybody counts as half a part. */
  private static final double ANYBODY = 0.5;

  /** How far one's parts are apart, before they are heard. */
  private static final double USUAL_SPREAD_MS = 16;

  public KnownLag {
    List<Double> sane =
        partsMs == null
            ? List.of()
            : partsMs.stream().filter(ms -> ms != null && Math.abs(ms) <= ABSURD_MS).toList();
    partsMs = sane.subList(Math.max(0, sane.size() - MOST), sane.size());
  }

  /** With one part more. */
  public KnownLag with(double lagMs) {
    List<Double> more = new ArrayList<>(partsMs);
    more.add(lagMs);
    return new KnownLag(more);
  }

  /** How late the person is in the mean. */
  public double meanMs() {
    double sum = ANYBODY * LagPrior.UNKNOWN.meanMs();
    double weights = ANYBODY;
    for (int i = 0; i < partsMs.size(); i++) {
      sum += weight(i) * partsMs.get(i);
      weights += weight(i);
    }
    return sum / weights;
  }

  /** How far the next part may be from that, as a standard deviation. */
  public double spreadMs() {
    double mean = meanMs();
    double squares = USUAL_SPREAD_MS * USUAL_SPREAD_MS;
    double weights = 1;
    for (int i = 0; i < partsMs.size(); i++) {
      squares += weight(i) * (partsMs.get(i) - mean) * (partsMs.get(i) - mean);
      weights += weight(i);
    }
    return Math.sqrt(squares / weights * (1 + 1 / (weights - 1 + ANYBODY)));
  }

  private double weight(int part) {
    return Math.pow(MEMORY, partsMs.size() - 1 - part);
  }

  /** What is to be expected of the next part. */
  public LagPrior prior() {
    return partsMs.isEmpty() ? LagPrior.UNKNOWN : LagPrior.known(meanMs(), spreadMs());
  }
}
