package flailbeat.core.session.document;

import flailbeat.core.edit.TimeShift;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The range of the loop, and whether it is gone round. */
public final class Looping {
  /** How many bars the first loop has. */
  private static final int FIRST_BARS = 4;

  private final Document document;
  private final Changes changes;
  private Optional<TickRange> range = Optional.empty();
  private boolean on;
  private final List<Shift> shifts = new ArrayList<>();

  /** A step of the song that took the loop along. */
  private record Shift(
      Song before, Song after, Optional<TickRange> from, Optional<TickRange> to, boolean on) {}

  public Looping(Document document, Changes changes) {
    this.document = document;
    this.changes = changes;
    changes.listen(
        change -> {
          if (change.isOf(Aspect.SONG)) {
            followSteps();
          }
        });
  }

  /** A step that took it along takes it back when it is undone, unless it was set anew since. */
  private void followSteps() {
    Song now = document.song();
    for (Shift each : shifts) {
      if (isSame(now, each.before()) && range.equals(each.to())) {
        set(each.from(), each.on());
        return;
      }
      if (isSame(now, each.after()) && range.equals(each.from())) {
        set(each.to(), each.on() && each.to().isPresent());
        return;
      }
    }
  }

  /** Whether it is that step's song, under whatever name: a first saving names it. */
  private static boolean isSame(Song song, Song other) {
    return song.tracks() == other.tracks() && song.timeline() == other.timeline();
  }

  /** The range, though it may not be gone round; empty while none was ever chosen. */
  public Optional<TickRange> range() {
    return range;
  }

  public boolean isOn() {
    return on;
  }

  /** The range that is gone round. */
  public Optional<TickRange> active() {
    return on ? range : Optional.empty();
  }

  public void forget() {
    shifts.clear();
    set(Optional.empty(), false);
  }

  /** Chooses a range, and goes round it. An empty range is none. */
  public void choose(TickRange wanted) {
    if (wanted.length() > 0) {
      set(Optional.of(wanted), true);
    }
  }

  /** Goes round the range, or no longer; the first time it is four bars from a tick's bar. */
  public void toggle(long playStartTick) {
    set(Optional.of(rangeOr(playStartTick)), !on);
  }

  /** Goes round the bars of some notes. */
  public void chooseAround(List<Note> notes) {
    long start = notes.stream().mapToLong(Note::onset).min().orElse(0);
    long end = notes.stream().mapToLong(Note::end).max().orElse(0);
    if (!notes.isEmpty()) {
      choose(document.song().meters().wholeBars(new TickRange(start, end)));
    }
  }

  /** Makes it longer, or shorter, by bars; one bar is left. */
  public void lengthen(int bars, long playStartTick) {
    MeterMap meters = document.song().meters();
    TickRange old = rangeOr(playStartTick);
    int last = meters.barAt(old.end() - 1) + bars;
    long end = meters.barStart(Math.max(meters.barAt(old.start()), last) + 1);
    set(Optional.of(new TickRange(old.start(), end)), true);
  }

  /** Moves it by bars, not before the song's start. */
  public void move(int bars, long playStartTick) {
    MeterMap meters = document.song().meters();
    TickRange old = rangeOr(playStartTick);
    int first = meters.barAt(old.start());
    int length = meters.barAt(old.end() - 1) - first + 1;
    int moved = Math.max(0, first + bars);
    set(Optional.of(new TickRange(meters.barStart(moved), meters.barStart(moved + length))), true);
  }

  /**
   * The song was shifted, and the loop goes along.
   *
   * @param before the song that it was
   */
  public void follow(TimeShift shift, Song before) {
    Optional<TickRange> moved = range.flatMap(shift::of);
    shifts.add(new Shift(before, document.song(), range, moved, on));
    set(moved, on && moved.isPresent());
  }

  /** What brings it back to what it is now. */
  public Runnable memory() {
    Optional<TickRange> rangeNow = range;
    boolean onNow = on;
    return () -> set(rangeNow, onNow);
  }

  private TickRange rangeOr(long playStartTick) {
    MeterMap meters = document.song().meters();
    int bar = meters.barAt(playStartTick);
    return range.orElseGet(
        () -> new TickRange(meters.barStart(bar), meters.barStart(bar + FIRST_BARS)));
  }

  private void set(Optional<TickRange> newRange, boolean newOn) {
    if (!newRange.equals(range) || newOn != on) {
      range = newRange;
      on = newOn;
      changes.fire(Aspect.LOOP);
    }
  }
}
