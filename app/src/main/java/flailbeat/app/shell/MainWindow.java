package flailbeat.app.shell;

import flailbeat.app.command.Command;
import flailbeat.app.command.Commands;
import flailbeat.app.command.KeyAsk;
import flailbeat.app.control.ControlWalk;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.KeyTexts;
import flailbeat.app.control.Palette;
import flailbeat.app.control.WhenSeen;
import flailbeat.app.shell.commands.CaptureCommands;
import flailbeat.app.shell.commands.ChordCommands;
import flailbeat.app.shell.commands.ChoreCommands;
import flailbeat.app.shell.commands.ClipCommands;
import flailbeat.app.shell.commands.CommandMenus;
import flailbeat.app.shell.commands.EditCommands;
import flailbeat.app.shell.commands.LaneCommands;
import flailbeat.app.shell.commands.ListCommands;
import flailbeat.app.shell.commands.MouseCommands;
import flailbeat.app.shell.commands.NoteCommands;
import flailbeat.app.shell.commands.SelectCommands;
import flailbeat.app.shell.commands.ShortMenu;
import flailbeat.app.shell.commands.SongCommands;
import flailbeat.app.shell.commands.StepCommands;
import flailbeat.app.shell.commands.TimingCommands;
import flailbeat.app.shell.commands.TrackCommands;
import flailbeat.app.shell.commands.ViewCommands;
import flailbeat.app.shell.device.MidiInputChoice;
import flailbeat.app.shell.device.SoundDeviceChoice;
import flailbeat.app.shell.files.DroppedFiles;
import flailbeat.app.shell.files.FileActions;
import flailbeat.app.shell.files.LostRoom;
import flailbeat.app.shell.files.Prompts;
import flailbeat.app.shell.files.ShelfKeeper;
import flailbeat.app.shell.files.WavFiles;
import flailbeat.app.shell.files.WindowPrompts;
import flailbeat.app.shell.keys.KeyRouter;
import flailbeat.app.shell.keys.PersonKeys;
import flailbeat.app.shell.safe.Safekeeping;
import flailbeat.app.shell.work.Background;
import flailbeat.app.shell.work.BackgroundWorkshop;
import flailbeat.app.view.base.Look;
import flailbeat.app.view.bench.BenchView;
import flailbeat.app.view.bench.hand.SongMouse;
import flailbeat.app.view.deck.KeyDeck;
import flailbeat.app.view.map.SongMap;
import flailbeat.app.view.page.KeysPage;
import flailbeat.app.view.row.NoticeLine;
import flailbeat.app.view.row.RunRow;
import flailbeat.app.view.timing.TimingDeskView;
import flailbeat.audio.AudioEngine;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.first.NewcomerWatch;
import flailbeat.core.session.person.Folds.WindowPart;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.ColorScheme;
import javafx.application.Platform;
import javafx.beans.value.ChangeListener;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.InputEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;

/** The window: lays its parts out and keeps them moving. */
public final class MainWindow {
  static final double WIDTH = 1280;
  static final double HEIGHT = 800;
  private static final double LEAST_WIDTH = 640;
  private static final double LEAST_HEIGHT = 480;

  /** Figures that change faster cannot be read, and drawing them holds up the keys. */
  private static final long READOUT_NANOS = 60_000_000;

  /** A level that no meter shows. */
  private static final float SILENT = 1e-4f;

  private final Session session;
  private final AudioEngine engine;
  private final LongWork work;
  private final LostNotes lost;
  private final SafeRoom saved;
  private final Commands commands;
  private final KeyAsk keyAsk;
  private final PersonKeys personKeys;
  private final Middle middle;
  private final WindowColumn column;
  private final StackPane root = new StackPane();
  private final ControlWalk walk = new ControlWalk(root);

  private final Stage stage;
  private final FileActions files;
  private final BenchView bench;
  private final SongMap map;
  private final RowsOverBench rows;
  private final TrackRoom tracks;
  private final MapRoom maps;
  private final ShelfKeeper shelf;
  private final WavFiles wavs;
  private final WindowPages pages;
  private final RunRow runRow;
  private final NoticeLine notices;
  private final DeviceRoom devices;
  private final HelpRoom help;
  private final Frames frames = new Frames(this::frame, this::watch, this::isMoving);

  /** The system's colours outlive the window, which must not hang on them. */
  private final ChangeListener<ColorScheme> onColors =
      (property, before, now) -> look(stage().getScene());

  private long lastReadout;

