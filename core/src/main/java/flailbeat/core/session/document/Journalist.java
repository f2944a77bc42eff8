package flailbeat.core.session.document;

import flailbeat.core.journal.JournalEntry;
import flailbeat.core.journal.JournalState;

/** Writes down what happens to the song, as it happens. It never keeps anyone waiting. */
public interface Journalist {
  /** Writes nothing down. */
  Journalist NONE =
      new Journalist() {
        @Override
        public void opened(JournalState state, boolean leftUnsaved) {
          // Nothing is kept.
        }

        @Override
        public void put(JournalEntry entry) {
          // Nothing is kept.
        }
      };

  /**
   * Another song is open now.
   *
   * @param state the song, with its history
   * @param leftUnsaved whether the one before had changes that stand in no file
   */
  void opened(JournalState state, boolean leftUnsaved);

  /** Something happened to the song, or was played. */
  void put(JournalEntry entry);
}
