package flailbeat.app.shell.files;

import flailbeat.app.formats.Formats;
import flailbeat.app.shell.safe.Safekeeping;
import flailbeat.app.shell.work.Background;
import flailbeat.app.view.page.ChoreFiles;
import flailbeat.app.view.timing.GrooveFiles;
import flailbeat.core.chore.Chore;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.tracks.TracksTaken;
import flailbeat.core.files.FileNames;
import flailbeat.core.files.Opened;
import flailbeat.core.files.SongFiles;
import flailbeat.core.format.chore.ChoreFile;
import flailbeat.core.format.groove.GrooveFile;
import flailbeat.core.model.Song;
import flailbeat.core.quantize.Groove;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;

/** Opening, saving, importing, exporting. A file that cannot be read leaves the song as it was. */
public final class FileActions implements GrooveFiles, ChoreFiles {
  private final Session session;
  private final Prompts prompts;
  private final Background background;
  private final SongSaving saving;
  private final SongOpening opening;
  private final Autosave autosave;

  public FileActions(Session session, Prompts prompts, Background background, Safekeeping safe) {
    this.session = session;
    this.prompts = prompts;
    this.background = background;
    saving = new SongSaving(session, prompts, background, safe, this::export);
    autosave = new Autosave(session, saving);
    opening = new SongOpening(session, prompts, background, safe, saving);
  }

  /**
   * Several faults came in a row: asks whether to save a copy, and to start anew.
   *
   * @param anew ends this window and opens another
   */
  public void afterFaults(Runnable anew) {
    switch (prompts.afterFaults()) {
      case COPY_AND_ANEW -> saving.copy(anew);
      case ANEW -> anew.run();
      case GO_ON -> {
        // As it was.
      }
    }
  }

  /** Opens an empty song in the place of this one. */
  public void newSong() {
    afterUnsavedWork(() -> session.open(Song.empty(), Optional.empty()));
  }

  /** Opens a song with the tracks of this one, and nothing in them, in its place. */
  public void newFrom() {
    Song from = session.song();
    afterUnsavedWork(
        () -> {
          session.open(TracksTaken.newFrom(from), Optional.empty());
          session.notices().tell("A new song with the tracks of \u201c" + from.title() + "\u201d");
        });
  }

  /** Adds the tracks of a MIDI file to the song, from a tick on. */
  public void addTracks(Path file, long tick) {
    int at = session.document().openings();
    background.read(
        "Opening " + file.getFileName(),
        () -> Formats.ALL.read(file),
        opened -> addTracks(file, opened, tick, at),
        e -> failed(file, e));
  }

  private void addTracks(Path file, Opened opened, long tick, int opening) {
    if (opening != session.document().openings()) {
      session.notices().warn("Not added: another song was opened meanwhile");
      return;
    }
    int notes = opened.song().noteCount();
    if (!opened.isSound() && !prompts.takeDamaged(opened.damage(), opened.loss(), notes)) {
      session.notices().warn("Not added: " + file + ": " + opened.damage());
      return;
    }
    Song before = session.song();
    session
        .editing()
        .attempt("Tracks of " + file.getFileName(), s -> TracksTaken.add(s, opened.song(), tick));
    int added = session.song().tracks().size() - before.tracks().size();
    if (added > 0) {
      session.document().chooseTrack(session.song().tracks().get(before.tracks().size()).id());
      boolean sameTempo = opened.song().tempos().tempoAt(0).equals(before.tempos().tempoAt(tick));
      session
          .notices()
          .tell(
              (added == 1 ? "1 track" : added + " tracks")
                  + " of "
                  + file.getFileName()
                  + " from bar "
                  + before.meters().positionAt(tick).bar()
                  + (sameTempo ? "" : ", at this song's tempo"));
    } else if (session.song() == before && !session.runControl().transport().isRecording()) {
      session.notices().tell("There is nothing in " + file.getFileName());
    }
  }

  /**
   * Called now and then.
   *
   * @param busy whether something is held that saving must not disturb
   */
  public void watch(long nowNanos, BooleanSupplier busy) {
    autosave.watch(nowNanos, busy);
  }

  public void openDemo() {
    afterUnsavedWork(() -> session.open(HarbourLamps.song(), Optional.empty()));
  }

  public void open() {
    afterUnsavedWork(() -> prompts.fileToOpen().ifPresent(this::open));
  }

  /** Opens a file in the place of the present song. */
  public void open(Path file) {
    opening.open(file);
  }

  /** Saves to the song's file, or asks for one. */
  public void save() {
    saving.save(Optional.empty());
  }

  public void saveAs() {
    saving.saveAs();
  }

  public void exportMidi() {
    saving
        .named(prompts.midiToExport(fileName(session, ".mid")), Ending.MIDI)
        .ifPresent(this::export);
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
    saving
        .named(prompts.grooveToSave(groove.name() + GrooveFile.ENDING), Ending.GROOVE)
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
    saving
        .named(prompts.choresToSave("chores" + ChoreFile.ENDING), Ending.CHORES)
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
    saving.afterUnsavedWork(then);
  }

  /** Closes, once nothing is being written any more: that would be lost. */
  public void afterWriting(Runnable then) {
    background.whenWritten(then);
  }

  static String fileName(Session session, String extension) {
    return FileNames.of(session.song().title(), "Song") + extension;
  }

  private void failed(Path file, IOException e) {
    session.notices().tell(new Notice(SongFiles.describe(file, e), true));
  }
}
