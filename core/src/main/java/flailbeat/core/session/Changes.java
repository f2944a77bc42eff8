package flailbeat.core.session;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Tells who listens that something about the session changed. A listener that fails keeps none of
 * the others from hearing of it.
 */
public final class Changes {
  private static final Logger LOG = LoggerFactory.getLogger(Changes.class);

  private final List<Consumer<Aspect>> listeners = new ArrayList<>();
  private Consumer<RuntimeException> onFault = e -> LOG.error("A listener failed", e);

  public void listen(Consumer<Aspect> listener) {
    listeners.add(listener);
  }

  /** Chooses who is told of a listener that failed. */
  void onFault(Consumer<RuntimeException> handler) {
    onFault = handler;
  }

  void fire(Aspect aspect) {
    for (int i = 0; i < listeners.size(); i++) {
      try {
        listeners.get(i).accept(aspect);
      } catch (RuntimeException e) {
        onFault.accept(e);
      }
    }
  }
}
