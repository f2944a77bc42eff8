package flailbeat.app.shell;

import flailbeat.app.control.Palette;
import flailbeat.app.shell.commands.ShortMenu;
import flailbeat.app.shell.keys.KeySheetPane;
import flailbeat.app.view.bench.BenchView;
import flailbeat.app.view.bench.hand.SongMouse;
import flailbeat.app.view.map.MapView;
import flailbeat.core.model.Clip;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import java.util.function.Supplier;

/** The large map in the place of the bench, and the way from one to the other. */
final class MapRoom {
  private final Session session;
  private final BenchView bench;
  private final Supplier<MapView> make;
  private final Runnable onTurn;
  private Middle middle;

  /** Made when it is first turned to. */
  private MapView view;

  /**
   * The room, which the bench is in at first.
   *
   * @param menu the short menu of the right button
   * @param onTurn is told when the one or the other has come into sight
   */
  MapRoom(
      Session session,
      Palette palette,
      SongMouse mouse,
      BenchView bench,
      Supplier<ShortMenu> menu,
      Runnable onTurn) {
    this.session = session;
    this.bench = bench;
    this.onTurn = onTurn;
    make =
        () ->
            new MapView(
                session, palette, mouse, this::open, (e, onClip) -> menu.get().show(e, onClip));
  }

  void in(Middle place) {
    middle = place;
    session.changes().listen(this::onChange);
  }

  /** What is asked about notes, or shown of them, can be seen on the bench alone. */
  private void onChange(Change change) {
    boolean needsBench =
        change.isOf(Aspect.TIMING, Aspect.CHORES)
            && (session.doubts().isOn() || session.chores().isTrying());
    if (needsBench) {
      toBench();
    }
  }

  /** Whether the map is in sight. */
  boolean isMap() {
    return view != null && middle.shown() == view;
  }

  /** Has the bench in sight. */
  void toBench() {
    if (isMap()) {
      turn(false);
    }
  }

  /** For what keys are shown. */
  KeySheetPane.InSight inSight() {
    return isMap() ? KeySheetPane.InSight.MAP : KeySheetPane.InSight.BENCH;
  }

  /** From the bench to the map; from the map to the clip that is selected there. */
  void toggle() {
    if (!isMap()) {
      turn(true);
    } else if (session.document().selection().clips().isEmpty()) {
      turn(false);
    } else {
      session.clips().choice().clips().stream().findFirst().ifPresent(this::open);
    }
  }

  /** Opens the bench at a clip. */
  private void open(Clip clip) {
    session.document().chooseClip(clip.id());
    turn(false);
    bench.show(clip.range());
  }

  private void turn(boolean toMap) {
    if (view == null) {
      view = make.get();
    }
    session.clips().choice().setOnMap(toMap);
    if (!toMap) {
      session.clips().putAway();
    }
    middle.show(toMap ? view : bench);
    onTurn.run();
  }
}
