package flailbeat.app.view.bench.hand;

import flailbeat.core.edit.Edit;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.notes.NoteCopies;
import flailbeat.core.edit.notes.NoteMove;
import flailbeat.core.edit.notes.NoteResize;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.edit.notes.NotesDrawn;
import flailbeat.core.edit.notes.NotesErased;
import flailbeat.core.edit.shapes.ControlDrawn;
import flailbeat.core.edit.shapes.PedalBars;
import flailbeat.core.edit.shapes.VelocityDrawn;
import flailbeat.core.model.Note;
import flailbeat.core.model.Velocity;
import flailbeat.core.model.control.Controller;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import flailbeat.core.time.TickRange;
import java.util.Locale;

/** What goes along with the mouse: pitch, position, length, velocity, and the change. */
final class Readout {
  private final Session session;

  Readout(Session session) {
    this.session = session;
  }

  /** In words; empty where there is nothing to say. */
  String of(Gesture gesture) {
    Edit edit = gesture.edit().orElse(null);
    return switch (gesture) {
      case Gesture.Move move -> moved(move);
      case Gesture.Resize resize -> resized(resize.resize());
      case Gesture.Draw draw -> note(draw.note());
      case Gesture.Fill fill -> filled(fill.drawn());
      case Gesture.Repeat repeat -> repeated(repeat.copies());
      case Gesture.Erase erase -> erased(erase.erased());
      case Gesture.Loudness loudness ->
          String.format(Locale.ROOT, "velocity %+d", loudness.louder().by());
      case Gesture.Sketch sketch -> sketched(sketch);
      case Gesture.Wipe wipe -> "erase up to " + at(wipe.erased().range().end());
      case Gesture.Pedal pedal -> pedal(pedal);
      case Gesture.Stretch stretch -> stretch.says();
      case Gesture.Wheel wheel -> wheel(wheel);
      case Gesture.Box box -> selected();
      default -> "";
    };
  }

  private String moved(Gesture.Move move) {
    NoteMove by = move.move();
    Note at = move.at().moved(by.ticks(), by.semitones());
    String what = move.copies() ? "copy: " : "";
    return what
        + line(at.pitch(), at.onset(), at.length(), at.velocity())
        + String.format(Locale.ROOT, "   %+d ticks, %+d", by.ticks(), by.semitones());
  }

  private String resized(NoteResize resize) {
    Note at = resize.change(session.song()).apply(resize.at());
    return line(at.pitch(), at.onset(), at.length(), at.velocity())
        + String.format(Locale.ROOT, "   %+d ticks", at.length() - resize.at().length());
  }

  private String note(NewNote note) {
    return line(note.pitch(), note.onset(), note.played().length(), note.velocity());
  }

  private String filled(NotesDrawn drawn) {
    return drawn.notes().isEmpty()
        ? ""
        : Notice.notes(drawn.notes().size())
            + (drawn.notes().size() == RollGestures.MOST_FILLED ? ", no more in a stroke" : "")
            + ", last "
            + note(drawn.notes().getLast());
  }

  private String repeated(NoteCopies copies) {
    long end =
        NoteTools.range(NoteEdits.find(session.song(), copies.ids())).start()
            + copies.ticks() * (copies.times() + 1);
    return "copies: " + copies.times() + ", up to " + session.song().meters().positionAt(end);
  }

  private static String erased(NotesErased erased) {
    return erased.isNothing() ? "" : "wiped: " + Notice.notes(erased.ids().size());
  }

  private String wheel(Gesture.Wheel wheel) {
    int now = wheel.louder().change(session.song()).apply(wheel.at()).velocity();
    int count = wheel.louder().ids().size();
    return "velocity "
        + now
        + String.format(Locale.ROOT, "   %+d %%", wheel.louder().percent() - 100)
        + (count == 1 ? "" : ", " + Notice.notes(count));
  }

  private String at(long tick) {
    return session.song().meters().positionAt(tick).toString();
  }

  private String sketched(Gesture.Sketch sketch) {
    long value = Math.round(sketch.stroke().curve().valueAt(sketch.stroke().last()));
    String where = " at " + at(sketch.stroke().last());
    return switch (sketch.drawn()) {
      case ControlDrawn drawn ->
          drawn.controller().title()
              + " "
              + Math.clamp(value, 0, drawn.controller().most())
              + where;
      case VelocityDrawn drawn ->
          "velocity "
              + Velocity.within(value)
              + where
              + ", "
              + Notice.notes(drawn.met(session.document().track()));
      default -> "";
    };
  }

  /** What rings on, since that is what a sustain pedal is for. */
  private String pedal(Gesture.Pedal pedal) {
    ControlDrawn drawn = pedal.drawn();
    String edge = (pedal.start() ? "down at " : "up at ") + at(pedal.edge());
    if (drawn.isNothing() || !drawn.controller().equals(Controller.SUSTAIN)) {
      return edge;
    }
    TickRange bar =
        pedal.bar().length() == 0
            ? new TickRange(drawn.range().start(), drawn.range().end() - 1)
            : pedal.start()
                ? new TickRange(pedal.edge(), pedal.bar().end())
                : new TickRange(pedal.bar().start(), pedal.edge());
    int ringing = PedalBars.ringing(session.document().track(), bar).size();
    return edge
        + ", "
        + (ringing == 0 ? "no note rings" : Notice.notes(ringing) + " ringing")
        + " on";
  }

  private String selected() {
    int count = session.document().selection().notes().size();
    return count == 0 ? "" : Notice.notes(count) + " selected";
  }

  private String line(int pitch, long onset, long length, int velocity) {
    boolean kit = session.document().track().instrument().kit();
    String name = session.song().keys().name(pitch, onset, OctaveNames.MIDDLE_C4);
    return (kit ? session.soundedKeys().drumOrPitch(session.document().track(), pitch) : name)
        + "  "
        + session.song().meters().positionAt(onset)
        + "  "
        + length
        + " ticks  velocity "
        + velocity;
  }
}
