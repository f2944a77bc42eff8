package flailbeat.app.view.map;

import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.core.edit.clips.ClipShapes.Beyond;
import flailbeat.core.edit.clips.ClipsLaid;
import flailbeat.core.edit.clips.ClipsMoved;
import flailbeat.core.edit.clips.ClipsResized;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.session.Session;
import flailbeat.core.time.MeterMap;
import java.util.Locale;
import javafx.scene.control.Label;

/**
 * What goes along with the mouse on the large map: where clips would come to lie, and what gives
 * way.
 */
final class MapTip extends Label {
  private static final double AWAY = 14;

  private final Session session;

  MapTip(Session session) {
    this.session = session;
    getStyleClass().add("bench-tip");
    setId("map-tip");
    setManaged(false);
    setMouseTransparent(true);
    setVisible(false);
  }

  /** Says what the mouse does, beside it and within what is in sight. */
  void show(Gesture gesture, double x, double y, double width, double height) {
    String text = of(gesture);
    setVisible(!text.isEmpty());
    if (!text.isEmpty()) {
      setText(text);
      autosize();
      double above = y - AWAY - getHeight();
      relocate(
          Math.clamp(x + AWAY, 0, Math.max(0, width - getWidth())),
          Math.clamp(above < 0 ? y + AWAY : above, 0, Math.max(0, height - getHeight())));
    }
  }

  private String of(Gesture gesture) {
    return switch (gesture) {
      case Gesture.MoveClips move -> moved(move);
      case Gesture.ResizeClips resize -> resized(resize.at(), resize.resized());
      case Gesture.LayClips lay -> laid(lay.laid());
      case Gesture.BoxClips box -> selected();
      case Gesture.NewClip clip ->
          "empty clip, " + at(clip.range().start()) + " to " + at(clip.range().end());
      default -> "";
    };
  }

  private String moved(Gesture.MoveClips move) {
    ClipsMoved by = move.moved();
    if (by.isNothing()) {
      return "";
    }
    String what =
        switch (by.what()) {
          case MOVE -> "";
          case COPY -> "copy: ";
          case LINK -> by.tracks() == 0 ? "linked copy: " : "copy of its own: ";
        };
    int lane = move.fromLane() + by.tracks();
    String track =
        by.tracks() == 0 || lane < 0 || lane >= session.song().tracks().size()
            ? ""
            : ", " + session.song().tracks().get(lane).name();
    return what
        + at(move.at().start() + by.ticks())
        + track
        + String.format(Locale.ROOT, "   %+d ticks", by.ticks())
        + (by.landing() == Landing.PUSH ? ", pushes on" : "");
  }

  private String resized(Clip clip, ClipsResized resized) {
    if (resized.isNothing()) {
      return "";
    }
    Song after = resized.apply(session.song());
    Clip now =
        after.tracks().stream().flatMap(t -> t.clip(clip.id()).stream()).findFirst().orElse(clip);
    MeterMap meters = session.song().meters();
    String rounds =
        now.loops()
            ? ", " + Math.ceilDiv(now.length(), now.period()) + " rounds"
            : resized.beyond() == Beyond.SILENCE ? ", silent beyond its notes" : "";
    int gone = resized.start() ? clip.content().notes().size() - now.content().notes().size() : 0;
    return (resized.start()
            ? "from " + meters.positionAt(now.start())
            : "to " + meters.positionAt(now.end()))
        + rounds
        + (resized.start() && clip.traits().isLinked() ? ", its own from there on" : "")
        + (gone > 0 ? ", " + gone + (gone == 1 ? " note goes" : " notes go") : "");
  }

  private String laid(ClipsLaid laid) {
    long end = laid.tick() + laid.times() * laid.pattern().span();
    int out = laid.pattern().leftOut(laid.track(), session.song().tracks().size());
    return "x"
        + laid.times()
        + ", to "
        + at(end)
        + (laid.linked() ? ", linked" : "")
        + (out == 0 ? "" : ", " + out + (out == 1 ? " clip finds" : " clips find") + " no track");
  }

  private String selected() {
    int count = session.document().selection().clips().size();
    return count == 0 ? "" : count == 1 ? "1 clip" : count + " clips";
  }

  private String at(long tick) {
    return session.song().meters().positionAt(tick).toString();
  }
}
