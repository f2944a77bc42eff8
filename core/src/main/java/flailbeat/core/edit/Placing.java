package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Links;
import flailbeat.core.model.Note;
import flailbeat.core.model.Sequence;
import flailbeat.core.model.Timed;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.InOrder;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Finds a clip for every note and control point that comes to a track, or stands elsewhere: the one
 * place that decides where content goes and which clip grows. {@link ClipEdits} states the rule.
 *
 * <p>What is given is in song time. k elements in c clips cost O(k log k + c), and what the clips
 * that they are in cost to be made anew.
 */
public final class Placing {
  private final Track track;
  private final MeterMap meters;
  private final Ids ids;
  private final Links links;
  private final List<Place> places = new ArrayList<>();
  private boolean touched;

  /** A clip on its way. What is put into it is in song time. */
  private static final class Place {
    private final Clip clip;
    private final boolean isNew;
    private final List<Long> goneNotes = new ArrayList<>();
    private final List<Long> goneControls = new ArrayList<>();
    private final List<Note> notes = new ArrayList<>();
    private final List<ControlPoint> controls = new ArrayList<>();
    private long end;
    private boolean grows;

    Place(Clip clip, boolean isNew) {
      this.clip = clip;
      this.isNew = isNew;
      end = clip.end();
      grows = isNew;
    }

    long start() {
      return clip.start();
    }

    boolean contains(long tick) {
      return tick >= start() && tick < end;
    }

    /** Whether what it keeps beyond its end, in any version, would come to be heard. */
    boolean hidesAnything() {
      return end < clip.start() + clip.contentEnd();
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
      return isNew
          || end != clip.end()
          || !goneNotes.isEmpty()
          || !goneControls.isEmpty()
          || !notes.isEmpty()
          || !controls.isEmpty();
    }

    Clip result() {
      Clip grown = end == clip.end() ? clip : clip.lasting(end - start(), clip.period());
      Content kept =
          grown
              .content()
              .withNotes(grown.content().notes().withoutIds(goneNotes))
              .withControls(grown.content().controls().withoutIds(goneControls));
      return grown.withContent(kept.with(own(), inOwnTime(controls)));
    }

    /**
     * What comes to stand in a later round of a loop stands at that place in every round; what the
     * clip sounds otherwise than it stands there is taken off.
     */
    private List<Note> own() {
      List<Note> result = new ArrayList<>(notes.size());
      Sequence<Note> there = clip.content().notes();
      boolean changes = clip.traits().changesNotes();
      for (Note note : notes) {
        Optional<Note> before = changes ? there.find(note.idNumber()) : Optional.empty();
        result.add(before.map(b -> clip.own(note, b)).orElseGet(() -> clip.own(note)));
      }
      return result;
    }

    private List<ControlPoint> inOwnTime(List<ControlPoint> points) {
      List<ControlPoint> result = new ArrayList<>(points.size());
      for (ControlPoint point : points) {
        result.add(point.shifted(clip.ownTick(point.tick()) - point.tick()));
      }
      return result;
    }
  }

  public Placing(Track track, MeterMap meters, Ids ids) {
    this.track = track;
    this.meters = meters;
    this.ids = ids;
    this.links = track.links();
    track.clips().forEach(c -> places.add(new Place(c, false)));
  }

  /**
   * Puts notes and control points in place of those that have their ids; ids that none here has are
   * passed over. One that leaves its clip goes into the clip that is there or, where none is, into
   * a new one of that bar. A controller that would leave the round of a loop stays on its last
   * tick.
   */
  public Placing put(Collection<Note> notes, Collection<ControlPoint> controls) {
    return put(ById.of(notes), ById.of(controls));
  }

  /** The same with what was put in order before. */
  public Placing put(ById<Note> notes, ById<ControlPoint> controls) {
    List<Timed<?>> strays = new ArrayList<>();
    put(notes, strays, c -> c.content().notes());
    put(controls, strays, c -> c.content().controls());
    strays.stream().sorted(Comparator.comparingLong(Timed::tick)).forEach(this::move);
    return this;
  }

  private interface Part<E extends Timed<E>> {
    Sequence<E> of(Clip clip);
  }

  private <E extends Timed<E>> void put(ById<E> changed, List<Timed<?>> strays, Part<E> part) {
    if (changed.isEmpty()) {
      return;
    }
    for (Place place : places) {
      if (links.follows(place.clip)) {
        continue;
      }
      for (E there : part.of(place.clip).findAll(changed.ids())) {
        put(place, changed.get(there.idNumber()), strays);
      }
    }
  }

  private void put(Place place, Timed<?> element, List<Timed<?>> strays) {
    touched = true;
    Place there = place.contains(element.tick()) ? place : sharing(place, element.tick());
    if (there != null) {
      Timed<?> own = inTimeOf(place, there, element);
      place.add(own instanceof ControlPoint point ? withinRound(place.clip, point) : own);
    } else {
      place.take(element);
      strays.add(element);
    }
  }

  /** The clip at a tick, where it shares what is in another; null for none. */
  private Place sharing(Place with, long tick) {
    if (!with.clip.traits().isLinked()) {
      return null;
    }
    int at = indexAtOrBefore(tick);
    boolean shares = at >= 0 && places.get(at).contains(tick) && host(places.get(at)) == with;
    return shares ? places.get(at) : null;
  }

