package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * Where clips stand. A note belongs to the clip in which it begins. One that comes to begin outside
 * its clip goes to the clip that is there; else its own clip grows to the whole bar that it begins
 * in, up to its neighbour; else, with another clip in between, a clip of that bar is made for it. A
 * note that rings on beyond its clip lets it grow as well, up to its neighbour.
 */
public final class ClipEdits {
  private ClipEdits() {}

  /** With each clip's notes put through a function; this very track when all come back the same. */
  static Track mapNotes(Track track, UnaryOperator<List<Note>> change, MeterMap meters) {
    List<List<Note>> changed = new ArrayList<>();
    boolean same = true;
    for (Clip clip : track.clips()) {
      List<Note> notes = change.apply(clip.notes());
      same &= notes == clip.notes();
      changed.add(notes);
    }
    return same ? track : track.withClips(new Placing(track.clips(), changed, meters).clips());
  }

  /**
   * Clips in order and apart. Those that overlap become one, with the notes that are heard in any
   * of them, and all their other takes.
   */
  public static List<Clip> apart(List<Clip> clips) {
    List<Clip> result = new ArrayList<>();
    for (Clip clip :
        clips.stream().sorted(Comparator.comparingLong(c -> c.range().start())).toList()) {
      boolean overlaps = !result.isEmpty() && result.getLast().range().end() > clip.range().start();
      result.add(overlaps ? joined(result.removeLast(), clip) : clip);
    }
    return result;
  }

  private static Clip joined(Clip first, Clip second) {
    List<Note> notes = new ArrayList<>(first.notes());
    notes.addAll(second.notes());
    List<Take> others = new ArrayList<>(first.takes().others());
    int number = first.takes().last();
    for (Take take : second.takes().others()) {
      others.add(new Take(++number, take.notes(), take.controls()));
    }
    TickRange range = first.range().span(second.range());
    return Clip.of(range, notes, new Takes(first.takes().heard(), others));
  }

  /** Finds a clip for every note. */
  private static final class Placing {
    private final MeterMap meters;
    private final List<Place> places = new ArrayList<>();

    /** A clip on its way: the one that it was, if it was there before. */
    private static final class Place {
      private final Clip before;
      private long start;
      private long end;
      private List<Note> notes;
      private boolean changed;

      Place(Clip before, TickRange range) {
        this.before = before;
        this.start = range.start();
        this.end = range.end();
        this.notes = before == null ? new ArrayList<>() : before.notes();
        this.changed = before == null;
      }

      boolean contains(long tick) {
        return tick >= start && tick < end;
      }

      void add(Note note) {
        if (!changed) {
          notes = new ArrayList<>(notes);
          changed = true;
        }
        notes.add(note);
      }

      Clip clip() {
        Takes takes = before == null ? Takes.NONE : before.takes();
        return changed ? Clip.of(new TickRange(start, end), notes, takes) : before;
      }
    }

    private record Stray(Note note, Place home) {}

    Placing(List<Clip> clips, List<List<Note>> changed, MeterMap meters) {
      this.meters = meters;
      List<Stray> strays = new ArrayList<>();
      for (int i = 0; i < clips.size(); i++) {
        Place place = new Place(clips.get(i), clips.get(i).range());
        places.add(place);
        if (changed.get(i) != clips.get(i).notes()) {
          place.notes = new ArrayList<>();
          place.changed = true;
          for (Note note : changed.get(i)) {
            if (place.contains(note.onset())) {
              place.notes.add(note);
            } else {
              strays.add(new Stray(note, place));
            }
          }
        }
      }
      strays.forEach(this::place);
    }

    private void place(Stray stray) {
      long onset = stray.note().onset();
      int at = indexAtOrBefore(onset);
      if (at >= 0 && places.get(at).contains(onset)) {
        places.get(at).add(stray.note());
        return;
      }
      TickRange bar = meters.barRangeAt(onset);
      long from = Math.max(bar.start(), at < 0 ? 0 : places.get(at).end);
      long to = Math.min(bar.end(), startOf(at + 1));
      Place home = stray.home();
      if (at >= 0 && places.get(at) == home) {
        home.end = to;
      } else if (at + 1 < places.size() && places.get(at + 1) == home) {
        home.start = from;
      } else {
        home = new Place(null, new TickRange(from, to));
        places.add(at + 1, home);
      }
      home.add(stray.note());
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

    List<Clip> clips() {
      List<Clip> result = new ArrayList<>(places.size());
      for (int i = 0; i < places.size(); i++) {
        Place place = places.get(i);
        long last = place.changed ? lastEnd(place.notes) : 0;
        if (last > place.end) {
          long bars = meters.wholeBars(new TickRange(place.start, last)).end();
          place.end = Math.max(place.end, Math.min(bars, startOf(i + 1)));
        }
        result.add(place.clip());
      }
      return result;
    }

    private static long lastEnd(List<Note> notes) {
      return notes.stream().mapToLong(Note::end).max().orElse(0);
    }
  }
}