  /**
   * Builds the window on a stage, and shows nothing yet.
   *
   * @param safe keeps work from being lost
   * @param prompts asks the person; null for this window's own dialogs
   */
  public MainWindow(
      Stage stage,
      Session session,
      AudioEngine engine,
      BackgroundWorkshop workshop,
      Safekeeping safe,
      Prompts prompts) {
    this.stage = stage;
    this.session = session;
    this.engine = engine;
    Palette palette = new Palette();
    Background background = new Background(text -> session.notices().tell(new Notice(text, false)));
    Prompts asks = prompts == null ? new WindowPrompts(stage, this::lastFolder) : prompts;
    files = new FileActions(session, asks, background, safe);
    SongMouse mouse = new SongMouse(session);
    bench = new BenchView(session, palette, mouse);
    rows = new RowsOverBench(session);
    tracks = new TrackRoom(session, engine, palette, asks, background, this::shortMenu);
    wavs = new WavFiles(session, engine, asks, new BackgroundWorkshop());
    work = new LongWork(workshop, background, wavs);
    lost = new LostNotes(session.notices(), engine::lostLiveNotes);
    notices = new NoticeLine(session, engine::retryDevice, work::leaveOff);
    saved = new SafeRoom(session, safe, files, palette);
    map = new SongMap(session, palette, mouse);
    maps = new MapRoom(session, palette, mouse, bench, this::shortMenu, this::fold);
    shelf = new ShelfKeeper(session, background);
    devices = new DeviceRoom(session, engine);
    help = new HelpRoom(session, files, maps::toBench);
    pages =
        new WindowPages(
            session,
            new TimingDeskView(session, palette, files),
            files,
            shelf,
            saved.versions(),
            palette,
            devices::page,
            this::keysPage,
            wavs::write,
            engine);
    middle = new Middle(bench, pages.pane(), palette::textScale);
    maps.in(middle);
    runRow = new RunRow(session, middle::shown, palette);
    commands = new Commands(allCommands());
    keyAsk = new KeyAsk(commands, session);
    personKeys = new PersonKeys(session, commands);
    KeyDeck deck = new KeyDeck(session, palette, commands, keyAsk, saved::isOffering, walk);
    help.know(commands, asks, background, maps::inSight);
    CommandMenus menus = new CommandMenus(commands, help::ask);
    column = layOut(palette, deck, menus);
    FileDrop drop =
        new FileDrop(session, middle, map, new DroppedFiles(session, files, tracks::takeSoundFile));
    List<Node> overlays = new ArrayList<>(List.of(tracks.sounds(), tracks.list()));
    overlays.addAll(saved.overlays());
    overlays.addAll(help.overlays());
    WhenSeen.fill(overlays);
    root.getChildren().add(new WindowScroll(column));
    root.getChildren().addAll(overlays);
    root.getChildren().addAll(drop, walk.ring());
    tracks.place(saved.overlays());
    Scene scene = new Scene(new Pane(), WIDTH, HEIGHT);
    // Texts that name commands learn their keys as they come into the scene.
    KeyTexts.install(scene, commands);
    scene.setRoot(root);
    Look.dress(scene);
    Look.followOver(scene);
    scene
        .heightProperty()
        .addListener((property, before, now) -> deck.fitWindow(now.doubleValue()));
    deck.fitWindow(HEIGHT);
    fold();
    look(scene);
    Platform.getPreferences().colorSchemeProperty().addListener(onColors);
    new KeyRouter(
            session,
            deck,
            commands,
            walk,
            keyAsk,
            help.sheet()::isVisible,
            () -> middle.shown().isMouseBusy(),
            saved::isOffering)
        .install(stage, scene);
    scene.addEventFilter(InputEvent.ANY, e -> frames.wake());
    drop.install(scene);
    walk.install(scene);
    stage.setScene(scene);
    WindowIcon.read(stage);
    stage.setMinWidth(LEAST_WIDTH);
    stage.setMinHeight(LEAST_HEIGHT);
    stage.setOnCloseRequest(this::closing);
    session
        .changes()
        .listen(
            change -> {
              frames.wake();
              if (change.isOf(Aspect.SONG)) {
                showTitle();
              }
              if (change.isOf(Aspect.SETTINGS)) {
                fold();
                look(scene);
                personKeys.take();
              }
              if (change.isOf(Aspect.LAYOUT)) {
                commands.setLayout(session.performer().layout());
              }
              if (change.isOf(Aspect.KEYS)) {
                help.sheet().refresh();
              }
            });
    commands.setLayout(session.performer().layout());
    commands.onKeys(() -> KeyTexts.refresh(scene));
    session.document().writeDownTo(safe.keeper());
    new NewcomerWatch(session);
    showTitle();
    root.setFocusTraversable(true);
    root.requestFocus();
  }

