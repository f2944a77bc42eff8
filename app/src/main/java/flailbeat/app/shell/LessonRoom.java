package flailbeat.app.shell;

import flailbeat.app.shell.files.FileActions;
import flailbeat.app.view.row.LessonRow;
import flailbeat.core.model.Song;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.first.Lesson;
import flailbeat.core.session.first.Lessons;
import java.util.Optional;

/**
 * The lessons, which are had in the place of the song that is open: what of it is unsaved is asked
 * about first, and it is opened again when a lesson is left.
 */
final class LessonRoom {
  private final Session session;
  private final FileActions files;
  private final Runnable toBench;
  private final Lessons lessons;
  private final LessonRow row;
  private Runnable back = () -> {};

  /**
   * The room.
   *
   * @param toBench has the bench in sight, which lessons are had on
   */
  LessonRoom(Session session, FileActions files, Runnable toBench) {
    this.toBench = toBench;
    this.session = session;
    this.files = files;
    lessons = new Lessons(session);
    row = new LessonRow(session, lessons, this::next, this::again, this::leave);
  }

  /** What says what to do. */
  LessonRow row() {
    return row;
  }

  /** Begins a lesson. */
  void begin(Lesson lesson) {
    files.afterUnsavedWork(
        () -> {
          if (!session.document().isPractice()) {
            back = wayBack();
          }
          toBench.run();
          lessons.begin(lesson);
        });
  }

  /** The next lesson; the first where none is had. */
  void next() {
    begin(lessons.next().orElse(Lesson.values()[0]));
  }

  /** Begins the lesson again that is had. */
  void again() {
    lessons
        .current()
        .ifPresentOrElse(this::begin, () -> session.notices().tell("No lesson is open"));
  }

  /** Goes back to the song that was open before. */
  void leave() {
    if (lessons.current().isEmpty()) {
      session.notices().tell("No lesson is open");
      return;
    }
    files.afterUnsavedWork(
        () -> {
          lessons.end();
          back.run();
        });
  }

  /** A file is read again, since another window may have it by then; what has none was kept. */
  private Runnable wayBack() {
    Document document = session.document();
    Song song = document.song();
    boolean unsaved = document.hasUnsavedWork();
    return document
        .file()
        .<Runnable>map(file -> () -> files.open(file))
        .orElse(
            () -> {
              session.open(song, Optional.empty());
              if (unsaved) {
                document.markUnsaved();
              }
            });
  }
}
