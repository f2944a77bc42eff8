package flailbeat.app.shell.start;

import javafx.animation.AnimationTimer;

/** Does something once, after so many frames were drawn. */
public final class AfterFrames extends AnimationTimer {
  private final Runnable then;
  private int left;

  public AfterFrames(int frames, Runnable then) {
    this.left = frames;
    this.then = then;
  }

  @Override
  public void handle(long now) {
    if (--left == 0) {
      stop();
      then.run();
    }
  }
}
