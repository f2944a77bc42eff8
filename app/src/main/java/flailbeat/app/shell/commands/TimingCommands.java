package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Group;
import flailbeat.app.view.timing.GridChoices;
import flailbeat.app.view.timing.TimingDeskView;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings.Method;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.run.NoteVersion;
import flailbeat.core.session.timing.DoubtWalk;
import flailbeat.core.session.timing.QuantizeActions;
import flailbeat.core.session.timing.QuantizePreview;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** Looking at timing, and changing it. */
public final class TimingCommands {
  private final Session session;
  private final Needs needs;
  private final Runnable turnToDesk;
  private final TimingDeskView desk;

  public TimingCommands(Session session, TimingDeskView desk, Runnable turnToDesk) {
    this.session = session;
    this.needs = new Needs(session);
    this.turnToDesk = turnToDesk;
    this.desk = desk;
  }

  public List<Command> list() {
    QuantizeActions quantizing = session.quantizing();
    List<Command> all =
        new ArrayList<>(
            List.of(
                of(Group.TIMING, "quantize", "Quantize", "Ctrl+T", quantizing::quantize)
                    .when(needs.notes()),
                of(
                    Group.TIMING,
                    "quantize-all",
                    "Quantize all tracks",
                    "",
                    quantizing::quantizeAllTracks),
                of(
                        Group.TIMING,
                        "as-played",
                        "Hear it as it was played",
                        "Ctrl+Shift+T",
                        () -> session.run().hearAsPlayed(true))
                    .until(() -> session.run().hearAsPlayed(false)),
                of(
                        Group.TIMING,
                        "as-played-stay",
                        "Hear it as it was played, until this is chosen again",
                        "",
                        this::turnAsPlayed)
                    .when(needs.notes()),
                of(
                        Group.TIMING,
                        "rounds",
                        "One round as played, one quantized",
                        "Alt+T",
                        session.run()::compareRounds)
                    .when(needs.notes()),
                of(
                        Group.TIMING,
                        "hear-other",
                        "Hear the other way to understand it",
                        "Ctrl+Shift+O",
                        this::hearOther)
                    .until(session.quantizing()::hearAsItStands),
                of(
                    Group.TIMING,
                    "other-reading",
                    "Take the other way to understand it",
                    "Alt+O",
                    this::otherReading),
                of(
                        Group.TIMING,
                        "bring-back",
                        "Put notes back to where they were played",
                        "Alt+P",
                        quantizing::bringBackPlayed)
                    .when(needs.notes()),
                of(
                        Group.TIMING,
                        "take-lag-out",
                        "Take out the lag alone",
                        "",
                        quantizing::takeOutLag)
                    .when(needs.notes()),
                of(
                    Group.TIMING,
                    "decide",
                    "Decide the doubtful notes",
                    "Ctrl+D",
                    session.doubts()::start),
                of(
                    Group.TIMING,
                    "which-grid",
                    "Which grid explains the notes best",
                    "Alt+G",
                    () -> onDesk(desk::askWhichGrid)),
                of(
                    Group.TIMING,
                    "find-beat",
                    "Find the beat of what was played freely",
                    "Alt+B",
                    () -> onDesk(desk::findBeat)),
                of(
                    Group.TIMING,
                    "find-song-beat",
                    "Find tempo, meter and bars from all tracks",
                    "",
                    () -> onDesk(desk::findSongBeat))));
    all.addAll(walk());
    all.addAll(grids());
    return all;
  }

  private void turnAsPlayed() {
    session.run().hearAsPlayed(session.timing().version() != NoteVersion.PLAYED);
  }

  private List<Command> grids() {
    List<Command> all = new ArrayList<>();
    for (int part : GridChoices.DENOMINATORS) {
      all.add(grid("grid-" + part, "Lines 1/" + part + " apart", NoteValue.straight(part)));
    }
    for (int part : GridChoices.DENOMINATORS) {
      all.add(
          grid("grid-" + part + "t", "Lines of triplets of 1/" + part, NoteValue.triplet(part)));
    }
    all.add(method("method-nearest", "Each note to its nearest line", Method.NEAREST));
    all.add(method("method-fit", "The likeliest lines for the whole: Fit", Method.FIT));
    return all;
  }

  private Command grid(String id, String title, NoteValue value) {
    return of(Group.LINES, id, title, "", () -> session.timing().setGrid(Grid.of(value)));
  }

  private Command method(String id, String title, Method method) {
    return of(
        Group.LINES,
        id,
        title,
        "",
        () -> session.timing().setSettings(session.timing().settings().withMethod(method)));
  }

  private List<Command> walk() {
    DoubtWalk doubts = session.doubts();
    return List.of(
        inWalk(
            "walk-earlier",
            "Take the earlier line or end",
            "Left",
            () -> said(doubts.choose(false))),
        inWalk(
            "walk-later", "Take the later line or end", "Right", () -> said(doubts.choose(true))),
        inWalk(
            "walk-previous",
            "Back to the doubtful note before",
            "Up or Page Up",
            () -> said(doubts.step(-1))),
        inWalk(
            "walk-next",
            "On to the doubtful note after",
            "Down or Page Down",
            () -> said(doubts.step(1))),
        inWalk("walk-leave", "Leave the doubtful notes", "Esc", () -> said(doubts.leave())));
  }

  private static Command inWalk(String id, String title, String keys, Runnable press) {
    return of(Group.TIMING, id, title, keys, press).in(KeyContext.WALK);
  }

  private void said(Optional<Notice> notice) {
    notice.ifPresent(session.notices()::tell);
  }

  /** The likeliest other way to understand the whole is taken. */
  private void otherReading() {
    withOther(
        other -> {
          session.timing().takeReading(other);
          session
              .notices()
              .tell(
                  "Understood as "
                      + QuantizePreview.inWords(other)
                      + "; hear it with {as-played} or {rounds}");
        });
  }

  /** The likeliest other way to understand the whole is heard. */
  private void hearOther() {
    withOther(
        other -> {
          session.quantizing().hearOtherwise(other);
          session
              .notices()
              .tell(
                  "So it is if everything was "
                      + (other.lines().isPresent() ? "meant for " : "")
                      + QuantizePreview.inWords(other)
                      + ". {other-reading} takes it");
        });
  }

  private void withOther(Consumer<QuantizePlan.WholeReading> use) {
    session.timing().preview().stream()
        .flatMap(p -> p.otherReadings().stream())
        .findFirst()
        .ifPresentOrElse(
            use, () -> session.notices().tell("There is no other way to understand the whole"));
  }

  private boolean hasNotes() {
    return !session.document().scope().notes().isEmpty();
  }

  private void onDesk(Runnable command) {
    turnToDesk.run();
    command.run();
  }
}
