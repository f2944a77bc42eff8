package flailbeat.app.shell;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import flailbeat.app.shell.commands.CommandMenus;
import flailbeat.app.shell.commands.InHand;
import flailbeat.app.shell.commands.LessonCommands;
import flailbeat.app.shell.files.FileActions;
import flailbeat.app.shell.files.Prompts;
import flailbeat.app.shell.keys.Finder;
import flailbeat.app.shell.keys.KeyPapers;
import flailbeat.app.shell.keys.KeySheetPane.InSight;
import flailbeat.app.shell.keys.KeysOverlay;
import flailbeat.app.shell.work.Background;
import flailbeat.app.view.help.HelpPane;
import flailbeat.app.view.row.LessonRow;
import flailbeat.core.session.Session;
import java.util.List;
import java.util.function.Supplier;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.StackPane;

/**
 * What helps a person to find things: commands by their names, their keys on a sheet and on paper,
 * help texts, lessons. What goes by the commands is there once these are known.
 */
final class HelpRoom {
  private final Session session;
  private final LessonRoom lessons;
  private final HelpPane texts = new HelpPane();
  private Finder finder;
  private KeysOverlay sheet;
  private KeyPapers papers;

  /**
   * The room.
   *
   * @param toBench has the bench in sight, which lessons are had on
   */
  HelpRoom(Session session, FileActions files, Runnable toBench) {
    this.session = session;
    lessons = new LessonRoom(session, files, toBench);
  }

  /** Learns which commands there are, and what is in sight. */
  void know(Commands commands, Prompts asks, Background background, Supplier<InSight> inSight) {
    finder = new Finder(commands, session.person().commandUse(), () -> InHand.words(session));
    papers = new KeyPapers(session, commands, asks, background);
    sheet =
        new KeysOverlay(
            commands,
            () -> KeyContext.of(session.performer().keysMode()),
            inSight,
            () -> session.runControl().transport().isRecording(),
            this::carryOut);
  }

  /** The lessons, as commands. */
  List<Command> lessonCommands() {
    return LessonCommands.list(lessons::begin, lessons::next, lessons::again, lessons::leave);
  }

  /** What says what to do in a lesson. */
  LessonRow lessonRow() {
    return lessons.row();
  }

  /** What lies over the window, each in its place. */
  List<Node> overlays() {
    StackPane.setAlignment(finder, Pos.TOP_CENTER);
    StackPane.setMargin(finder, new Insets(60, 0, 0, 0));
    StackPane.setAlignment(texts, Pos.TOP_CENTER);
    StackPane.setMargin(texts, new Insets(40, 0, 0, 0));
    StackPane.setMargin(sheet, new Insets(34, 20, 20, 20));
    return List.of(sheet, finder, texts);
  }

  /** Looks for a command. */
  void find() {
    finder.open();
  }

  /** Asks for the number that a command goes by. */
  void ask(Command command) {
    finder.ask(command);
  }

  /** Looks something up. */
  void lookUp() {
    texts.open();
  }

  KeysOverlay sheet() {
    return sheet;
  }

  KeyPapers papers() {
    return papers;
  }

  /** Carries a command out that was chosen, or says why it cannot be. */
  private void carryOut(Command command) {
    if (command.isPossible()) {
      CommandMenus.choose(command, this::ask);
    } else {
      session.notices().tell(command.whyNot());
    }
  }
}
