package flailbeat.core.session.person;

import flailbeat.core.model.sound.Instrument;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import java.util.ArrayList;
import java.util.List;

/** Which sounds a person likes, which were chosen last, and where files with others lie. */
public final class SoundTaste {
  /** So many of those chosen last are kept. */
  public static final int MOST_LAST = 12;

  private static final int MOST_FAVOURITES = 500;
  private static final int MOST_FILES = 100;

  private final Changes changes;
  private final List<Instrument> favourites = new ArrayList<>();
  private final List<Instrument> last = new ArrayList<>();
  private final List<String> files = new ArrayList<>();

  /**
   * As it is kept from start to start.
   *
   * @param files the places of sound files of the person's own
   */
  public record Kept(List<Instrument> favourites, List<Instrument> last, List<String> files) {}

  public SoundTaste(Changes changes) {
    this.changes = changes;
  }

  public List<Instrument> favourites() {
    return List.copyOf(favourites);
  }

  public boolean isFavourite(Instrument instrument) {
    return favourites.contains(instrument);
  }

  /** Makes a sound a favourite, or no longer. */
  public void toggleFavourite(Instrument instrument) {
    if (!favourites.remove(instrument)) {
      favourites.add(instrument);
    }
    changes.fire(Aspect.SETTINGS);
  }

  /** Those that were chosen last, the latest first. */
  public List<Instrument> last() {
    return List.copyOf(last);
  }

  /** A sound was chosen for a track. */
  public void chose(Instrument instrument) {
    last.remove(instrument);
    last.addFirst(instrument);
    while (last.size() > MOST_LAST) {
      last.removeLast();
    }
    changes.fire(Aspect.SETTINGS);
  }

  /** The places of sound files of the person's own. */
  public List<String> files() {
    return List.copyOf(files);
  }

  public void addFile(String place) {
    if (!files.contains(place)) {
      files.add(place);
      changes.fire(Aspect.SETTINGS);
    }
  }

  public void removeFile(String place) {
    if (files.remove(place)) {
      changes.fire(Aspect.SETTINGS);
    }
  }

  public Kept kept() {
    return new Kept(favourites(), last(), files());
  }

  /** Sets it all, as it was kept. */
  public void set(Kept kept) {
    replace(favourites, kept.favourites(), MOST_FAVOURITES);
    replace(last, kept.last(), MOST_LAST);
    replace(files, kept.files(), MOST_FILES);
    changes.fire(Aspect.SETTINGS);
  }

  private static <T> void replace(List<T> all, List<T> by, int most) {
    all.clear();
    if (by != null) {
      by.stream().filter(e -> e != null).distinct().limit(most).forEach(all::add);
    }
  }
}
