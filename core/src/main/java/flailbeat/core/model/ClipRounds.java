package flailbeat.core.model;

import flailbeat.core.model.control.Control;
import flailbeat.core.model.control.Controller;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** A clip laid out in song time, round by round. */
final class ClipRounds {
  private final Clip clip;
  private final long start;
  private final long length;
  private final long period;

  ClipRounds(Clip clip) {
    this.clip = clip;
    this.start = clip.start();
    this.length = clip.length();
    this.period = clip.period();
  }

  /** Lays it out in song time: shows what sounds in a stretch of the song, in order. */
  void layOut(TickRange wanted, Layout to) {
    if (!clip.loops()) {
      layOutOnce(wanted, to);
      return;
    }
    boolean controls = to instanceof Layout.WithControls;
    List<ControlPoint> closing = controls ? closing(period) : List.of();
    for (long round = Math.max(0, (wanted.start() - start) / period);
        round * period < length;
        round++) {
      long later = start + round * period;
      if (later >= wanted.end() || later >= Ticks.LAST) {
        return;
      }
      long ends = Math.min(period, length - round * period);
      layOutRound((int) round, ends, wanted, to);
      if (controls) {
        showClosing(ends == period ? closing : closing(ends), (int) round, wanted, to);
      }
    }
  }

  private void layOutOnce(TickRange wanted, Layout to) {
    long until = Math.min(length, wanted.end() - start);
    clip.content()
        .notes()
        .forEachIn(wanted.start() - start, until, n -> to.note(clip.heard(n), clip, 0));
    if (to instanceof Layout.WithControls full) {
      clip.content()
          .controls()
          .forEachIn(wanted.start() - start, until, c -> full.control(c.shifted(start), clip, 0));
      if (wanted.contains(clip.end() - 1)) {
        showClosing(closing(length), 0, wanted, to);
      }
    }
  }

  /**
   * Lays a round out.
   *
   * @param ends where the round ends, in the clip's time
   */
  private void layOutRound(int round, long ends, TickRange wanted, Layout to) {
    long later = start + round * period;
    long until = Math.min(ends, Math.min(wanted.end(), Ticks.LAST) - later);
    clip.content()
        .notes()
        .forEachIn(
            wanted.start() - later,
            until,
            n -> {
              long most = Math.min(ends, Ticks.LAST - later) - n.onset();
              Note heard =
                  clip.traits().heard(n.lasting(Math.min(n.length(), most)).shifted(later));
              if (heard.end() > wanted.start()) {
                to.note(heard, clip, round);
              }
            });
    if (to instanceof Layout.WithControls full) {
      clip.content()
          .controls()
          .forEachIn(
              wanted.start() - later, until, c -> full.control(c.shifted(later), clip, round));
    }
  }

  private void showClosing(List<ControlPoint> closing, int round, TickRange wanted, Layout to) {
    if (to instanceof Layout.WithControls full) {
      long later = clip.loops() ? start + round * period : start;
      for (ControlPoint point : closing) {
        if (wanted.contains(point.tick() + later) && point.tick() + later <= Ticks.LAST) {
          full.closing(point.shifted(later), clip, round);
        }
      }
    }
  }

  /**
   * What controllers are set to on the last tick of a round that ends before its clip.content()
   * does, so that they stand as all of the content would leave them: of each that was set in the
   * round, the last of its points that the round does not reach.
   *
   * @param ends where the round ends, in the clip's time
   */
  private List<ControlPoint> closing(long ends) {
    Sequence<ControlPoint> points = clip.content().controls();
    int reached = points.indexAt(ends);
    if (reached == points.size() || ends < 1) {
      return List.of();
    }
    Map<Controller, ControlPoint> beyond = new HashMap<>();
    for (ControlPoint point : points.subList(reached, points.size())) {
      Controller.of(point.control())
          .filter(Controller::standsAlone)
          .ifPresent(c -> beyond.put(c, point));
    }
    List<ControlPoint> result = new ArrayList<>();
    for (int i = reached - 1; i >= 0 && !beyond.isEmpty(); i--) {
      Control set = points.get(i).control();
      ControlPoint last = Controller.of(set).map(beyond::remove).orElse(null);
      if (last != null && !last.control().equals(set)) {
        result.add(last.at(ends - 1));
      }
    }
    result.sort(ControlPoint.ORDER);
    return result;
  }
}
