package flailbeat.app.shell;

import flailbeat.app.view.ChoreFiles;
import flailbeat.app.view.timing.GrooveFiles;
import flailbeat.core.chore.Chore;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.files.Opened;
import flailbeat.core.files.SongFiles;
import flailbeat.core.format.chore.ChoreFile;
import flailbeat.core.format.groove.GrooveFile;
import flailbeat.core.model.Song;
import flailbeat.core.quantize.Groove;
import flailbeat.core.session.Notice;
import flailbeat.core.session.Session;
import java.io.IOException;
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
        () -> SongFiles.read(file),
        opened -> unlessChanged(before, () -> opened(file, opened)),
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

  private void opened(Path file, Opened opened) {
    int notes = opened.song().noteCount();
    if (!opened.isSound() && !prompts.takeDamaged(opened.damage(), opened.loss(), notes)) {
      session.notices().tell(new Notice("Not opened: " + file + ": " + opened.damage(), true));
      return;
    }
    boolean project = file.toString().endsWith(".flail");
    session.open(opened.song(), project ? Optional.of(file) : Optional.empty());
    if (!opened.isSound()) {
      session.document().markUnsaved();
    }
    String damage = opened.isSound() ? "" : "; damaged, " + opened.loss();
    List<String> told = new ArrayList<>(opened.remarks());
    session.editing().silentTracks().ifPresent(told::add);
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
    prompts.projectToSave(fileName(".flail")).ifPresent(p -> write(p, Optional.empty()));
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
      target = prompts.projectToSave(fileName(".flail"));
    }
    target.ifPresent(p -> write(p, then));
  }

  private void write(Path file, Optional<Runnable> then) {
    session.run().stop();
    Song song = titled(file);
    Song whole = session.document().toWrite();
    background.write(
        "Saving " + file.getFileName(),
        () -> {
          SongFiles.write(whole, file);
          return song;
        },
        written -> {
          session.document().saved(file, written);
          session.notices().tell(new Notice("Saved " + file.getFileName(), false));
          then.ifPresent(this::afterUnsavedWork);
        },
        e -> failed(file, e));
  }

  /** A song that has no name yet takes its file's. */
  private Song titled(Path file) {
    if (session.song().title().equals(Song.empty().title())) {
      String title = SongFiles.titleOf(file);
      session.editing().edit("Name the song", s -> s.withTitle(title));
    }
    return session.song();
  }

  public void exportMidi() {
    prompts
        .midiToExport(fileName(".mid"))
        .ifPresent(
            file -> {
              Song song = session.song();
              background.write(
                  "Exporting " + file.getFileName(),
                  () -> SongFiles.write(song, file),
                  lost ->
                      session
                          .notices()
                          .tell(
                              new Notice(
                                  "Exported "
                                      + song.noteCount()
                                      + " notes to "
                                      + file.getFileName()
                                      + lost.stream()
                                          .map(l -> "; " + l)
                                          .collect(Collectors.joining()),
                                  false)),
                  e -> failed(file, e));
            });
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
    prompts
        .grooveToSave(groove.name() + GrooveFile.ENDING)
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
  public void takeInChores() {
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
  public void handOnChores() {
    Map<String, Chore> chores = Map.copyOf(session.chores().own().all());
    if (chores.isEmpty()) {
      session.notices().tell("There are no chores of your own to hand on yet");
      return;
    }
    prompts
        .choresToSave("chores" + ChoreFile.ENDING)
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

  private String fileName(String extension) {
    return session.song().title().replaceAll("[^\\p{L}\\p{N} _-]", "") + extension;
  }

  private void failed(Path file, IOException e) {
    session.notices().tell(new Notice(SongFiles.describe(file, e), true));
  }
}
