package flailbeat.app.shell.files;

import flailbeat.app.formats.Formats;
import flailbeat.app.shell.work.Background;
import flailbeat.app.view.page.ChoreFiles;
import flailbeat.app.view.timing.GrooveFiles;
import flailbeat.core.chore.Chore;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.files.FileNames;
import flailbeat.core.files.Opened;
import flailbeat.core.files.SongFiles;
import flailbeat.core.format.chore.ChoreFile;
import flailbeat.core.format.groove.GrooveFile;
import flailbeat.core.journal.SavedFile;
import flailbeat.core.model.Song;
import flailbeat.core.quantize.Groove;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Opening, saving, importing, exporting. A file that cannot be read leaves the song as it was. */
public final class FileActions implements GrooveFiles, ChoreFiles {
  private final Session session;
  private final Prompts prompts;
  private final Background background;

  public FileActions(Session session, Prompts prompts, Background background) {
    this.session = session;
    this.prompts = prompts;
    this.background = background;
  }

  /** Opens an empty song in the place of this one. */
  public void newSong() {
    afterUnsavedWork(() -> session.open(Song.empty(), Optional.empty()));
  }

  public void openDemo() {
    afterUnsavedWork(() -> session.open(HarbourLamps.song(), Optional.empty()));
  }

  public void open() {
    afterUnsavedWork(() -> prompts.fileToOpen().ifPresent(this::open));
  }

  /** Opens a file in the place of the present song. */
  public void open(Path file) {
    Song before = session.song();
    background.read(
        "Opening " + file.getFileName(),
        () -> Read.of(file),
        read -> unlessChanged(before, () -> opened(file, read.opened(), read.saved())),
        e -> failed(file, e));
  }

  /** What was done to the song while a file was read is not lost: it is asked about. */
  private void unlessChanged(Song before, Runnable then) {
    session.run().stop();
    if (session.song() == before) {
      then.run();
    } else {
      afterUnsavedWork(then);
    }
  }

  /** A file that was read, and as it was then. */
  private record Read(Opened opened, Optional<SavedFile> saved) {
    /** A file that is changed while it is read is taken to be as it was before. */
    static Read of(Path file) throws IOException {
      Optional<SavedFile> saved =
          Files.isRegularFile(file) ? Optional.of(SavedFile.of(file)) : Optional.empty();
      return new Read(Formats.ALL.read(file), saved);
    }
  }

  private void opened(Path file, Opened opened, Optional<SavedFile> saved) {
    int notes = opened.song().noteCount();
    if (!opened.isSound() && !prompts.takeDamaged(opened.damage(), opened.loss(), notes)) {
      session.notices().tell(new Notice("Not opened: " + file + ": " + opened.damage(), true));
      return;
    }
    boolean project = Ending.PROJECT.isOf(file);
    session.open(opened.song(), project ? saved : Optional.empty());
    if (!opened.isSound()) {
      session.document().markUnsaved();
    }
    String damage = opened.isSound() ? "" : "; damaged, " + opened.loss();
    List<String> told = new ArrayList<>(opened.remarks());
    session.tracks().silentTracks().ifPresent(told::add);
    String remarks = told.isEmpty() ? "" : "; " + String.join("; ", told);
    session
        .notices()
        .tell(
            new Notice(
                "Opened " + file.getFileName() + ", " + notes + " notes" + damage + remarks,
                !opened.isSound()));
  }

  /** Saves to the song's file, or asks for one. */
  public void save() {
    save(Optional.empty());
  }

  public void saveAs() {
    askWhereToSave().ifPresent(p -> write(p, Optional.empty()));
  }

  /**
   * Where to save the project. Saving is to a project, and marks the song as saved; under the name
   * of a MIDI file it is exported instead, and is in no project still.
   */
  private Optional<Path> askWhereToSave() {
    Optional<Path> chosen = prompts.projectToSave(fileName(".flail"));
    if (chosen.filter(p -> Ending.MIDI.isOf(p)).isPresent()) {
      export(chosen.get());
      return Optional.empty();
    }
    return named(chosen, Ending.PROJECT);
  }

  /**
   * A file with the ending of its kind. Where that is added here, whoever asked for the file cannot
   * have asked about the one of that name.
   */
  private Optional<Path> named(Optional<Path> chosen, Ending ending) {
    return chosen
        .map(ending::on)
        .filter(file -> file.equals(chosen.get()) || !Files.exists(file) || prompts.replaces(file));
  }

  /**
   * Saves to the song's file, or asks for one.
   *
   * @param then what loses unsaved work: done once the whole song is saved, also what was done to
   *     it meanwhile
   */
  private void save(Optional<Runnable> then) {
    Optional<Path> target = session.document().file();
    if (target.isEmpty()) {
      target = askWhereToSave();
    }
    target.ifPresent(p -> write(p, then));
  }

