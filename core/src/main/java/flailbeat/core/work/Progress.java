package flailbeat.core.work;

import java.util.concurrent.CancellationException;

/** Who is told how far a piece of work has come, and can call it off. */
@FunctionalInterface
public interface Progress {
  /** Nobody wants to know, and nobody calls it off. */
  Progress NONE = done -> {};

  /**
   * Tells how far it has come.
   *
   * @param done 0 to 1
   * @throws CancellationException when its result is not wanted any more
   */
  void at(double done);

  /** A part of the work that goes from one share of it to another. */
  default Progress part(double from, double to) {
    return done -> at(from + done * (to - from));
  }
}
