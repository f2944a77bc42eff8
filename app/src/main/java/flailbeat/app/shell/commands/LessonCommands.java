package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Group;
import flailbeat.core.session.first.Lesson;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;

/** Short lessons for newcomers. */
public final class LessonCommands {
  private LessonCommands() {}

  /**
   * All of them.
   *
   * @param begin begins a lesson
   * @param next begins the one after that which is had
   * @param again begins that one again
   * @param leave leaves it
   */
  public static List<Command> list(
      Consumer<Lesson> begin, Runnable next, Runnable again, Runnable leave) {
    List<Command> all = new ArrayList<>();
    for (Lesson lesson : Lesson.values()) {
      all.add(
          of(
              Group.LESSONS,
              "lesson-" + lesson.name().toLowerCase(Locale.ROOT).replace('_', '-'),
              "Lesson " + (lesson.ordinal() + 1) + ": " + lesson.title(),
              "",
              () -> begin.accept(lesson)));
    }
    all.add(of(Group.LESSONS, "lesson-next", "The next lesson, or the first", "Ctrl+F1", next));
    all.add(of(Group.LESSONS, "lesson-again", "The lesson again", "Ctrl+F2", again));
    all.add(of(Group.LESSONS, "lesson-leave", "Leave the lesson", "Ctrl+F3", leave));
    return all;
  }
}
