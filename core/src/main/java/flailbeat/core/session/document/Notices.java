package flailbeat.core.session.document;

import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The line that tells the person what last happened. */
public final class Notices {
  private static final Logger LOG = LoggerFactory.getLogger(Notices.class);

  private static final long ALONG_NANOS = 10_000_000_000L;

  private final Changes changes;
  private Notice current = Notice.NONE;
  private boolean tellingMishap;
  private String along = "";
  private List<String> lines = List.of();
  private long alongSinceNanos;

  public Notices(Changes changes) {
    this.changes = changes;
    changes.onFault(this::mishap);
  }

  public Notice current() {
    return current;
  }

  public void tell(Notice value) {
    current =
        along.isEmpty() || System.nanoTime() - alongSinceNanos > ALONG_NANOS
            ? value
            : new Notice(value.text() + "; " + along, true);
    along = "";
    changes.fire(Aspect.NOTICE);
  }

  /**
   * Tells what takes more than a line: the notice in short, the lines until they are put away.
   *
   * @param all the first of them says what the others are about
   */
  public void tellLines(Notice inShort, List<String> all) {
    lines = List.copyOf(all);
    tell(inShort);
  }

  /** What is to be read; none once it was. */
  public List<String> lines() {
    return lines;
  }

  /** They were read. */
  public void putAwayLines() {
    lines = List.of();
    changes.fire(Aspect.NOTICE);
  }

  /** Tells what went as it should. */
  public void tell(String text) {
    tell(new Notice(text, false));
  }

  /** Tells what did not. */
  public void warn(String text) {
    tell(new Notice(text, true));
  }

  /**
   * Tells what did not, once more along with what is told next if that follows at once: as the
   * application starts, a file that is opened must not hide what became of the settings.
   */
  public void warnAlong(String text) {
    if (current != Notice.NONE) {
      warn(current.text() + "; " + text);
      return;
    }
    warn(text);
    along = text;
    alongSinceNanos = System.nanoTime();
  }

  /** Takes back what was told, where nothing else was since: it holds no longer. */
  public void withdraw(String text) {
    if (current.text().equals(text)) {
      current = Notice.NONE;
      changes.fire(Aspect.NOTICE);
    }
  }

  public void tell(Optional<Notice> value) {
    value.ifPresent(this::tell);
  }

  /** Tells of a fault in the application itself; what can go on goes on. */
  public void mishap(Throwable fault) {
    LOG.error("Something went wrong", fault);
    if (!tellingMishap) {
      tellingMishap = true;
      warn(
          "Something went wrong inside Flailbeat ("
              + fault
              + "). Your song is still here, and what you did is in the journal");
      tellingMishap = false;
    }
  }
}
