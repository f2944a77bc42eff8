package flailbeat.app.shell.files;

import flailbeat.app.formats.Formats;
import flailbeat.app.view.base.Look;
import flailbeat.core.files.MidiSongs;
import flailbeat.core.files.ProjectSongs;
import flailbeat.core.format.chore.ChoreFile;
import flailbeat.core.format.groove.GrooveFile;
import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.scene.control.Alert;
import javafx.scene.control.ButtonBar;
import javafx.scene.control.ButtonType;
import javafx.stage.FileChooser;
import javafx.stage.FileChooser.ExtensionFilter;
import javafx.stage.Window;

/** Asks with dialogs of the system's and of the window's. */
public final class WindowPrompts implements Prompts {
  private static final ExtensionFilter PROJECTS =
      new ExtensionFilter("Flailbeat project", "*" + ProjectSongs.ENDING);
  private static final ExtensionFilter MIDI =
      new ExtensionFilter("MIDI file", patterns(MidiSongs.ENDINGS.stream()));
  private static final ExtensionFilter ALL =
      new ExtensionFilter(
          "Songs", patterns(Formats.ALL.formats().stream().flatMap(f -> f.endings().stream())));

  private static final ExtensionFilter GROOVES =
      new ExtensionFilter("Groove", "*" + GrooveFile.ENDING);
  private static final ExtensionFilter SOUNDS =
      new ExtensionFilter("SoundFont 2", "*.sf2", "*.SF2");
  private static final ExtensionFilter WAVES = new ExtensionFilter("WAV", "*.wav");
  private static final ExtensionFilter CHORES =
      new ExtensionFilter("Chores", "*" + ChoreFile.ENDING);
  private static final ExtensionFilter PAGES = new ExtensionFilter("Page for a browser", "*.html");

  private final Window owner;
  private final Supplier<Optional<Path>> lastFolder;
  private Optional<Path> folder = Optional.empty();

  /** In small letters and in capitals: some systems tell them apart. */
  private static List<String> patterns(Stream<String> endings) {
    return endings.flatMap(e -> Stream.of("*" + e, "*" + e.toUpperCase(Locale.ROOT))).toList();
  }

  /**
   * Dialogs of a window.
   *
   * @param lastFolder where a song was opened or saved last, at another time
   */
  public WindowPrompts(Window owner, Supplier<Optional<Path>> lastFolder) {
    this.owner = owner;
    this.lastFolder = lastFolder;
  }

  @Override
  public Unsaved unsavedWork(String title) {
    ButtonType save = new ButtonType("Save", ButtonBar.ButtonData.YES);
    ButtonType discard = new ButtonType("Don't save", ButtonBar.ButtonData.NO);
    Alert alert =
        alert(
            "Save \u201c" + title + "\u201d first?",
            "It has changes that are in no file yet.",
            save,
            discard,
            ButtonType.CANCEL);
    ButtonType answer = alert.showAndWait().orElse(ButtonType.CANCEL);
    return answer == save ? Unsaved.SAVE : answer == discard ? Unsaved.DISCARD : Unsaved.STAY;
  }

  @Override
  public Elsewhere openElsewhere(Path file, String where) {
    ButtonType read = new ButtonType("Open read-only", ButtonBar.ButtonData.NO);
    ButtonType copy = new ButtonType("Open a copy", ButtonBar.ButtonData.YES);
    Alert alert =
        alert(
            "\u201c" + file.getFileName() + "\u201d is open already",
            "It is open in " + where + ". Two windows cannot save to one file.",
            copy,
            read,
            ButtonType.CANCEL);
    ButtonType answer = alert.showAndWait().orElse(ButtonType.CANCEL);
    return answer == copy ? Elsewhere.COPY : answer == read ? Elsewhere.READ_ONLY : Elsewhere.STAY;
  }

  @Override
  public Changed changedMeanwhile(Path file) {
    ButtonType replace = new ButtonType("Replace it", ButtonBar.ButtonData.NO);
    ButtonType other = new ButtonType("Save as \u2026", ButtonBar.ButtonData.YES);
    Alert alert =
        alert(
            "\u201c" + file.getFileName() + "\u201d was changed by something else",
            "It is not as it was when it was opened or saved here. Replaced, what it holds now is"
                + " kept among its versions.",
            other,
            replace,
            ButtonType.CANCEL);
    ButtonType answer = alert.showAndWait().orElse(ButtonType.CANCEL);
    return answer == other ? Changed.SAVE_AS : answer == replace ? Changed.REPLACE : Changed.STAY;
  }

