package flailbeat.app.view.safe;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** Moments as people say them. */
public final class When {
  private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);
  private static final DateTimeFormatter SECONDS =
      DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ROOT);
  private static final String TODAY = "today";
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMMM", Locale.ENGLISH);
  private static final DateTimeFormatter YEAR =
      DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

  private When() {}

  /**
   * A moment: {@code today 19:42}, {@code 3 March 19:42}.
   *
   * @param millis since 1970
   */
  public static String of(long millis, long nowMillis, ZoneId zone) {
    ZonedDateTime then = Instant.ofEpochMilli(millis).atZone(zone);
    LocalDate today = Instant.ofEpochMilli(nowMillis).atZone(zone).toLocalDate();
    LocalDate day = then.toLocalDate();
    String said =
        day.equals(today)
            ? TODAY
            : day.equals(today.minusDays(1))
                ? "yesterday"
                : day.getYear() == today.getYear() ? DAY.format(day) : YEAR.format(day);
    return said + " " + TIME.format(then);
  }

  /** The same to the second where it was today: several may be of one minute. */
  public static String exactly(long millis) {
    String said = of(millis);
    ZonedDateTime then = Instant.ofEpochMilli(millis).atZone(ZoneId.systemDefault());
    return said.startsWith(TODAY) ? TODAY + " " + SECONDS.format(then) : said;
  }

  /** The same, by the clock and the zone of this machine. */
  public static String of(long millis) {
    return of(millis, System.currentTimeMillis(), ZoneId.systemDefault());
  }
}
