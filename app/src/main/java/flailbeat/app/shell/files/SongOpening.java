package flailbeat.app.shell.files;

import flailbeat.app.formats.Formats;
import flailbeat.app.shell.safe.Claims;
import flailbeat.app.shell.safe.FileHold;
import flailbeat.app.shell.safe.Safekeeping;
import flailbeat.app.shell.work.Background;
import flailbeat.core.edit.History;
import flailbeat.core.files.Opened;
import flailbeat.core.files.SongFiles;
import flailbeat.core.journal.SavedFile;
import flailbeat.core.model.Song;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;

/** Opens files in the place of the present song. One that cannot be read leaves it as it was. */
final class SongOpening {
  private final Session session;
  private final Prompts prompts;
  private final Background background;
  private final Safekeeping safe;
  private final SongSaving saving;
  private final AtomicReference<FileHold> pending = new AtomicReference<>(FileHold.NONE);

  SongOpening(
      Session session,
      Prompts prompts,
      Background background,
      Safekeeping safe,
      SongSaving saving) {
    this.session = session;
    this.prompts = prompts;
    this.background = background;
    this.safe = safe;
    this.saving = saving;
  }

  /**
   * A file that was read, and as it was then.
   *
   * @param hold what this window has of it
   */
  private record Read(Opened opened, Optional<SavedFile> saved, FileHold hold) {}

  /** A file that is changed while it is read is taken to be as it was before. */
  private Read read(Path file) throws IOException {
    boolean project = Ending.PROJECT.isOf(file) && Files.isRegularFile(file);
    Optional<SavedFile> saved = project ? Optional.of(SavedFile.of(file)) : Optional.empty();
    Opened opened = Formats.ALL.read(file);
    FileHold hold =
        saved.map(s -> safe.claims().hold(s, opened.song().title())).orElse(FileHold.NONE);
    pending.set(hold);
    return new Read(opened, saved, hold);
  }

  /** Opens a file in the place of the present song. */
  void open(Path file) {
    letGo();
    Song before = session.song();
    background.read(
        "Opening " + file.getFileName(),
        () -> read(file),
        read -> unlessChanged(before, () -> opened(file, read)),
        e -> session.notices().warn(SongFiles.describe(file, e)));
  }

  /** What was done to the song while a file was read is not lost: it is asked about. */
  private void unlessChanged(Song before, Runnable then) {
    session.run().stop();
    if (session.song() == before) {
      then.run();
    } else {
      saving.afterUnsavedWork(then, this::letGo);
    }
  }

  private void opened(Path file, Read read) {
    open(file, read);
    letGo();
  }

  /** What was taken hold of and is not opened after all. */
  private void letGo() {
    pending.getAndSet(FileHold.NONE).letGo();
  }

  private void open(Path file, Read read) {
    Opened opened = read.opened();
    int notes = opened.song().noteCount();
    if (!opened.isSound() && !prompts.takeDamaged(opened.damage(), opened.loss(), notes)) {
      session.notices().warn("Not opened: " + file + ": " + opened.damage());
      return;
    }
    String how = "";
    if (read.hold().elsewhere()) {
      switch (prompts.openElsewhere(file, Claims.words(read.hold().holder()))) {
        case READ_ONLY -> {
          session.open(opened.song(), read.saved());
          session.document().setReadOnly();
          how = " read-only";
        }
        case COPY -> {
          session.open(opened.song().withTitle(opened.song().title() + " copy"), Optional.empty());
          session.document().markUnsaved();
          how = " as a copy";
        }
        case STAY -> {
          return;
        }
      }
    } else {
      safe.keeper().goOnWith(pending.getAndSet(FileHold.NONE));
      session.open(
          read.hold()
              .journal()
              .map(j -> new History<>(j.state().history()))
              .orElseGet(() -> new History<>(opened.song())),
          read.saved());
    }
    if (!opened.isSound()) {
      session.document().markUnsaved();
    }
    tell(file, opened, how);
  }

  private void tell(Path file, Opened opened, String how) {
    String damage = opened.isSound() ? "" : "; damaged, " + opened.loss();
    String what =
        "Opened " + file.getFileName() + how + ", " + Notice.notes(opened.song().noteCount());
    List<String> told = new ArrayList<>(opened.remarks());
    session.tracks().silentTracks().ifPresent(told::add);
    tell(what, damage, told);
    session
        .person()
        .songs()
        .used(file.toAbsolutePath().toString(), opened.song(), System.currentTimeMillis());
  }

  /** More than one remark does not fit into a line that can be read. */
  private void tell(String what, String damage, List<String> remarks) {
    boolean warning = !damage.isEmpty();
    if (remarks.size() + (warning ? 1 : 0) <= 1) {
      String remark = remarks.isEmpty() ? "" : "; " + remarks.getFirst();
      session.notices().tell(new Notice(what + damage + remark, warning));
      return;
    }
    List<String> lines = new ArrayList<>();
    lines.add(what + ", with this to know:");
    if (warning) {
      lines.add(damage.substring(2));
    }
    lines.addAll(remarks);
    String inShort = what + "; " + (lines.size() - 1) + " things to know of it";
    session.notices().tellLines(new Notice(inShort, warning), lines);
  }
}
