package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Sequence;
import flailbeat.core.model.Timed;
import flailbeat.core.model.Track;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Finds a clip for every note and control point that comes to a track, or stands elsewhere. */
final class Placing {
  private final Track track;
  private final MeterMap meters;
  private final Ids ids;
  private final List<Place> places = new ArrayList<>();
  private boolean touched;

  /** A clip on its way. What is put into it is in song time. */
  private static final class Place {
    private final Clip clip;
    private final List<Long> goneNotes = new ArrayList<>();
    private final List<Long> goneControls = new ArrayList<>();
    private final List<Note> notes = new ArrayList<>();
    private final List<ControlPoint> controls = new ArrayList<>();
    private long start;
    private long end;

    Place(Clip clip) {
      this.clip = clip;
      start = clip.start();
      end = clip.end();
    }

    boolean contains(long tick) {
      return tick >= start && tick < end;
    }

    // Told apart by instanceof: a switch over types takes far longer before it is compiled well.
    void add(Timed<?> element) {
      if (element instanceof Note note) {
        notes.add(note);
      } else if (element instanceof ControlPoint point) {
        controls.add(point);
      }
    }

    void take(Timed<?> element) {
      (element instanceof Note ? goneNotes : goneControls).add(element.idNumber());
    }

    boolean isChanged() {
      return start != clip.start()
          || end != clip.end()
          || !goneNotes.isEmpty()
          || !goneControls.isEmpty()
          || !notes.isEmpty()
          || !controls.isEmpty();
    }

    Clip result() {
      Clip grown =
          start == clip.start() && end == clip.end() ? clip : clip.over(new TickRange(start, end));
      Content kept =
          grown
              .content()
              .withNotes(grown.content().notes().withoutIds(goneNotes))
              .withControls(grown.content().controls().withoutIds(goneControls));
      return grown.withContent(kept.with(inOwnTime(notes), inOwnTime(controls)));
    }

    /** What comes to stand in a later round of a loop stands at that place in every round. */
    private <E extends Timed<E>> List<E> inOwnTime(List<E> elements) {
      List<E> result = new ArrayList<>(elements.size());
      for (E element : elements) {
        long tick = element.tick() - start;
        long own = clip.loops() ? Math.floorMod(tick, clip.period()) : tick;
        result.add(element.shifted(own - element.tick()));
      }
      return result;
    }
  }

  Placing(Track track, MeterMap meters, Ids ids) {
    this.track = track;
    this.meters = meters;
    this.ids = ids;
    track.clips().forEach(c -> places.add(new Place(c)));
  }

  /**
   * Puts notes and control points, in song time, in place of those that have their ids; ids that
   * none here has are passed over.
   */
  Placing put(Collection<Note> notes, Collection<ControlPoint> controls) {
    List<Stray> strays = new ArrayList<>();
    List<Note> notesById = inOrderOfId(notes);
    List<ControlPoint> controlsById = inOrderOfId(controls);
    for (Place place : places) {
      put(place, place.clip.content().notes(), notesById, strays);
      put(place, place.clip.content().controls(), controlsById, strays);
    }
    strays.forEach(s -> place(s.element(), Optional.of(s.home())));
    return this;
  }

  private record Stray(Timed<?> element, Place home) {}

  private <E extends Timed<E>> void put(
      Place place, Sequence<E> there, List<E> changed, List<Stray> strays) {
    for (E element : ofIdsIn(there, changed)) {
      touched = true;
      if (place.contains(element.tick())) {
        place.add(element);
      } else {
        place.take(element);
        strays.add(new Stray(element, place));
      }
    }
  }

  /** Those of some elements, in order of id, whose ids are in a sequence. */
  private static <E extends Timed<E>> List<E> ofIdsIn(Sequence<E> there, List<E> changed) {
    List<E> known = there.findAll(changed.stream().mapToLong(Timed::idNumber).toArray());
    if (known.size() == changed.size()) {
      return changed;
    }
    List<E> result = new ArrayList<>(known.size());
    int at = 0;
    for (E element : changed) {
      if (at < known.size() && known.get(at).idNumber() == element.idNumber()) {
        result.add(element);
        at++;
      }
    }
    return result;
  }

  private static <E extends Timed<E>> List<E> inOrderOfId(Collection<E> elements) {
    List<E> result = new ArrayList<>(elements);
    for (int i = 1; i < result.size(); i++) {
      if (result.get(i - 1).idNumber() > result.get(i).idNumber()) {
        result.sort(Comparator.comparingLong(Timed::idNumber));
        break;
      }
    }
    return result;
  }

