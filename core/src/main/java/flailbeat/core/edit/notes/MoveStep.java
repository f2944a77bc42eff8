package flailbeat.core.edit.notes;

import flailbeat.core.time.GridLines;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.TempoMap;

/** How far a key moves notes in time. */
public enum MoveStep {
  LINE("a line of the grid", Unit.LINES, 1),
  QUARTER("1/4", Unit.TICKS, NoteValue.straight(4).ticks()),
  EIGHTH("1/8", Unit.TICKS, NoteValue.straight(8).ticks()),
  SIXTEENTH("1/16", Unit.TICKS, NoteValue.straight(16).ticks()),
  THIRTY_SECOND("1/32", Unit.TICKS, NoteValue.straight(32).ticks()),
  SIXTY_FOURTH("1/64", Unit.TICKS, NoteValue.straight(64).ticks()),
  TEN_TICKS("10 ticks", Unit.TICKS, 10),
  ONE_TICK("1 tick", Unit.TICKS, 1),
  TEN_MS("10 ms", Unit.MILLIS, 10),
  FIVE_MS("5 ms", Unit.MILLIS, 5),
  ONE_MS("1 ms", Unit.MILLIS, 1);

  private enum Unit {
    LINES,
    TICKS,
    MILLIS
  }

  private static final long NANOS_PER_MILLI = 1_000_000;

  private final String words;
  private final Unit unit;
  private final long amount;

  MoveStep(String words, Unit unit, long amount) {
    this.words = words;
    this.unit = unit;
    this.amount = amount;
  }

  /** How far, in words: {@code 1/16}, {@code 10 ms}. */
  public String words() {
    return words;
  }

  /** So many steps from a tick on, in ticks; milliseconds are those of the tempo there. */
  public long ticks(long from, int steps, GridLines lines, TempoMap tempos) {
    return switch (unit) {
      case LINES -> lines.stepped(from, steps);
      case TICKS -> steps * amount;
      case MILLIS -> {
        long moved = tempos.nanosAt(from) + steps * amount * NANOS_PER_MILLI;
        long ticks = tempos.tickAt(Math.max(0, moved)) - from;
        yield ticks == 0 ? Integer.signum(steps) : ticks;
      }
    };
  }
}
