package flailbeat.app.shell.files;

import flailbeat.app.shell.safe.JournalKeeper;
import flailbeat.app.shell.safe.Safekeeping;
import flailbeat.app.shell.work.Daemons;
import flailbeat.app.view.safe.LostPane;
import flailbeat.core.journal.JournalState;
import flailbeat.core.journal.Journals;
import flailbeat.core.session.Session;
import flailbeat.core.session.lost.LostSongs;
import flailbeat.core.session.lost.LostSongs.Offer;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import javafx.application.Platform;

/** Looks for songs that were lost, offers them, and does what the person decides. */
public final class LostRoom implements LostPane.Deciding {
  private final Session session;
  private final JournalKeeper keeper;
  private final Journals journals;
  private final FileActions files;
  private final LostSongs lost;
  private final ExecutorService thread = Daemons.single("lost");

  /** One that has not looked yet. */
  public LostRoom(Session session, Safekeeping safe, FileActions files, LostSongs lost) {
    this.session = session;
    this.keeper = safe.keeper();
    this.journals = safe.journals();
    this.files = files;
    this.lost = lost;
  }

  /** What was found and looked into. */
  private record Found(List<Offer> songs, List<String> faults) {}

  /** Looks whether anything was lost the last time, and offers it. */
  public void lookAtStart() {
    look(false);
  }

  /** Looks for all that can be brought back, also what was declined before. */
  public void lookAgain() {
    look(true);
  }

  private void look(boolean asked) {
    // Not where the journal of this window is written: that must not wait for what is read here.
    thread.execute(
        () -> {
          keeper.settle();
          Journals.Found found = journals.find();
          List<Offer> songs =
              found.lost().stream()
                  .filter(l -> keepsOrLetsGo(l.aside() && !asked, l.lock()::close))
                  .map(Offer::of)
                  .toList();
          Platform.runLater(() -> show(new Found(songs, found.unreadable()), asked));
        });
  }

  private static boolean keepsOrLetsGo(boolean letGo, Runnable go) {
    if (letGo) {
      go.run();
    }
    return !letGo;
  }

  private void show(Found found, boolean asked) {
    found.faults().forEach(f -> session.notices().warnAlong("A journal cannot be read: " + f));
    found.songs().stream()
        .flatMap(s -> s.lost().reading().damage().stream())
        .forEach(d -> session.notices().warnAlong("A journal is damaged: " + d));
    List<Offer> all = new ArrayList<>(lost.all());
    all.addAll(found.songs());
    if (!all.isEmpty()) {
      lost.offer(all);
    } else if (asked) {
      session.notices().tell("Nothing was lost: there is nothing to bring back");
    }
  }

  /** The songs that are offered. */
  public LostSongs songs() {
    return lost;
  }

  /** Takes up the song under the cursor, in the place of the one that is open. */
  @Override
  public void takeUp() {
    lost.current().ifPresent(offer -> files.afterUnsavedWork(() -> takeUp(offer)));
  }

  private void takeUp(Offer offer) {
    lost.remove(offer);
    JournalState state = offer.lost().reading().state().copy();
    keeper.goOnIn(offer.lost());
    session.takeUp(state);
    String kept =
        offer.recovered().played() > 0 ? "; what was played last can be kept ({keep})" : "";
    session
        .notices()
        .tell(
            "Brought back \u201c"
                + session.song().title()
                + "\u201d: "
                + offer.recovered().words()
                + kept
                + "; it is in no file as it is ({song-save})");
  }

  /** Declines all that are offered: they are kept for a week. */
  @Override
  public void decline() {
    List<Offer> all = lost.all();
    lost.offer(List.of());
    all.forEach(o -> keeper.setAside(o.lost()));
    session.notices().tell("Kept for a week: {song-lost}");
  }
}