  /** The clip that speaks for what is in one. */
  private Place host(Place place) {
    if (!links.follows(place.clip)) {
      return place;
    }
    ClipId leader = links.leader(place.clip).id();
    return places.stream().filter(p -> p.clip.id().equals(leader)).findFirst().orElseThrow();
  }

  /** What stands at a place of one clip, at the same place of one that shares its content. */
  private static Timed<?> inTimeOf(Place host, Place there, Timed<?> element) {
    if (host == there) {
      return element;
    }
    long later = host.start() + there.clip.ownTick(element.tick()) - element.tick();
    return element instanceof Note note
        ? note.shifted(later)
        : ((ControlPoint) element).shifted(later);
  }

  private static ControlPoint withinRound(Clip clip, ControlPoint point) {
    return clip.loops() && point.tick() >= clip.start() + clip.period()
        ? point.at(clip.start() + clip.period() - 1)
        : point;
  }

  /**
   * Adds what a person enters, whose ids none has yet: into the clip that is there; else into one
   * that ends in or just before its bar, which grows by bars; else into a new clip of that bar. A
   * clip that loops, has takes, shares its content or keeps anything beyond its end does not grow.
   */
  public Placing enter(Collection<Note> notes, Collection<ControlPoint> controls) {
    return add(notes, controls, Optional.empty());
  }

  /**
   * Adds what was recorded over a stretch, whose ids none has yet: the same, but what lies in the
   * stretch belongs together, however many empty bars lie in between.
   */
  Placing record(Collection<Note> notes, Collection<ControlPoint> controls, TickRange stretch) {
    return add(notes, controls, Optional.of(meters.wholeBars(stretch)));
  }

  private Placing add(
      Collection<Note> notes, Collection<ControlPoint> controls, Optional<TickRange> together) {
    List<Timed<?>> added = new ArrayList<>(notes.size() + controls.size());
    added.addAll(notes);
    added.addAll(controls);
    added.sort(Comparator.comparingLong(Timed::tick));
    added.forEach(e -> add(e, together));
    return this;
  }

  private void add(Timed<?> element, Optional<TickRange> together) {
    place(element, together, true);
  }

  private void move(Timed<?> element) {
    place(element, Optional.empty(), false);
  }

  private void place(Timed<?> element, Optional<TickRange> together, boolean isNew) {
    touched = true;
    long tick = element.tick();
    int at = indexAtOrBefore(tick);
    if (at >= 0 && places.get(at).contains(tick)) {
      Place host = host(places.get(at));
      host.add(inTimeOf(host, places.get(at), element));
      return;
    }
    TickRange bar = meters.barRangeAt(tick);
    TickRange stretch = together.filter(t -> t.contains(tick)).orElse(bar);
    long end = at < 0 ? 0 : places.get(at).end;
    if (at >= 0 && adjoins(end, stretch, together) && canGrow(places.get(at), isNew)) {
      places.get(at).end = Math.min(bar.end(), startOf(at + 1));
      places.get(at).grows = true;
      places.get(at).add(element);
    } else {
      long first = Math.max(stretch.start(), end);
      long last = Math.min(Math.max(bar.end(), stretch.end()), startOf(at + 1));
      Place fresh = new Place(Clip.of(ids.clip(), new TickRange(first, last), List.of()), true);
      places.add(at + 1, fresh);
      fresh.add(element);
    }
  }

  /** What is recorded beside a clip is another clip; what is recorded on from within it is not. */
  private static boolean adjoins(long end, TickRange stretch, Optional<TickRange> together) {
    return together.isPresent() ? end > stretch.start() : end >= stretch.start();
  }

  /** Only for what is new does a clip grow; one that came about here does so anyway. */
  private static boolean canGrow(Place place, boolean forNew) {
    return place.isNew
        || forNew
            && !place.clip.loops()
            && !place.clip.takes().isChoice()
            && !place.clip.traits().isLinked()
            && !place.hidesAnything();
  }

  /** The last clip that starts at or before a tick; -1 for none. */
  private int indexAtOrBefore(long tick) {
    return InOrder.countPassing(places.size(), i -> places.get(i).start() <= tick) - 1;
  }

  private long startOf(int index) {
    return index < places.size() ? places.get(index).start() : Long.MAX_VALUE;
  }

  /** The track with all of it in clips; the very track when nothing came to it. */
  public Track track() {
    if (!touched) {
      return track;
    }
    List<Clip> result = new ArrayList<>(places.size());
    for (int i = 0; i < places.size(); i++) {
      Place place = places.get(i);
      if (place.grows) {
        coverEnds(place, startOf(i + 1));
      }
      result.add(place.isChanged() ? place.result() : place.clip);
    }
    return track.withClips(result);
  }

  /**
   * A clip that is new, or grows anyway, holds its new notes to their ends, up to its neighbour.
   */
  private void coverEnds(Place place, long neighbour) {
    long last = place.notes.stream().mapToLong(Note::end).max().orElse(0);
    if (last > place.end) {
      long bars = meters.wholeBars(new TickRange(place.start(), last)).end();
      place.end = Math.max(place.end, Math.min(bars, neighbour));
    }
  }
}
