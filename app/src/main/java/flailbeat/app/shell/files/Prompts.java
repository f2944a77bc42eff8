package flailbeat.app.shell.files;

import java.nio.file.Path;
import java.util.Optional;

/** Questions to the person that stop everything else. */
public interface Prompts {
  /** What to do about unsaved work. */
  enum Unsaved {
    SAVE,
    DISCARD,
    STAY
  }

  /** What to do about a file that another window has open. */
  enum Elsewhere {
    READ_ONLY,
    COPY,
    STAY
  }

  /** What to do about a file that something else has changed. */
  enum Changed {
    REPLACE,
    SAVE_AS,
    STAY
  }

  /**
   * Asks how to open a file that another window has open.
   *
   * @param where which window that is
   */
  Elsewhere openElsewhere(Path file, String where);

  /** Asks what to do with a file that something else has changed since it was opened here. */
  Changed changedMeanwhile(Path file);

  /** What to do where one fault follows on another. */
  enum Faulty {
    COPY_AND_ANEW,
    ANEW,
    GO_ON
  }

  /** Asks what to do where one fault follows on another. */
  Faulty afterFaults();

  /** Asks what to do with unsaved work. */
  Unsaved unsavedWork(String title);

  /** Asks for a file to open. */
  Optional<Path> fileToOpen();

  /** Asks where to save a project. */
  Optional<Path> projectToSave(String suggestedName);

  /** Asks where to write a MIDI file. */
  Optional<Path> midiToExport(String suggestedName);

  /** Asks for a file with sounds. */
  Optional<Path> soundsToOpen();

  /** Asks where to write a sound file. */
  Optional<Path> soundToWrite(String suggestedName);

  /** Asks for a groove to open. */
  Optional<Path> grooveToOpen();

  /** Asks where to save a groove. */
  Optional<Path> grooveToSave(String suggestedName);

  /** Asks for a file of chores to take in. */
  Optional<Path> choresToOpen();

  /** Asks where to save chores, to hand them on. */
  Optional<Path> choresToSave(String suggestedName);

  /** Asks where to save a page for a browser. */
  Optional<Path> pageToSave(String suggestedName);

  /** Asks whether a file that is there already may be replaced. */
  boolean replaces(Path file);

  /** Offers what could be saved of a damaged file; true to take it. */
  boolean takeDamaged(String damage, String loss, int notes);
}