  /**
   * Adds notes and control points, in song time, whose ids none has yet. Outside all clips they let
   * the clip before them grow or, where there is none, the one after them.
   */
  Placing add(Collection<Note> notes, Collection<ControlPoint> controls) {
    notes.forEach(n -> place(n, Optional.empty()));
    controls.forEach(c -> place(c, Optional.empty()));
    return this;
  }

  /**
   * Adds notes where a person puts them, in song time, whose ids none has yet: into the clip that
   * is there; else into one that ends in or just before their bar, which grows by bars; else into a
   * new clip of that bar. A clip that keeps notes beyond its end does not grow: they would sound.
   */
  Placing enter(Collection<Note> notes) {
    notes.forEach(this::enter);
    return this;
  }

  private void enter(Note note) {
    touched = true;
    int at = indexAtOrBefore(note.onset());
    if (at >= 0 && places.get(at).contains(note.onset())) {
      places.get(at).add(note);
      return;
    }
    TickRange bar = meters.barRangeAt(note.onset());
    long first = Math.max(bar.start(), at < 0 ? 0 : places.get(at).end);
    long last = Math.min(bar.end(), startOf(at + 1));
    boolean grows = at >= 0 && places.get(at).end == first && !hidesNotes(places.get(at).clip);
    Optional<Place> before = grows ? growing(at) : Optional.empty();
    if (before.isPresent()) {
      before.get().end = last;
      before.get().add(note);
    } else {
      Place fresh = new Place(Clip.of(ids.clip(), new TickRange(first, last), List.of()));
      places.add(at + 1, fresh);
      fresh.add(note);
    }
  }

  private static boolean hidesNotes(Clip clip) {
    return clip.noteCount() < clip.content().notes().size();
  }

  private void place(Timed<?> element, Optional<Place> from) {
    touched = true;
    long tick = element.tick();
    int at = indexAtOrBefore(tick);
    if (at >= 0 && places.get(at).contains(tick)) {
      places.get(at).add(element);
      return;
    }
    TickRange bar = meters.barRangeAt(tick);
    long first = Math.max(bar.start(), at < 0 ? 0 : places.get(at).end);
    long last = Math.min(bar.end(), startOf(at + 1));
    Optional<Place> before = at < 0 ? Optional.empty() : growing(at);
    Optional<Place> after = at + 1 < places.size() ? growing(at + 1) : Optional.empty();
    Optional<Place> home = from.or(() -> before).or(() -> after);
    if (home.isPresent() && home.equals(before)) {
      home.get().end = last;
    } else if (home.isPresent() && home.equals(after)) {
      home.get().start = first;
    } else {
      home = Optional.of(new Place(Clip.of(ids.clip(), new TickRange(first, last), List.of())));
      places.add(at + 1, home.get());
    }
    home.get().add(element);
  }

  /** A place that can grow: one that loops keeps its length. */
  private Optional<Place> growing(int index) {
    return Optional.of(places.get(index)).filter(p -> !p.clip.loops());
  }

  /** The last clip that starts at or before a tick; -1 for none. */
  private int indexAtOrBefore(long tick) {
    int low = 0;
    int high = places.size();
    while (low < high) {
      int mid = (low + high) >>> 1;
      if (places.get(mid).start <= tick) {
        low = mid + 1;
      } else {
        high = mid;
      }
    }
    return low - 1;
  }

  private long startOf(int index) {
    return index < places.size() ? places.get(index).start : Long.MAX_VALUE;
  }

  /** The track with all of it in clips; the very track when nothing came to it. */
  Track track() {
    if (!touched) {
      return track;
    }
    List<Clip> result = new ArrayList<>(places.size());
    for (int i = 0; i < places.size(); i++) {
      Place place = places.get(i);
      long last = lastEnd(place.notes);
      if (last > place.end && !place.clip.loops()) {
        long bars = meters.wholeBars(new TickRange(place.start, last)).end();
        place.end = Math.max(place.end, Math.min(bars, startOf(i + 1)));
      }
      result.add(place.isChanged() ? place.result() : place.clip);
    }
    return track.withClips(result);
  }

  private static long lastEnd(List<Note> notes) {
    return notes.stream().mapToLong(Note::end).max().orElse(0);
  }
}
