package flailbeat.core.version;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Which versions are kept: of the last hour all, of the last day one for each hour, of the last
 * month (30 days) one for each day, and one for each week beyond; of several the latest. The oldest
 * go where all take too much room. O(n).
 */
final class Thinning {
  /** How much room the versions of a song may take, in bytes. */
  static final long MOST_BYTES = 64_000_000;

  private static final long HOUR = 3_600_000;
  private static final long DAY = 24 * HOUR;
  private static final long MONTH = 30 * DAY;
  private static final long WEEK = 7 * DAY;

  private Thinning() {}

  /**
   * Those that are kept.
   *
   * @param latestFirst all that there are; the first is kept in any case
   * @param nowMillis in milliseconds since 1970; what seems to be later was written just now
   */
  static List<Version> kept(List<Version> latestFirst, long nowMillis) {
    Set<Long> taken = new HashSet<>();
    List<Version> result = new ArrayList<>();
    long bytes = 0;
    for (Version version : latestFirst) {
      long age = Math.max(0, nowMillis - version.millis());
      boolean first = result.isEmpty();
      boolean wanted = age <= HOUR || taken.add(slot(version.millis(), age));
      if (first || wanted && bytes + version.bytes() <= MOST_BYTES) {
        result.add(version);
        bytes += version.bytes();
      }
    }
    return result;
  }

  /** The hour, day or week that it stands for; no two kinds have one number. */
  private static long slot(long millis, long age) {
    long unit = age <= DAY ? HOUR : age <= MONTH ? DAY : WEEK;
    return Math.floorDiv(millis, unit) * 3 + (unit == HOUR ? 0 : unit == DAY ? 1 : 2);
  }
}
