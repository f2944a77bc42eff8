package flailbeat.app.shell.device;

import flailbeat.app.shell.files.Prompts;
import flailbeat.app.shell.work.Background;
import flailbeat.app.shell.work.Daemons;
import flailbeat.audio.AudioEngine;
import flailbeat.audio.sound.OwnFile;
import flailbeat.core.model.Track;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.OwnPreset;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import java.io.IOException;
import java.nio.file.InvalidPathException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.stream.Collectors;
import javafx.application.Platform;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The sound files of the person's own: known from start to start, looked for as a song names them,
 * told where they are missing.
 */
public final class SoundFiles {
  private static final Logger LOG = LoggerFactory.getLogger(SoundFiles.class);

  private final Session session;
  private final AudioEngine engine;
  private final Prompts prompts;
  private final Background background;
  private final ExecutorService executor = Daemons.single("sound-files");

  /** By their fingerprints: two of one name may be known. */
  private final Map<String, OwnFile> known = new LinkedHashMap<>();

  private final Set<String> tried = new LinkedHashSet<>();
  private int told = -1;

  /** Files that are being looked into: what is in them is not missing yet. */
  private int pending;

  private Set<String> portsMissing = Set.of();

  public SoundFiles(Session session, AudioEngine engine, Prompts prompts, Background background) {
    this.session = session;
    this.engine = engine;
    this.prompts = prompts;
    this.background = background;
    engine.onKeys(
        (instrument, keys) -> Platform.runLater(() -> session.soundedKeys().set(instrument, keys)));
  }

  /** Looks into nothing any more. */
  public void close() {
    executor.shutdown();
  }

  /** Does something away from the window's thread. */
  public void away(Runnable work) {
    executor.execute(work);
  }

  /** Asks for a file, and makes its presets known. */
  public void ask() {
    prompts.soundsToOpen().ifPresent(this::take);
  }

  /** Makes the presets of a file known. */
  public void take(Path path) {
    background.read(
        "Looking into " + path.getFileName(),
        () -> OwnFile.open(path),
        file -> taken(path, file),
        e -> session.notices().warn(path.getFileName() + ": " + describe(e)));
  }

  private void taken(Path path, OwnFile file) {
    session.person().taste().addFile(path.toAbsolutePath().toString());
    know(file);
    session.sounds().showFamily(file.name());
    List<Instrument> presets = file.instruments();
    session
        .notices()
        .tell(
            new Notice(
                file.name()
                    + " has "
                    + presets.size()
                    + (presets.size() == 1 ? " sound" : " sounds")
                    + ": they stand among the others ({sound-choose})",
                false));
  }

  private static String describe(IOException e) {
    return e instanceof NoSuchFileException ? "it is not there any more" : e.getMessage();
  }

  private void know(OwnFile file) {
    known.put(file.fingerprint(), file);
    engine.add(file);
    Map<String, List<Instrument>> presets = new LinkedHashMap<>();
    for (OwnFile each : known.values()) {
      presets.computeIfAbsent(each.name(), name -> new ArrayList<>()).addAll(each.instruments());
    }
    session.sounds().setOwn(presets);
    told = -1;
  }

  /**
   * Called now and then: files that were chosen at another time are looked into; what a song lacks
   * is told.
   */
  public void watch() {
    for (String place : session.person().taste().files()) {
      if (tried.add(place)) {
        pending++;
        executor.execute(() -> open(place));
      }
    }
    tellMissing();
    tellPorts();
  }

  private void open(String place) {
    try {
      OwnFile file = OwnFile.open(Path.of(place));
      Platform.runLater(() -> lookedInto(Optional.of(file)));
    } catch (IOException | InvalidPathException e) {
      // It is told when a song names a sound of it.
      LOG.info("{} is not to be had", place, e);
      Platform.runLater(() -> lookedInto(Optional.empty()));
    }
  }

  private void lookedInto(Optional<OwnFile> file) {
    pending--;
    file.ifPresent(this::know);
  }

  /** Which sounds the song names that nobody has is told once a song. */
  private void tellMissing() {
    int opening = session.document().openings();
    if (opening == told || pending > 0) {
      return;
    }
    told = opening;
    List<String> missing = new ArrayList<>();
    for (Track track : session.song().tracks()) {
      OwnPreset own = track.instrument().own();
      if (!own.isNone() && !engine.library().has(track.instrument())) {
        missing.add(own.name() + " of " + own.file());
      }
    }
    if (!missing.isEmpty()) {
      session
          .notices()
          .warn(
              missing.stream().distinct().collect(Collectors.joining(", "))
                  + " is not here: the nearest of our sounds plays until you add the file"
                  + " ({sound-file-add})");
    }
  }

  private void tellPorts() {
    Set<String> missing = engine.ports().missing();
    if (!missing.equals(portsMissing)) {
      Set<String> gone = new LinkedHashSet<>(missing);
      gone.removeAll(portsMissing);
      Set<String> back = new LinkedHashSet<>(portsMissing);
      back.removeAll(missing);
      portsMissing = missing;
      if (!gone.isEmpty()) {
        session
            .notices()
            .warn(
                String.join(", ", gone)
                    + " is not plugged in: what goes there is not heard until it is");
      } else {
        session.notices().tell(String.join(", ", back) + " is there again");
      }
    }
  }
}
