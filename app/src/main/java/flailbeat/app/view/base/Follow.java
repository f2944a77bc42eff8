package flailbeat.app.view.base;

import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.session.document.Changes.Listening;
import java.util.EnumSet;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.Scene;

/**
 * Has a part of the window follow a session for as long as it is in a window. One that is taken out
 * hears nothing more, and costs nothing; when it comes back it is told, if it has missed anything,
 * that all may be another.
 */
public final class Follow {
  private final Session session;
  private final Consumer<Change> onChange;
  private Optional<Listening> listening = Optional.empty();
  private long heard;

  private Follow(Session session, Consumer<Change> onChange) {
    this.session = session;
    this.onChange = onChange;
    this.heard = session.changes().told();
  }

  /** Tells a part of the window of every change. */
  public static void changes(Node node, Session session, Consumer<Change> onChange) {
    Follow follow = new Follow(session, onChange);
    node.sceneProperty().addListener((property, before, now) -> follow.follow(now));
    follow.follow(node.getScene());
  }

  /** Refreshes a part of the window at once, and whenever any of some aspects has changed. */
  public static void changes(Node node, Session session, Runnable refresh, Aspect... aspects) {
    refresh.run();
    changes(
        node,
        session,
        change -> {
          if (change.isOf(aspects)) {
            refresh.run();
          }
        });
  }

  private void follow(Scene scene) {
    if (scene == null) {
      listening.ifPresent(Listening::leave);
      listening = Optional.empty();
      heard = session.changes().told();
    } else if (listening.isEmpty()) {
      listening = Optional.of(session.changes().listen(onChange));
      catchUp();
    }
  }

  private void catchUp() {
    if (session.changes().told() != heard) {
      onChange.accept(new Change(EnumSet.allOf(Aspect.class), session.song(), session.song()));
    }
  }
}
