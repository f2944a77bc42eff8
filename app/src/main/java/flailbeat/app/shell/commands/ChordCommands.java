package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Amount;
import flailbeat.app.command.Command;
import flailbeat.app.command.Group;
import flailbeat.core.edit.Chords;
import flailbeat.core.harmony.BrokenChords;
import flailbeat.core.harmony.ChordEdits;
import flailbeat.core.session.Session;
import flailbeat.core.session.harmony.ChordActions;
import flailbeat.core.session.person.Folds.Extra;
import java.util.ArrayList;
import java.util.List;

/** Chords: seen, turned over, spread, typed. */
public final class ChordCommands {
  private final Session session;
  private final ChordActions chords;
  private final Runnable typing;
  private final Runnable naming;

  /**
   * The commands.
   *
   * @param typing puts the caret where chords are typed
   * @param naming puts the caret where the chord at the playhead is named
   */
  public ChordCommands(Session session, Runnable typing, Runnable naming) {
    this.session = session;
    this.chords = session.chords().actions();
    this.typing = typing;
    this.naming = naming;
  }

  private Command edit(String id, String title, String keys, Runnable press) {
    return of(Group.CHORDS, id, title, keys, press).when(new Needs(session).notesInHand());
  }

  /** All of them. */
  public List<Command> list() {
    List<Command> all = new ArrayList<>(Command.under(Group.BROKEN, broken()));
    all.addAll(shapesAndNames());
    return all;
  }

  private List<Command> broken() {
    Amount ms =
        NoteCommands.amount(
            session, "strum", 1, Chords.LONGEST_STRUM_MS, ChordEdits.USUAL_STRUM_MS);
    return List.of(
        edit("strum", "Strum chords up in # ms", "", () -> strum(ms, false, false)).by(ms),
        edit("strum-down", "Strum chords down in # ms", "", () -> strum(ms, true, false)).by(ms),
        edit("strum-uneven", "Strum chords up unevenly in # ms", "", () -> strum(ms, false, true))
            .by(ms),
        edit("break-up", "Break chords upwards, on the grid", "", breaks(BrokenChords.Order.UP)),
        edit(
            "break-down",
            "Break chords downwards, on the grid",
            "",
            breaks(BrokenChords.Order.DOWN)),
        edit(
            "break-both",
            "Break chords up and down, on the grid",
            "",
            breaks(BrokenChords.Order.UP_AND_DOWN)),
        edit("break-stencil", "Break chords as the stencil", "", chords::breakByStencil));
  }

  private List<Command> shapesAndNames() {
    return List.of(
        of(
            Group.HARMONY,
            "chord-strip",
            "The chords over the notes, or not",
            "Ctrl+Shift+C",
            () -> session.person().folds().toggle(Extra.CHORDS)),
        of(
            Group.HARMONY,
            "chord-numerals",
            "Numerals in the key for the names of chords, or not",
            "",
            () -> session.person().folds().toggle(Extra.NUMERALS)),
        edit("invert-up", "Turn chords over, up", "Ctrl+U", () -> chords.invert(1)).repeating(),
        edit("invert-down", "Turn chords over, down", "Ctrl+Shift+U", () -> chords.invert(-1))
            .repeating(),
        edit("chord-lead", "Lead chords smoothly, each to the one before", "", chords::lead),
        edit("chord-drop-2", "Drop the second voice from the top", "", () -> chords.drop(2)),
        edit("chord-drop-3", "Drop the third voice from the top", "", () -> chords.drop(3)),
        edit("chord-close", "Chords in close position", "", chords::close),
        edit("chord-open", "Chords in open position", "", chords::open),
        edit("chord-bass", "Put a bass below chords", "", chords::addBass),
        edit("chord-bass-off", "Take the bass of chords away", "", chords::removeBass),
        of(Group.HARMONY, "chords-type", "Type chords by name...", "Ctrl+Shift+H", typing),
        of(Group.HARMONY, "chord-name", "Name the chord at the playhead...", "", naming),
        of(
            Group.HARMONY,
            "chord-next-name",
            "Another name for the chord at the playhead",
            "",
            chords::nextName),
        of(
            Group.HARMONY,
            "chords-alone",
            "Chords of this track alone, or of all",
            "",
            () ->
                session
                    .chords()
                    .harmony()
                    .setTrackAlone(!session.chords().harmony().isOfTrackAlone())),
        of(
            Group.HARMONY,
            "chords-under-hands",
            "The song's chords under the hands, one key each",
            "",
            chords::underHands),
        of(
            Group.HARMONY,
            "key-under-hands",
            "Scale, Chords and chores by the key that is found",
            "",
            chords::keyUnderHands),
        of(Group.HARMONY, "key-take", "Write the key that is found", "", chords::takeKey));
  }

  private Runnable breaks(BrokenChords.Order order) {
    return () -> chords.breakUp(order);
  }

  private void strum(Amount ms, boolean down, boolean uneven) {
    chords.strum(ms.now().getAsInt(), down, uneven);
  }
}
