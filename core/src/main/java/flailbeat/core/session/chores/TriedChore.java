package flailbeat.core.session.chores;

import flailbeat.core.chore.Area;
import flailbeat.core.chore.Chore;
import flailbeat.core.chore.Cleanup;
import flailbeat.core.chore.Outcome;

/** A chore that is tried. */
sealed interface TriedChore {
  /** What it is called. */
  String title();

  /** What it would do. */
  Outcome outcome(Area area);

  /** One that comes with the application, by a number. */
  record Built(Cleanup cleanup, int amount) implements TriedChore {
    @Override
    public String title() {
      return cleanup.title(amount);
    }

    @Override
    public Outcome outcome(Area area) {
      return cleanup.outcome(area, amount);
    }
  }

  /**
   * One of the person's own.
   *
   * @param seed what chance is drawn from
   */
  record Own(String name, Chore chore, long seed) implements TriedChore {
    @Override
    public String title() {
      return name;
    }

    @Override
    public Outcome outcome(Area area) {
      return chore.outcome(area, seed);
    }
  }
}
