package flailbeat.core.session;

import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The line that tells the person what last happened. */
public final class Notices {
  private static final Logger LOG = LoggerFactory.getLogger(Notices.class);

  private final Changes changes;
  private Notice current = Notice.NONE;
  private boolean tellingMishap;

  Notices(Changes changes) {
    this.changes = changes;
    changes.onFault(this::mishap);
  }

  public Notice current() {
    return current;
  }

  public void tell(Notice value) {
    current = value;
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

  void tell(Optional<Notice> value) {
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
              + "). Your song is still here: save it under another name to be safe");
      tellingMishap = false;
    }
  }
}
