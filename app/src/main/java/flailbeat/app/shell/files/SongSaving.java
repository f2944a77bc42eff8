package flailbeat.app.shell.files;

import flailbeat.app.formats.Formats;
import flailbeat.app.shell.safe.Claims;
import flailbeat.app.shell.safe.Safekeeping;
import flailbeat.app.shell.work.Background;
import flailbeat.core.files.SongFiles;
import flailbeat.core.journal.SavedFile;
import flailbeat.core.model.Song;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Writes the song to its file, which is as it was if that fails. */
final class SongSaving {
  private static final Logger LOG = LoggerFactory.getLogger(SongSaving.class);

  private final Session session;
  private final Prompts prompts;
  private final Background background;
  private final Safekeeping safe;
  private final Consumer<Path> export;

  /**
   * Saves.
   *
   * @param export writes a MIDI file, where the name of one was chosen to save to
   */
  SongSaving(
      Session session,
      Prompts prompts,
      Background background,
      Safekeeping safe,
      Consumer<Path> export) {
    this.session = session;
    this.prompts = prompts;
    this.background = background;
    this.safe = safe;
    this.export = export;
  }

  /** What is asked where something else has changed the file. */
  private enum Asking {
    OF_CHANGES,
    NOTHING,
    /** It was answered: the file is replaced. */
    NO_MORE
  }

  /** Something else wrote the file since it was opened or saved here. */
  private static final class ChangedFault extends IOException {
    private static final long serialVersionUID = 1;

    ChangedFault() {
      super("something else has changed it since it was opened here");
    }
  }

  /**
   * Saves to the song's file, or asks for one.
   *
   * @param then what loses unsaved work: done once the whole song is saved, also what was done to
   *     it meanwhile
   */
  void save(Optional<Runnable> then) {
    Document document = session.document();
    Optional<Path> target = document.isReadOnly() ? Optional.empty() : document.file();
    if (target.isEmpty()) {
      target = askWhere();
    }
    target.ifPresent(p -> write(p, then, Asking.OF_CHANGES));
  }

  /** Asks for a file, and saves to it. */
  void saveAs() {
    askWhere().ifPresent(p -> write(p, Optional.empty(), Asking.OF_CHANGES));
  }

  /** Writes a copy of the song elsewhere; the song stays in its own file. */
  void copy(Runnable then) {
    Song whole = session.document().toWrite();
    askWhere()
        .ifPresent(
            file ->
                background.write(
                    "Saving " + file.getFileName(),
                    () -> Formats.ALL.write(whole, file),
                    done -> then.run(),
                    e -> session.notices().warn(SongFiles.describe(file, e))));
  }

  /** Saves to the song's file where it has one and is not as it stands there; asks nothing. */
  void saveQuietly() {
    Document document = session.document();
    if (document.hasUnsavedWork() && !document.isReadOnly() && document.fault().isEmpty()) {
      document.file().ifPresent(p -> write(p, Optional.empty(), Asking.NOTHING));
    }
  }

  /**
   * Where to save the project. Saving is to a project, and marks the song as saved; under the name
   * of a MIDI file it is exported instead, and is in no project still.
   */
  private Optional<Path> askWhere() {
    Optional<Path> chosen = prompts.projectToSave(FileActions.fileName(session, ".flail"));
    if (chosen.filter(p -> Ending.MIDI.isOf(p)).isPresent()) {
      export.accept(chosen.get());
      return Optional.empty();
    }
    return named(chosen, Ending.PROJECT);
  }

  /**
   * A file with the ending of its kind. Where that is added here, whoever asked for the file cannot
   * have asked about the one of that name.
   */
  Optional<Path> named(Optional<Path> chosen, Ending ending) {
    return chosen
        .map(ending::on)
        .filter(file -> file.equals(chosen.get()) || !Files.exists(file) || prompts.replaces(file));
  }

  private void write(Path file, Optional<Runnable> then, Asking asking) {
    session.run().stop();
    nameAfter(file);
    Document document = session.document();
    Song song = session.song();
    Song whole = document.toWrite();
    Optional<SavedFile> known =
        asking == Asking.NO_MORE
            ? Optional.empty()
            : document.savedFile().filter(f -> f.isAt(file));
    int opening = document.openings();
    background.write(
        "Saving " + file.getFileName(),
        () -> written(whole, file, known),
        saved -> {
          document.saved(saved.file(), song, opening);
          session.notices().tell(saved.notice());
          session
              .person()
              .songs()
              .used(saved.file().path().toString(), song, System.currentTimeMillis());
          then.ifPresent(this::afterUnsavedWork);
        },
        e -> failed(file, then, e, opening, asking));
  }

  /** A song's file that was written, and what is told of that. */
  private record Written(SavedFile file, Notice notice) {}

  private Written written(Song whole, Path file, Optional<SavedFile> known) throws IOException {
    safe.claims().holdToSave(file, whole.title());
    if (known.isPresent()
        && SavedFile.now(file).filter(n -> !n.isSameAs(known.get())).isPresent()) {
      throw new ChangedFault();
    }
    Optional<String> lost = keepVersion(file);
    SavedFile saved = Formats.ALL.save(whole, file);
    return new Written(
        saved, new Notice("Saved " + file.getFileName() + lost.orElse(""), lost.isPresent()));
  }

  /** That what was there cannot be kept keeps nobody from saving; it is told. */
  private Optional<String> keepVersion(Path file) {
    try {
      safe.versions().keep(file);
      return Optional.empty();
    } catch (IOException e) {
      LOG.warn("A version is not kept", e);
      return Optional.of("; the version before is not kept: " + SongFiles.reason(e));
    }
  }

  private void failed(
      Path file, Optional<Runnable> then, IOException e, int opening, Asking asking) {
    String why =
        e instanceof Claims.HeldFault ? file + ": " + e.getMessage() : SongFiles.describe(file, e);
    session.document().notSaved(why, opening);
    session.notices().warn(why);
    boolean asks = asking == Asking.OF_CHANGES && e instanceof ChangedFault;
    if (asks && opening == session.document().openings()) {
      switch (prompts.changedMeanwhile(file)) {
        case REPLACE -> write(file, then, Asking.NO_MORE);
        case SAVE_AS -> askWhere().ifPresent(p -> write(p, then, Asking.OF_CHANGES));
        case STAY -> {
          // It is told, and stays unsaved.
        }
      }
    }
  }

  /** A song that has no name yet takes its file's. */
  private void nameAfter(Path file) {
    if (session.song().title().equals(Song.empty().title())) {
      session.document().name(SongFiles.titleOf(file));
    }
  }

  /** Does something that loses unsaved work, after asking about it. */
  void afterUnsavedWork(Runnable then) {
    afterUnsavedWork(then, () -> {});
  }

  /**
   * The same.
   *
   * @param onStay done where the person wants to stay
   */
  void afterUnsavedWork(Runnable then, Runnable onStay) {
    session.run().stop();
    if (!session.document().hasUnsavedWork()) {
      then.run();
      return;
    }
    switch (prompts.unsavedWork(session.song().title())) {
      case SAVE -> save(Optional.of(then));
      case DISCARD -> then.run();
      case STAY -> onStay.run();
    }
  }
}
