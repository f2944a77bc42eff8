package flailbeat.app.shell.files;

import flailbeat.app.shell.work.BackgroundWorkshop;
import flailbeat.audio.AudioEngine;
import flailbeat.audio.wav.SoundRender;
import flailbeat.audio.wav.WavSettings;
import flailbeat.audio.wav.WavSongs;
import flailbeat.core.files.FileNames;
import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Song;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.Progress;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Writes what is heard to sound files, away from the window's thread. */
public final class WavFiles {
  private final Session session;
  private final AudioEngine engine;
  private final Prompts prompts;
  private final BackgroundWorkshop workshop;
  private int writing;
  private Optional<Runnable> afterWriting = Optional.empty();

  /**
   * Writes nothing yet.
   *
   * @param workshop where files are made: its own, since they take long
   */
  public WavFiles(
      Session session, AudioEngine engine, Prompts prompts, BackgroundWorkshop workshop) {
    this.session = session;
    this.engine = engine;
    this.prompts = prompts;
    this.workshop = workshop;
  }

  /** Asks where to, and writes. */
  public void write(WavSettings settings, boolean loop, boolean apart) {
    Song song = session.song();
    Optional<TickRange> range =
        loop ? session.runControl().looping().range() : Optional.of(SoundRender.whole(song));
    if (range.isEmpty()) {
      session.notices().warn("There is no loop: drag along the ruler, or {loop}");
      return;
    }
    if (range.get().length() == 0) {
      session.notices().warn("The song has no notes: there is nothing to be heard");
      return;
    }
    String name = FileNames.of(song.title(), "Song");
    prompts
        .soundToWrite(name + WavSongs.ENDING)
        .ifPresent(
            asked -> {
              Path file = Ending.WAVE.on(asked);
              if (mayReplace(song, asked, file, apart)) {
                write(song, range.get(), settings, apart, file);
              }
            });
  }

  /** Whoever asked for a name has asked about that one; not about others that are written. */
  private boolean mayReplace(Song song, Path asked, Path file, boolean apart) {
    List<Path> files = apart ? WavSongs.apart(song, file) : List.of(file);
    return files.stream()
        .filter(f -> !f.equals(asked) && Files.exists(f))
        .findFirst()
        .map(prompts::replaces)
        .orElse(true);
  }

  private void write(Song song, TickRange range, WavSettings settings, boolean apart, Path file) {
    WavSongs wavs = new WavSongs(settings, engine.library());
    session.notices().tell("Writing " + file.getFileName() + " \u2026");
    writing++;
    workshop.start(
        progress -> written(wavs, song, range, apart, file, progress),
        files -> {
          done();
          session
              .notices()
              .tell(
                  new Notice(
                      "Written: "
                          + files.stream()
                              .map(f -> f.getFileName().toString())
                              .collect(Collectors.joining(", "))
                          + remarks(song).stream().map(r -> "; " + r).collect(Collectors.joining()),
                      false));
        },
        fault -> {
          done();
          session.notices().warn(SongFiles.describe(file, reason(fault)));
        },
        () -> {
          done();
          session.notices().tell("Left off: nothing of " + file.getFileName() + " is there");
        });
  }

  private static List<Path> written(
      WavSongs wavs, Song song, TickRange range, boolean apart, Path file, Progress progress) {
    try {
      if (apart) {
        return wavs.writeApart(song, range, file, progress);
      }
      wavs.write(song, range, file, progress);
      return List.of(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private List<String> remarks(Song song) {
    List<String> result = new ArrayList<>(WavSongs.remarks(song));
    song.tracks().stream()
        .filter(t -> t.noteCount() > 0 && !engine.library().has(t.instrument()))
        .map(t -> t.name() + " has the nearest sound of ours: its own is not here")
        .forEach(result::add);
    return result;
  }

  private static IOException reason(RuntimeException fault) {
    for (Throwable t = fault; t != null; t = t.getCause()) {
      if (t instanceof IOException e) {
        return e;
      }
    }
    return new IOException(fault.toString(), fault);
  }

  private void done() {
    writing--;
    if (writing == 0) {
      Optional<Runnable> then = afterWriting;
      afterWriting = Optional.empty();
      then.ifPresent(Runnable::run);
    }
  }

  /** How far it is, 0 to 1, once it has taken a while. */
  public Optional<Double> progress() {
    return workshop.progress();
  }

  /** Calls it off: what there is of a file goes. */
  public void leaveOff() {
    workshop.leaveOff();
  }

  /** Does something once nothing is being written. */
  public void afterWriting(Runnable then) {
    if (writing == 0) {
      then.run();
    } else {
      afterWriting = Optional.of(then);
      session.notices().tell("A sound file is still being written: then this goes on");
    }
  }
}
