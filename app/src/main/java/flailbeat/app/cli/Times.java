package flailbeat.app.cli;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** Moments as they are printed. */
final class Times {
  private static final DateTimeFormatter TIME =
      DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm:ss", Locale.ROOT);

  private Times() {}

  /** A moment in this machine's zone, of milliseconds since 1970. */
  static String of(long millis) {
    return TIME.format(Instant.ofEpochMilli(millis).atZone(ZoneId.systemDefault()));
  }
}
