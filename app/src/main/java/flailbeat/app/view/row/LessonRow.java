package flailbeat.app.view.row;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.control.KeyTexts;
import flailbeat.app.view.base.Follow;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.first.Lesson;
import flailbeat.core.session.first.Lessons;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Says what to do in a lesson, and how far it is; gone where none is had. */
public final class LessonRow extends HBox {
  private final Lessons lessons;
  private final Label title = new Label();
  private final Label says = new Label();
  private final Button next;

  /**
   * Makes the row.
   *
   * @param onNext goes on to the next lesson, or the first
   * @param onAgain begins the lesson again
   * @param onLeave leaves it
   */
  public LessonRow(
      Session session, Lessons lessons, Runnable onNext, Runnable onAgain, Runnable onLeave) {
    this.lessons = lessons;
    getStyleClass().add("lesson");
    setId("lesson");
    setMinHeight(USE_PREF_SIZE);
    title.getStyleClass().add("group-label");
    title.setId("lesson-title");
    says.setId("lesson-says");
    says.getStyleClass().add("lesson-says");
    says.setWrapText(true);
    VBox texts = new VBox(title, says);
    HBox.setHgrow(texts, Priority.ALWAYS);
    next = Buttons.text("Next lesson", "The next lesson ({lesson-next})", onNext);
    next.setId("lesson-next");
    Button again = Buttons.text("Again", "Begin this lesson again ({lesson-again})", onAgain);
    again.setId("lesson-again");
    Button leave =
        Buttons.text("Leave", "Back to the song that was open ({lesson-leave})", onLeave);
    leave.setId("lesson-leave");
    for (Button button : new Button[] {next, again, leave}) {
      button.setMinWidth(USE_PREF_SIZE);
    }
    getChildren().addAll(texts, next, again, leave);
    Follow.changes(
        this,
        session,
        change -> {
          if (change.isOf(Aspect.LESSON)) {
            show();
          }
        });
    show();
  }

  private void show() {
    Form.show(this, lessons.current().isPresent());
    lessons.current().ifPresent(this::show);
  }

  private void show(Lesson lesson) {
    boolean finished = lessons.isFinished();
    title.setText(
        "Lesson "
            + (lesson.ordinal() + 1)
            + " of "
            + Lesson.values().length
            + ": "
            + lesson.title()
            + (finished ? "" : ", step " + (lessons.done() + 1) + " of " + lessons.tasks()));
    KeyTexts.set(says, finished ? finishedText() : lessons.says());
    Form.show(next, finished && lessons.next().isPresent());
  }

  private String finishedText() {
    return lessons.next().isPresent()
        ? "Done. {lesson-next}: " + lessons.next().orElseThrow().title()
        : "Done, and all of it: {lesson-leave} goes back to your song";
  }
}
