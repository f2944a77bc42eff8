package flailbeat.core.session.run;

import flailbeat.core.event.Performed;
import flailbeat.core.session.hands.LiveSound;
import java.util.function.LongSupplier;

/**
 * The way of what is performed: to what runs, to note repeat, to the sound, and to those who write
 * it down, in this order.
 */
final class PerformedRoute {
  private final Runner runner;
  private final Repeater repeater;
  private final LiveSound live;
  private final Keeper keeper;
  private final LongSupplier offsetNanos;

  /**
   * A way.
   *
   * @param offsetNanos what is taken off the times of what is written down
   */
  PerformedRoute(
      Runner runner, Repeater repeater, LiveSound live, Keeper keeper, LongSupplier offsetNanos) {
    this.runner = runner;
    this.repeater = repeater;
    this.live = live;
    this.keeper = keeper;
    this.offsetNanos = offsetNanos;
  }

  /** Sounds an event, and writes it down. */
  void hear(Performed event) {
    runner.now().hear(event);
    writeRepeats(event.atNanos());
    repeater.hear(event);
    live.sound(event);
    write(event);
  }

  /** Writes down what note repeat has struck by a moment of the clock's. */
  void writeRepeats(long nowNanos) {
    repeater.advance(nowNanos).forEach(this::write);
  }

  private void write(Performed event) {
    runner.now().write(event);
    keeper.accept(event, runner.transport(), runner.runs(), offsetNanos.getAsLong());
  }
}
