package flailbeat.core.session.settings;

import java.util.List;

/**
 * Where the window was left, in pixels of the desktop.
 *
 * @param width more than 0, as is the height
 */
public record WindowPlace(double x, double y, double width, double height) {
  /** A screen without what the system keeps for itself. */
  public record Screen(double x, double y, double width, double height) {
    private double shared(WindowPlace window) {
      double across = Math.min(x + width, window.x + window.width) - Math.max(x, window.x);
      double down = Math.min(y + height, window.y + window.height) - Math.max(y, window.y);
      return Math.max(0, across) * Math.max(0, down);
    }
  }

  public WindowPlace {
    if (!(width > 0 && height > 0) || !Double.isFinite(x + y + width + height)) {
      throw new IllegalArgumentException("A window cannot be " + width + " by " + height);
    }
  }

  /**
   * The same within a screen that is there: the one that shows most of it, else the first. It
   * becomes smaller where it must.
   *
   * @param screens at least one
   */
  public WindowPlace within(List<Screen> screens) {
    Screen on = screens.getFirst();
    for (Screen screen : screens) {
      on = screen.shared(this) > on.shared(this) ? screen : on;
    }
    double w = Math.min(width, on.width());
    double h = Math.min(height, on.height());
    return new WindowPlace(
        Math.clamp(x, on.x(), on.x() + on.width() - w),
        Math.clamp(y, on.y(), on.y() + on.height() - h),
        w,
        h);
  }

  /**
   * The same where enough of it to take hold of is in sight, as where a person put it half over an
   * edge; else brought within a screen, as where the one it was on was taken away.
   *
   * @param screens at least one
   */
  public WindowPlace inSight(List<Screen> screens) {
    boolean seen = screens.stream().anyMatch(s -> s.shared(this) >= width * height / 4);
    return seen ? this : within(screens);
  }
}