  private void write(Path file, Optional<Runnable> then) {
    session.run().stop();
    nameAfter(file);
    Song song = session.song();
    Song whole = session.document().toWrite();
    int opening = session.document().openings();
    background.write(
        "Saving " + file.getFileName(),
        () -> {
          return Formats.ALL.save(whole, file);
        },
        saved -> {
          session.document().saved(saved, song, opening);
          session.notices().tell(new Notice("Saved " + file.getFileName(), false));
          then.ifPresent(this::afterUnsavedWork);
        },
        e -> {
          session.document().notSaved(SongFiles.describe(file, e), opening);
          failed(file, e);
        });
  }

  /** A song that has no name yet takes its file's. */
  private void nameAfter(Path file) {
    if (session.song().title().equals(Song.empty().title())) {
      session.document().name(SongFiles.titleOf(file));
    }
  }

  public void exportMidi() {
    named(prompts.midiToExport(fileName(".mid")), Ending.MIDI).ifPresent(this::export);
  }

  private void export(Path file) {
    Song song = session.song();
    background.write(
        "Exporting " + file.getFileName(),
        () -> Formats.ALL.write(song, file),
        lost ->
            session
                .notices()
                .tell(
                    new Notice(
                        "Exported "
                            + Notice.notes(song.noteCount())
                            + " to "
                            + file.getFileName()
                            + lost.stream().map(l -> "; " + l).collect(Collectors.joining()),
                        false)),
        e -> failed(file, e));
  }

  @Override
  public void openGroove() {
    prompts
        .grooveToOpen()
        .ifPresent(
            file ->
                background.read(
                    "Opening " + file.getFileName(),
                    () -> GrooveFile.read(file),
                    groove -> {
                      session.timing().setSettings(session.timing().settings().withGroove(groove));
                      session.notices().tell(new Notice("Groove \"" + groove.name() + "\"", false));
                    },
                    e -> failed(file, e)));
  }

  @Override
  public void saveGroove() {
    Groove groove = session.timing().settings().groove();
    if (groove.isNone()) {
      session
          .notices()
          .tell(new Notice("There is no groove yet: take one from notes first", false));
      return;
    }
    named(prompts.grooveToSave(groove.name() + GrooveFile.ENDING), Ending.GROOVE)
        .ifPresent(
            file ->
                background.write(
                    "Saving " + file.getFileName(),
                    () -> {
                      GrooveFile.write(groove, file);
                      return groove;
                    },
                    saved ->
                        session.notices().tell(new Notice("Saved " + file.getFileName(), false)),
                    e -> failed(file, e)));
  }

  @Override
  public void importChores() {
    prompts
        .choresToOpen()
        .ifPresent(
            file ->
                background.read(
                    "Opening " + file.getFileName(),
                    () -> ChoreFile.read(file),
                    chores -> {
                      int count = session.chores().takeIn(chores);
                      session
                          .notices()
                          .tell(
                              count == 0
                                  ? "You have these chores already"
                                  : "Taken in: " + count + (count == 1 ? " chore" : " chores"));
                    },
                    e -> failed(file, e)));
  }

  @Override
  public void exportChores() {
    Map<String, Chore> chores = Map.copyOf(session.chores().own().all());
    if (chores.isEmpty()) {
      session.notices().tell("There are no chores of your own to hand on yet");
      return;
    }
    named(prompts.choresToSave("chores" + ChoreFile.ENDING), Ending.CHORES)
        .ifPresent(
            file ->
                background.write(
                    "Saving " + file.getFileName(),
                    () -> {
                      ChoreFile.write(chores, file);
                      return chores;
                    },
                    saved -> session.notices().tell("Saved " + file.getFileName()),
                    e -> failed(file, e)));
  }

  /** Does something that loses unsaved work, after asking about it. */
  public void afterUnsavedWork(Runnable then) {
    session.run().stop();
    if (!session.document().hasUnsavedWork()) {
      then.run();
      return;
    }
    switch (prompts.unsavedWork(session.song().title())) {
      case SAVE -> save(Optional.of(then));
      case DISCARD -> then.run();
      case STAY -> {
        // As it was.
      }
    }
  }

  /** Closes, once nothing is being written any more: that would be lost. */
  public void afterWriting(Runnable then) {
    background.whenWritten(then);
  }

  private String fileName(String extension) {
    return FileNames.of(session.song().title(), "Song") + extension;
  }

  private void failed(Path file, IOException e) {
    session.notices().tell(new Notice(SongFiles.describe(file, e), true));
  }
}