  @Override
  public Faulty afterFaults() {
    ButtonType copy = new ButtonType("Save a copy, then anew", ButtonBar.ButtonData.YES);
    ButtonType anew = new ButtonType("Start anew", ButtonBar.ButtonData.NO);
    ButtonType stay = new ButtonType("Go on", ButtonBar.ButtonData.CANCEL_CLOSE);
    Alert alert =
        alert(
            "Something keeps going wrong inside Flailbeat",
            "Your song and all that can be undone are in the journal: after a new start they are"
                + " offered as they were. What went wrong is written down in the log.",
            copy,
            anew,
            stay);
    ButtonType answer = alert.showAndWait().orElse(stay);
    return answer == copy ? Faulty.COPY_AND_ANEW : answer == anew ? Faulty.ANEW : Faulty.GO_ON;
  }

  @Override
  public boolean takeDamaged(String damage, String loss, int notes) {
    ButtonType take = new ButtonType("Open what is left", ButtonBar.ButtonData.YES);
    Alert alert =
        alert(
            "This MIDI file is damaged",
            damage
                + ".\n\n"
                + notes
                + (notes == 1 ? " note" : " notes")
                + " can be read; "
                + loss
                + ".",
            take,
            ButtonType.CANCEL);
    return alert.showAndWait().orElse(ButtonType.CANCEL) == take;
  }

  @Override
  public boolean replaces(Path file) {
    ButtonType replace = new ButtonType("Replace it", ButtonBar.ButtonData.YES);
    Alert alert =
        alert(
            "Replace \u201c" + file.getFileName() + "\u201d?",
            "There is a file of that name already; what is in it would be gone.",
            replace,
            ButtonType.CANCEL);
    return alert.showAndWait().orElse(ButtonType.CANCEL) == replace;
  }

  private Alert alert(String header, String text, ButtonType... buttons) {
    Alert alert = new Alert(Alert.AlertType.NONE, text, buttons);
    alert.initOwner(owner);
    alert.setTitle("Flailbeat");
    alert.setHeaderText(header);
    Look.dressAs(owner.getScene(), alert.getDialogPane());
    alert.getDialogPane().setMinHeight(150);
    return alert;
  }

  @Override
  public Optional<Path> fileToOpen() {
    return open(chooser("Open a song or MIDI file", "", ALL, PROJECTS, MIDI));
  }

  @Override
  public Optional<Path> projectToSave(String suggestedName) {
    return save(chooser("Save the project", suggestedName, PROJECTS));
  }

  @Override
  public Optional<Path> midiToExport(String suggestedName) {
    return save(chooser("Export a MIDI file", suggestedName, MIDI));
  }

  @Override
  public Optional<Path> soundsToOpen() {
    return open(chooser("Add sounds of your own", "", SOUNDS));
  }

  @Override
  public Optional<Path> soundToWrite(String suggestedName) {
    return save(chooser("Write what is heard", suggestedName, WAVES));
  }

  @Override
  public Optional<Path> grooveToOpen() {
    return open(chooser("Open a groove", "", GROOVES));
  }

  @Override
  public Optional<Path> grooveToSave(String suggestedName) {
    return save(chooser("Save the groove", suggestedName, GROOVES));
  }

  @Override
  public Optional<Path> choresToOpen() {
    return open(chooser("Take in chores", "", CHORES));
  }

  @Override
  public Optional<Path> choresToSave(String suggestedName) {
    return save(chooser("Hand on your chores", suggestedName, CHORES));
  }

  @Override
  public Optional<Path> pageToSave(String suggestedName) {
    return save(chooser("Save the keys as a page", suggestedName, PAGES));
  }

  private Optional<Path> open(FileChooser chooser) {
    return chosen(chooser, c -> c.showOpenDialog(owner));
  }

  private Optional<Path> save(FileChooser chooser) {
    return chosen(chooser, c -> c.showSaveDialog(owner));
  }

  /** One asks again where one was the last time. */
  private Optional<Path> chosen(FileChooser chooser, Function<FileChooser, File> ask) {
    folder
        .or(() -> lastFolder.get())
        .map(Path::toFile)
        .filter(File::isDirectory)
        .ifPresent(chooser::setInitialDirectory);
    Optional<Path> file = Optional.ofNullable(ask.apply(chooser)).map(File::toPath);
    file.map(Path::getParent).ifPresent(f -> folder = Optional.of(f));
    return file;
  }

  private static FileChooser chooser(String title, String name, ExtensionFilter... filters) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(title);
    chooser.setInitialFileName(name);
    chooser.getExtensionFilters().addAll(filters);
    return chooser;
  }
}