  private List<Command> allCommands() {
    List<Command> all =
        new ArrayList<>(
            SongCommands.list(
                session,
                files,
                saved.lost(),
                saved::openRecent,
                pages::turnToSoundFile,
                this::askToClose));
    all.addAll(new EditCommands(session).list());
    all.addAll(new TrackCommands(session, tracks).list());
    all.addAll(new NoteCommands(session, middle::shown).list());
    all.addAll(new ChordCommands(session, pages::typeChords, pages::nameChord).list());
    all.addAll(new SelectCommands(session).list());
    all.addAll(new LaneCommands(session, () -> rows.panel().toggle()).list());
    all.addAll(new ListCommands(session, pages::editList).list());
    all.addAll(new ClipCommands(session, pages::nameClip, shelf::put).list());
    all.addAll(new ChoreCommands(session).list());
    all.addAll(new MouseCommands(session).list());
    all.addAll(
        new CaptureCommands(session, () -> runRow.editTempo(), () -> runRow.editMeter()).list());
    all.addAll(new StepCommands(session, () -> rows.steps().openPattern()).list());
    all.addAll(new TimingCommands(session, pages.desk(), pages::turnToTiming).list());
    all.addAll(
        ViewCommands.list(
            session,
            middle::shown,
            pages.pane(),
            maps::toggle,
            help::find,
            help::lookUp,
            walk::begin,
            help::sheet,
            help::papers));
    all.addAll(help.lessonCommands());
    return all;
  }

  private ShortMenu shortMenu() {
    return new ShortMenu(commands, help::ask);
  }

  /** What is kept aside for every song. */
  public ShelfKeeper shelf() {
    return shelf;
  }

  private Optional<Path> lastFolder() {
    return session.person().songs().last().map(r -> Path.of(r.path()).getParent());
  }

  /** Every command. */
  public Commands commands() {
    return commands;
  }

  private KeysPage keysPage() {
    return new KeysPage(
        session, commands, keyAsk, () -> help.papers().print(stage), help.papers()::savePage);
  }

  private WindowColumn layOut(Palette palette, KeyDeck deck, CommandMenus menus) {
    return new WindowColumn(
        middle,
        deck,
        map,
        menus,
        palette,
        new TopBar(session, menus, files::save),
        tracks.tabs(),
        tracks.strip(),
        map,
        rows,
        middle,
        notices,
        help.lessonRow(),
        runRow,
        deck);
  }

  /** Shows all in the colours and sizes that the person wants. */
  private void look(Scene scene) {
    Look.change(scene, session.person().appearance().kept());
  }

  /** Shows the rooms as they are folded. */
  private void fold() {
    middle.showPages(!session.person().folds().isFolded(WindowPart.PAGES));
    column.showMap(!maps.isMap() && !session.person().folds().isFolded(WindowPart.MAP));
  }

  /** What is played on beside the computer's keys. */
  public MidiInputChoice midi() {
    return devices.midi();
  }

  /** Where sound goes. */
  public SoundDeviceChoice sound() {
    return devices.sound();
  }

  /** Songs that were lost, to be brought back. */
  public LostRoom lost() {
    return saved.lost();
  }

  /** The commands on files, for whoever starts the window. */
  public FileActions files() {
    return files;
  }

  private Stage stage() {
    return stage;
  }

  public void show() {
    stage.show();
    frames.start();
  }

  public void close() {
    Platform.getPreferences().colorSchemeProperty().removeListener(onColors);
    frames.close();
    session.run().stop();
    devices.close();
    tracks.close();
    stage.hide();
  }

  private void closing(WindowEvent e) {
    e.consume();
    askToClose();
  }

  private void askToClose() {
    if (EntryField.takeTyped(stage.getScene())) {
      files.afterUnsavedWork(() -> files.afterWriting(() -> wavs.afterWriting(this::close)));
    }
  }

  private void showTitle() {
    stage.setTitle(WindowTitle.of(session.document()));
  }

  private void frame() {
    session.tick();
    long tick = session.runControl().positionTicks();
    middle.shown().showPosition(tick);
    map.showPosition(tick);
    long now = System.nanoTime();
    if (now - lastReadout > READOUT_NANOS) {
      lastReadout = now;
      runRow.showPosition(tick);
      runRow.showLevel(engine.peak());
      tracks.showLevels();
      pages.followChords();
    }
  }

  private void watch() {
    devices.watch();
    notices.showFault(engine.fault());
    saved.watch(notices, () -> middle.shown().isMouseBusy());
    work.show(notices);
    lost.tell();
    tracks.watch();
  }

  private boolean isMoving() {
    return session.isMoving() || engine.peak() > SILENT || work.takesLong();
  }

  /** Whether its frames rest, since nothing moves. */
  public boolean isResting() {
    return frames.isResting();
  }
}
