package flailbeat.app.shell.files;

import flailbeat.app.formats.Formats;
import flailbeat.app.shell.work.Background;
import flailbeat.app.view.page.ShelfFiles;
import flailbeat.core.edit.clips.ClipPattern;
import flailbeat.core.files.Opened;
import flailbeat.core.files.SongFiles;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.map.Shelf;
import flailbeat.core.session.person.Named;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Keeps the shelf as a folder of projects that a person can see: each file in it, a MIDI file too,
 * is something on the shelf. What is taken off goes into a folder within it.
 */
public final class ShelfKeeper implements ShelfFiles {
  private static final String ENDING = ".flail";
  private static final String NOT_OF_FILES = "[^\\p{L}\\p{N} _()-]";
  private static final String TAKEN_OFF = "taken off";

  private final Session session;
  private final Background background;
  private Optional<Path> folder = Optional.empty();

  /** A shelf that has no folder yet. */
  public ShelfKeeper(Session session, Background background) {
    this.session = session;
    this.background = background;
  }

  /** Says which folder it is; what is in it is looked at once the page is turned to. */
  public void keepIn(Path value) {
    folder = Optional.of(value);
  }

  /** What was found in the folder, and what could not be read. */
  private record Found(List<Shelf.Item> items, List<String> faults) {}

  @Override
  public String place() {
    return folder
        .map(f -> "Kept as open files in " + f + ".")
        .orElse("It is not kept in any folder.");
  }

  /** Keeps the clips that are meant under the name that the first of them has. */
  public void put() {
    String name =
        session.clips().choice().clips().stream()
            .map(c -> c.traits().name())
            .filter(n -> !n.isBlank())
            .findFirst()
            .map(n -> n.replaceAll(NOT_OF_FILES, "").strip())
            .orElse(session.document().track().name().replaceAll(NOT_OF_FILES, "").strip());
    put(name.isEmpty() ? "Clip" : name.substring(0, Math.min(name.length(), 40)).strip());
  }

  @Override
  public void lookAgain() {
    if (folder.isEmpty()) {
      return;
    }
    Path place = folder.get();
    background.read(
        "Looking at the shelf",
        () -> read(place),
        found -> {
          session.shelf().set(found.items());
          int count = found.items().size();
          session
              .notices()
              .tell(count == 1 ? "1 thing on the shelf" : count + " things on the shelf");
          found.faults().forEach(f -> session.notices().warnAlong("Not on the shelf: " + f));
        },
        e -> session.notices().tell(new Notice(SongFiles.describe(place, e), true)));
  }

  private static Found read(Path folder) throws IOException {
    List<Shelf.Item> items = new ArrayList<>();
    List<String> faults = new ArrayList<>();
    if (!Files.isDirectory(folder)) {
      return new Found(items, faults);
    }
    List<Path> files;
    try (Stream<Path> all = Files.list(folder)) {
      files = all.filter(Files::isRegularFile).sorted().toList();
    }
    for (Path file : files) {
      if (Ending.PROJECT.isOf(file) || Ending.MIDI.isOf(file)) {
        try {
          Opened opened = Formats.ALL.read(file);
          if (opened.isSound()) {
            ClipPattern.of(opened.song())
                .ifPresent(p -> items.add(new Shelf.Item(SongFiles.titleOf(file), p)));
          } else {
            faults.add(file + ": " + opened.damage());
          }
        } catch (IOException e) {
          faults.add(SongFiles.describe(file, e));
        }
      }
    }
    return new Found(items, faults);
  }

  @Override
  public void put(String typed) {
    String name = Named.nameOf(typed);
    if (!name.equals(name.replaceAll(NOT_OF_FILES, ""))) {
      throw new IllegalArgumentException("Letters, digits and spaces: it is the name of a file");
    }
    var pattern = ClipPattern.of(session.song(), session.clips().choice().meant());
    if (pattern.isEmpty()) {
      session.notices().tell("There is no clip to put on the shelf");
      return;
    }
    if (folder.isEmpty()) {
      session.notices().tell("There is no folder for the shelf");
      return;
    }
    Path place = folder.get();
    Path file = free(place, name, ENDING);
    background.write(
        "Keeping " + file.getFileName(),
        () -> {
          Files.createDirectories(place);
          Formats.ALL.write(pattern.get().toSong(name), file);
          return read(place);
        },
        found -> {
          session.shelf().set(found.items());
          session.notices().tell("On the shelf: " + SongFiles.titleOf(file));
        },
        e -> session.notices().tell(new Notice(SongFiles.describe(file, e), true)));
  }

  /** What is in a folder already under that name stays there. */
  private static Path free(Path folder, String name, String ending) {
    Path file = folder.resolve(name + ending);
    for (int n = 2; Files.exists(file); n++) {
      file = folder.resolve(name + " " + n + ending);
    }
    return file;
  }

  @Override
  public void takeOff(String name) {
    folder.ifPresent(f -> takeOff(f, name));
  }

  private void takeOff(Path folder, String name) {
    background.write(
        "Taking " + name + " off the shelf",
        () -> {
          Path aside = folder.resolve(TAKEN_OFF);
          Files.createDirectories(aside);
          try (Stream<Path> all = Files.list(folder)) {
            for (Path file : all.filter(Files::isRegularFile).toList()) {
              if (SongFiles.titleOf(file).equals(name)) {
                String whole = file.getFileName().toString();
                Files.move(file, free(aside, name, whole.substring(name.length())));
              }
            }
          }
          return read(folder);
        },
        found -> session.shelf().set(found.items()),
        e -> session.notices().tell(new Notice(SongFiles.describe(folder, e), true)));
  }
}
