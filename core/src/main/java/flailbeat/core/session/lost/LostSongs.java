package flailbeat.core.session.lost;

import flailbeat.core.journal.LostSong;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The songs that can be brought back, one of which is under the cursor. */
public final class LostSongs {
  /** A song that can be brought back, and what it will be then. */
  public record Offer(LostSong lost, Recovered recovered) {
    /** One that was found. */
    public static Offer of(LostSong lost) {
      return new Offer(lost, Recovered.of(lost.reading()));
    }
  }

  private final Session session;
  private final List<Offer> offers = new ArrayList<>();
  private int cursor;
  private final HeardSong heard;

  /** Offers none yet. */
  public LostSongs(Session session) {
    this.session = session;
    this.heard = new HeardSong(session, () -> session.changes().fire(Aspect.LOST));
  }

  /** Offers some; those that were offered are no more. */
  public void offer(List<Offer> songs) {
    heard.stop();
    offers.clear();
    offers.addAll(songs);
    cursor = 0;
    session.changes().fire(Aspect.LOST);
  }

  /** Whether any are offered. */
  public boolean isOpen() {
    return !offers.isEmpty();
  }

  /** Those that are offered, the latest first. */
  public List<Offer> all() {
    return List.copyOf(offers);
  }

  /** Which of them is under the cursor. */
  public int cursor() {
    return cursor;
  }

  /** The one under the cursor. */
  public Optional<Offer> current() {
    return isOpen() ? Optional.of(offers.get(cursor)) : Optional.empty();
  }

  /** Moves the cursor. */
  public void moveTo(int index) {
    int wanted = Math.clamp(index, 0, Math.max(0, offers.size() - 1));
    if (wanted != cursor) {
      heard.stop();
      cursor = wanted;
      session.changes().fire(Aspect.LOST);
    }
  }

  /** Plays the one under the cursor with its own sounds, or stops. */
  public void hear() {
    current().ifPresent(offer -> heard.playOrStop(offer.recovered().song()));
  }

  /** Whether the one under the cursor is heard. */
  public boolean isHearing() {
    return heard.isOn();
  }

  /** Takes one away that was decided on. */
  public void remove(Offer offer) {
    heard.stop();
    offers.remove(offer);
    cursor = Math.clamp(cursor, 0, Math.max(0, offers.size() - 1));
    session.changes().fire(Aspect.LOST);
  }
}
