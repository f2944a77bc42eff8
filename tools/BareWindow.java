import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;

/** The least that a window of this toolkit can be: what tools/start-ratio compares the application with. */
public final class BareWindow {
  public static void main(String[] args) {
    Application.launch(Bare.class, args);
  }

  /** Apart from the main class, which may not be an application where the toolkit is on the class path. */
  public static final class Bare extends Application {
    @Override
    public void start(Stage stage) {
      stage.setScene(new Scene(new StackPane(new Label("Hello")), 1280, 800));
      stage.setX(0);
      stage.setY(0);
      stage.show();
      new AnimationTimer() {
        private int frames;

        @Override
        public void handle(long now) {
          if (++frames == 3) {
            Platform.exit();
          }
        }
      }.start();
    }
  }
}
