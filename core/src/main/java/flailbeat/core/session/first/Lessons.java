package flailbeat.core.session.first;

import flailbeat.core.event.Performed;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import java.util.Optional;

/**
 * Leads through a {@link Lesson}. It asks for one thing after another and keeps nothing from being
 * done; opening another song leaves it, at whatever point.
 */
public final class Lessons {
  private final Session session;
  private Optional<Lesson> lesson = Optional.empty();
  private int task;
  private int opening;
  private Seen seen;

  /** For a session; nothing is taught yet. */
  public Lessons(Session session) {
    this.session = session;
    seen = new Seen(session);
    session.performer().listen(this::heard);
    session.changes().listen(this::changed);
  }

  /** Opens the song of a lesson in the place of the present one, and gives its first task. */
  public void begin(Lesson wanted) {
    lesson = Optional.empty();
    session.open(wanted.song(), Optional.empty());
    session.document().setPractice();
    lesson = Optional.of(wanted);
    opening = session.document().openings();
    give(0);
  }

  /** Leaves the lesson: its song stays open until another is. */
  public void end() {
    if (lesson.isPresent()) {
      lesson = Optional.empty();
      session.changes().fire(Aspect.LESSON);
    }
  }

  /** The lesson that is had; empty for none. */
  public Optional<Lesson> current() {
    return lesson;
  }

  /** The lesson after this one; empty after the last, and where none is had. */
  public Optional<Lesson> next() {
    return lesson
        .map(l -> l.ordinal() + 1)
        .filter(i -> i < Lesson.values().length)
        .map(i -> Lesson.values()[i]);
  }

  /** How many tasks are done. */
  public int done() {
    return task;
  }

  /** How many tasks the lesson has; 0 where none is had. */
  public int tasks() {
    return lesson.map(l -> l.tasks().size()).orElse(0);
  }

  /** Whether all tasks are done. */
  public boolean isFinished() {
    return lesson.isPresent() && task == tasks();
  }

  /** What to do now, with the commands that it names in braces; empty where nothing is. */
  public String says() {
    if (lesson.isEmpty() || isFinished()) {
      return "";
    }
    Lesson.Task now = now();
    return (lacksLetters() ? "{keys-switch} makes the letters notes. " : "")
        + now.besides().apply(seen)
        + now.says();
  }

  /** Whether letters are not notes although it is a lesson of playing. */
  private boolean lacksLetters() {
    return lesson.orElseThrow().isPlayed() && session.performer().keysMode() != KeysMode.PLAY;
  }

  private Lesson.Task now() {
    return lesson.orElseThrow().tasks().get(task);
  }

  private void give(int number) {
    task = number;
    seen = new Seen(session);
    session.changes().fire(Aspect.LESSON);
  }

  private void heard(Performed event) {
    if (event instanceof Performed.NoteOn on && lesson.isPresent()) {
      seen.heard(on.pitch());
      see();
    }
  }

  private void changed(Change change) {
    if (lesson.isPresent() && opening != session.document().openings()) {
      end();
    } else if (!change.isOf(Aspect.LESSON) && lesson.isPresent()) {
      see();
    }
  }

  private void see() {
    seen.look();
    if (isFinished()) {
      return;
    }
    if (now().done().test(seen)) {
      give(task + 1);
    } else {
      session.changes().fire(Aspect.LESSON);
    }
  }
}
