package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Amount;
import flailbeat.app.command.Command;
import flailbeat.app.command.Group;
import flailbeat.app.command.Need;
import flailbeat.core.edit.clips.ClipShapes.Beyond;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.model.ClipTraits;
import flailbeat.core.session.Session;
import flailbeat.core.session.map.ClipActions;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;

/** What can be done to clips by commands, beside what notes and clips have in common. */
public final class ClipCommands {
  private static final int MOST_TIMES = 999;

  private final Session session;
  private final Needs needs;
  private final ClipActions clips;
  private final Runnable toName;
  private final Runnable toShelf;

  /**
   * The commands.
   *
   * @param toName puts the caret where the name of a clip is typed
   * @param toShelf keeps the clips that are meant on the shelf
   */
  public ClipCommands(Session session, Runnable toName, Runnable toShelf) {
    this.session = session;
    this.needs = new Needs(session);
    this.clips = session.clips();
    this.toName = toName;
    this.toShelf = toShelf;
  }

  public List<Command> list() {
    List<Command> all = new ArrayList<>();
    all.addAll(Command.under(Group.CLIP_CHOICE, choosing()));
    all.addAll(Command.under(Group.CLIP_LAYING, laying()));
    all.addAll(Command.under(Group.CLIP_PLACES, placing()));
    all.addAll(Command.under(Group.CLIP_SHAPES, shaping()));
    all.addAll(looks());
    return all;
  }

  private Command clip(String id, String title, String keys, Runnable press) {
    return clip(id, title, keys, press, needs.clips());
  }

  private static Command clip(String id, String title, String keys, Runnable press, Need when) {
    return of(Group.MAP, id, title, keys, press).when(when);
  }

  private Command clip(
      String id, String title, int least, int most, int standard, IntConsumer press) {
    Amount amount = NoteCommands.amount(session, id, least, most, standard);
    return clip(id, title, "", () -> press.accept(amount.now().getAsInt())).by(amount);
  }

  private List<Command> choosing() {
    return List.of(
        clip("clip-select-all", "Select all clips", "", clips.choice()::selectAll),
        clip("clip-select-track", "Select all clips of the track", "", clips.choice()::selectTrack),
        clip(
            "clip-select-after",
            "Select all clips from where playing starts",
            "",
            () -> clips.choice().selectFrom(session.runControl().playStartTicks())),
        clip(
            "clip-select-linked",
            "Select all clips that share what is in this one",
            "",
            clips.choice()::selectLinked),
        clip("clip-next", "Go to the next clip", "Alt+End", () -> clips.choice().step(1)),
        clip("clip-previous", "Go to the clip before", "Alt+Home", () -> clips.choice().step(-1)));
  }

  private List<Command> laying() {
    return List.of(
        clip(
            "clip-repeat",
            "Lay the clip out, x #",
            1,
            MOST_TIMES,
            8,
            n -> clips.repeat(n, clips.isLinking())),
        clip(
                "clip-linked",
                "Lay a linked copy of the clip behind",
                "Alt+D",
                () -> clips.repeat(1, true))
            .repeating(),
        clip("clip-fill-loop", "Lay the clip out to where it goes round", "Alt+Y", clips::fillLoop),
        clip("clip-in-hand", "Take the clip in hand, to lay it out", "Alt+W", clips::takeInHand),
        clip(
            "clip-put-away",
            "Put away what is in hand",
            "",
            clips::putAway,
            Need.of(() -> clips.inHand().isPresent(), "no clip is in hand")),
        clip(
            "clip-links",
            "Copies of clips are linked, or not",
            "Alt+K",
            clips::toggleLinking,
            Need.NOTHING),
        clip("clip-unlink", "Make the clip its own", "Alt+U", clips.traits()::unlink),
        clip("clip-shelve", "Put the clip on the shelf", "Alt+Shift+K", toShelf));
  }

  private List<Command> placing() {
    return List.of(
        clip(
            "clip-to-start",
            "Move the clip to the song's start",
            "Ctrl+Shift+Home",
            clips::moveToStart),
        clip(
            "clip-on-bar",
            "Put the clip's first note on its bar line",
            "Alt+J",
            clips::firstNoteToBar),
        clip(
                "clip-bar-later",
                "Move the clip a bar later",
                "Ctrl+Shift+Right",
                () -> clips.moveBars(1))
            .repeating(),
        clip(
                "clip-bar-earlier",
                "Move the clip a bar earlier",
                "Ctrl+Shift+Left",
                () -> clips.moveBars(-1))
            .repeating(),
        clip("clip-beat-later", "Move the clip a beat later", "", () -> clips.moveBeats(1))
            .repeating(),
        clip("clip-beat-earlier", "Move the clip a beat earlier", "", () -> clips.moveBeats(-1))
            .repeating(),
        clip(
            "clip-push",
            "Move the clip a bar later, pushing others on",
            "",
            () -> clips.move(session.song().meters().meterAt(0).ticksPerBar(), 0, Landing.PUSH)),
        clip("clip-swap", "Have the clip change places with the next", "", clips::swap)
            .plain("Shift+R"),
        clip(
            "clip-delete-close",
            "Delete the clip and close the gap",
            "Ctrl+Delete",
            () -> clips.delete(true)));
  }

  private List<Command> shaping() {
    return List.of(
        clip(
                "clip-longer",
                "Make the clip a bar longer, going round",
                "Alt+Shift+.",
                () -> clips.lengthen(1, Beyond.LOOP))
            .repeating(),
        clip(
                "clip-shorter",
                "Make the clip a bar shorter",
                "Alt+Shift+,",
                () -> clips.lengthen(-1, Beyond.LOOP))
            .repeating(),
        clip(
                "clip-longer-silent",
                "Make the clip a bar longer, silent there",
                "",
                () -> clips.lengthen(1, Beyond.SILENCE))
            .repeating(),
        clip("clip-split-bars", "Split the clip at every bar", "", clips::splitAtBars),
        clip("clip-join", "Join clips into one", "", clips::join));
  }

  private List<Command> looks() {
    return List.of(
        clip("clip-name", "Name the clip...", "Ctrl+Shift+N", toName),
        clip(
            "clip-color",
            "Colour # for the clip, 0 as its track",
            0,
            ClipTraits.COLORS,
            0,
            n -> clips.traits().color(n - 1)),
        clip("clip-mute", "Mute the clip", "", clips.traits()::toggleMuted).plain("Shift+M"),
        clip(
            "clip-transpose",
            "The clip sounds # semitones higher",
            -ClipTraits.MOST_SEMITONES,
            ClipTraits.MOST_SEMITONES,
            12,
            clips.traits()::setTranspose),
        clip(
                "clip-higher",
                "The clip sounds a semitone higher",
                "",
                () -> clips.traits().transpose(1))
            .repeating(),
        clip(
                "clip-lower",
                "The clip sounds a semitone lower",
                "",
                () -> clips.traits().transpose(-1))
            .repeating(),
        clip(
            "clip-louder",
            "The clip sounds # louder",
            -ClipTraits.MOST_LOUDER,
            ClipTraits.MOST_LOUDER,
            8,
            clips.traits()::setLouder),
        clip(
            "clip-settle", "Write how the clip sounds into its notes", "", clips.traits()::settle));
  }
}
