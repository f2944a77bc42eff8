package flailbeat.core.session.document;

import flailbeat.core.model.Song;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Tells who listens that something about the session has changed: once, after it is done. What
 * changes while a notice is given is told in another, once all have heard the first. A listener
 * that fails keeps none of the others from hearing of it.
 */
public final class Changes {
  private static final Logger LOG = LoggerFactory.getLogger(Changes.class);

  /** More notices in answer to notices than this are a circle. */
  private static final int MOST_ANSWERS = 50;

  private final List<Consumer<Change>> listeners = new ArrayList<>();
  private final Set<Aspect> pending = EnumSet.noneOf(Aspect.class);
  private Consumer<RuntimeException> onFault = e -> LOG.error("A listener failed", e);
  private Supplier<Song> song = Song::empty;
  private Song toldSong;
  private int doing;
  private long told;
  private boolean telling;

  /** Someone who listens, and may leave. */
  public interface Listening {
    /** Hears of nothing more. */
    void leave();
  }

  /** Tells a listener of every change from now on. */
  public Listening listen(Consumer<Change> listener) {
    listeners.add(listener);
    return () -> listeners.remove(listener);
  }

  /** Chooses who is told of a listener that failed. */
  void onFault(Consumer<RuntimeException> handler) {
    onFault = handler;
  }

  /** Says where the song is to be had. */
  void of(Supplier<Song> source) {
    song = source;
    toldSong = source.get();
  }

  /** Does something that changes several things; one notice is given of all of them. */
  public void during(Runnable command) {
    doing++;
    try {
      command.run();
    } finally {
      doing--;
      tell();
    }
  }

  /** As {@link #during(Runnable)}, for what gives something back. */
  public <T> T during(Supplier<T> command) {
    doing++;
    try {
      return command.get();
    } finally {
      doing--;
      tell();
    }
  }

  /** Notes that something has changed, and says so as soon as what is being done is done. */
  public void fire(Aspect... aspects) {
    pending.addAll(List.of(aspects));
    tell();
  }

  private void tell() {
    if (doing > 0 || telling) {
      return;
    }
    telling = true;
    try {
      for (int answers = 0; !pending.isEmpty(); answers++) {
        if (answers > MOST_ANSWERS) {
          pending.clear();
          onFault.accept(new IllegalStateException("Changes answer one another without end"));
        } else {
          tellPending();
        }
      }
    } finally {
      telling = false;
    }
  }

  /** How many notices have been given so far: who missed one knows that something is another. */
  public long told() {
    return told;
  }

  private void tellPending() {
    told++;
    Change change = Change.of(pending, toldSong, song.get());
    pending.clear();
    toldSong = change.after();
    for (Consumer<Change> listener : List.copyOf(listeners)) {
      try {
        listener.accept(change);
      } catch (RuntimeException e) {
        onFault.accept(e);
      }
    }
  }
}
