package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Group;
import flailbeat.app.shell.LessonRoom;
import flailbeat.core.session.first.Lesson;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Short lessons for newcomers. */
public final class LessonCommands {
  private LessonCommands() {}

  public static List<Command> list(LessonRoom room) {
    List<Command> all = new ArrayList<>();
    for (Lesson lesson : Lesson.values()) {
      all.add(
          of(
              Group.LESSONS,
              "lesson-" + lesson.name().toLowerCase(Locale.ROOT).replace('_', '-'),
              "Lesson " + (lesson.ordinal() + 1) + ": " + lesson.title(),
              "",
              () -> room.begin(lesson)));
    }
    all.add(
        of(Group.LESSONS, "lesson-next", "The next lesson, or the first", "Ctrl+F1", room::next));
    all.add(of(Group.LESSONS, "lesson-again", "The lesson again", "Ctrl+F2", room::again));
    all.add(of(Group.LESSONS, "lesson-leave", "Leave the lesson", "Ctrl+F3", room::leave));
    return all;
  }
}
