package flailbeat.core.session.document;

import flailbeat.core.journal.JournalEntry;
import flailbeat.core.journal.JournalEntry.Did;
import flailbeat.core.journal.JournalState;
import flailbeat.core.model.Song;

/** Leads all that happens to the song to whoever writes it down. */
public final class JournalLine {
  private Journalist journalist = Journalist.NONE;
  private int passes = Did.NONE;

  JournalLine() {}

  /** Chooses who writes down what happens from now on, beginning with the song that is open. */
  void leadTo(Journalist value, JournalState open) {
    journalist = value;
    journalist.opened(open, false);
  }

  void opened(JournalState state, boolean leftUnsaved) {
    passes = Did.NONE;
    journalist.opened(state, leftUnsaved);
  }

  /** Something happened. */
  public void put(JournalEntry entry) {
    journalist.put(entry);
  }

  void did(String label, Song before, Song after) {
    put(new Did(label, before, after, passes));
    passes = Did.NONE;
  }

  /**
   * Makes an undo step of a pass, so that either both are known, that it is a step and that the
   * pass is over, or neither.
   *
   * @param count how many passes are over with it; {@link Did#ALL} with the last
   */
  public void passesOver(int count, Runnable commit) {
    passes = count;
    try {
      commit.run();
    } finally {
      if (passes != Did.NONE) {
        passes = Did.NONE;
        put(new JournalEntry.PassesOver(count));
      }
    }
  }
}
