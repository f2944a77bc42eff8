package flailbeat.core.session;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/** Tells who listens that something about the session changed. */
public final class Changes {
  private final List<Consumer<Aspect>> listeners = new ArrayList<>();

  public void listen(Consumer<Aspect> listener) {
    listeners.add(listener);
  }

  void fire(Aspect aspect) {
    listeners.forEach(l -> l.accept(aspect));
  }
}
