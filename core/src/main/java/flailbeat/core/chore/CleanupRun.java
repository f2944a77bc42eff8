package flailbeat.core.chore;

import flailbeat.core.edit.Chords;
import flailbeat.core.edit.SilentStart;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.edit.shapes.ControlThinning;
import flailbeat.core.edit.shapes.VelocityTools;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.ObjIntConsumer;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;

/**
 * What the chores that come with the application do to the notes and controllers of an area. Each
 * costs O(n log n) for n of them.
 */
final class CleanupRun {
  /** Of doubles the longest is kept, of equally long ones the loudest, then the first. */
  private static final Comparator<Note> KEPT_FIRST =
      Comparator.comparingLong((Note n) -> -n.length()).thenComparingInt(n -> -n.velocity());

  private static final Comparator<Note> BY_PITCH = Comparator.comparingInt(Note::pitch);

  private final Area area;
  private final TempoMap tempos;
  private final Draft draft;

  CleanupRun(Area area, Draft draft) {
    this.area = area;
    this.tempos = area.song().tempos();
    this.draft = draft;
  }

  void removeShort(int millis) {
    for (Area.Part part : area.parts()) {
      for (Note note : part.notes()) {
        if (tempos.millisBetween(note.onset(), note.end()) < millis) {
          draft.remove(note);
        }
      }
    }
  }

  /**
   * Doubles are notes of one pitch that begin no later than this after the first of them: one of
   * them stays.
   */
  void removeDoubles(int millis) {
    for (Area.Part part : area.parts()) {
      NoteTools.byPitch(part.notes()).values().forEach(alike -> removeDoubles(alike, millis));
    }
  }

  private void removeDoubles(List<Note> alike, int millis) {
    for (int from = 0; from < alike.size(); ) {
      int to = from + 1;
      while (to < alike.size()
          && tempos.millisBetween(alike.get(from).onset(), alike.get(to).onset()) <= millis) {
        to++;
      }
      if (to - from > 1) {
        keepOne(alike.subList(from, to));
      }
      from = to;
    }
  }

  private void keepOne(List<Note> doubles) {
    Note kept = doubles.stream().min(KEPT_FIRST).orElseThrow();
    doubles.stream().filter(n -> n != kept).forEach(draft::remove);
  }

  void trimOverlaps() {
    area.parts().forEach(p -> NoteTools.withoutOverlaps(p.notes()).forEach(draft::change));
  }

  /** A note that ends a little before the next of its part begins lasts until then. */
  void closeGaps(int millis) {
    for (Area.Part part : area.parts()) {
      long[] onsets = Chords.starts(part.notes(), tempos);
      for (Note note : part.notes()) {
        int found = Arrays.binarySearch(onsets, note.end());
        int next = found >= 0 ? onsets.length : -found - 1;
        if (next < onsets.length && tempos.millisBetween(note.end(), onsets[next]) < millis) {
          draft.change(note, note.resized(onsets[next] - note.onset()));
        }
      }
    }
  }

  /** Each note as loud as a function says, within 1 to 127. */
  void velocities(ToDoubleFunction<Note> velocity) {
    area.parts().forEach(part -> velocities(part, velocity));
  }

  private void velocities(Area.Part part, ToDoubleFunction<Note> velocity) {
    for (Note note : part.notes()) {
      draft.change(note, note.asLoudAs(velocity.applyAsDouble(note)));
    }
  }

  void squeeze(int percent) {
    int centre = VelocityTools.centre(area.parts().stream().flatMap(p -> p.notes().stream()));
    velocities(VelocityTools.squeezed(centre, percent));
  }

  /** From the velocity of each part's first note, evenly in time. */
  void fade(int to) {
    for (Area.Part part : area.parts()) {
      if (!part.notes().isEmpty()) {
        velocities(
            part, VelocityTools.ramped(part.notes(), part.notes().getFirst().velocity(), to));
      }
    }
  }

  void octavesBelow(int voices) {
    for (Area.Part part : area.parts()) {
      if (!part.isKit()) {
        Octaves octaves = new Octaves(part, draft);
        int[] sizes = Chords.sizes(part.notes(), tempos);
        for (int from = 0; from < sizes.length; from += sizes[from]) {
          List<Note> chord = part.notes().subList(from, from + sizes[from]);
          if (chord.size() < voices) {
            octaves.add(Collections.min(chord, BY_PITCH), -Pitch.OCTAVE);
          }
        }
      }
    }
  }

  /** Shows each note that lies outside the scale, with the degree that is next to it. */
  void eachOutside(ObjIntConsumer<Note> to) {
    int[] degrees = new int[Pitch.HIGHEST + 1];
    Arrays.setAll(degrees, area.key()::nearest);
    for (Area.Part part : area.parts()) {
      if (!part.isKit()) {
        for (Note note : part.notes()) {
          if (degrees[note.pitch()] != note.pitch()) {
            to.accept(note, degrees[note.pitch()]);
          }
        }
      }
    }
  }

  /**
   * All comes earlier by the whole bars before the first note: places in the bar stay. Of tracks,
   * clips move; of a clip or a selection what is in it does. Of the whole song, tempos, meters and
   * markers come earlier with it.
   */
  void trimSilence() {
    boolean clips = area.reach() == Reach.TRACK || area.reach() == Reach.SONG;
    List<Track> tracks = area.parts().stream().map(Area.Part::track).toList();
    long by = clips ? SilentStart.of(area.song(), tracks) : silenceWithin();
    boolean none = area.parts().stream().allMatch(p -> p.notes().isEmpty());
    if (by <= 0 || none) {
      return;
    }
    for (Area.Part part : area.parts()) {
      part.notes().forEach(n -> draft.change(n, n.shifted(-by)));
      if (area.reach() == Reach.SELECTION && !part.isInLoop()) {
        moveControlsAlong(part, -by);
      } else {
        long first =
            clips ? 0 : part.track().clipAt(part.range().start()).map(Clip::start).orElse(0L);
        for (ControlPoint point : part.controls()) {
          draft.move(point, point.at(Math.max(first, point.tick() - by)));
        }
      }
    }
    if (clips) {
      Set<TrackId> ids = tracks.stream().map(Track::id).collect(Collectors.toSet());
      draft.trim(ids, by, area.reach() == Reach.SONG);
    }
  }

  /** What hands and feet did while the notes were played goes along with them. */
  private void moveControlsAlong(Area.Part part, long later) {
    Map<Controller, Integer> counts = new LinkedHashMap<>();
    for (ControlPoint point : part.controls()) {
      Controller.of(point.control())
          .filter(Controller::isPerformed)
          .ifPresent(c -> counts.merge(c, 1, Integer::sum));
    }
    counts.forEach(
        (of, count) ->
            draft.moveAlong(new Outcome.Along(part.track().id(), of, part.range(), later, count)));
  }

  private long silenceWithin() {
    MeterMap meters = area.song().meters();
    long first =
        area.parts().stream()
            .filter(p -> !p.notes().isEmpty())
            .mapToLong(p -> p.notes().getFirst().onset())
            .min()
            .orElse(0);
    long from =
        area.reach() == Reach.CLIP
            ? area.parts().stream().mapToLong(p -> p.range().start()).min().orElse(0)
            : 0;
    TickRange bar = meters.barRangeAt(from);
    return meters.barRangeAt(first).start() - (bar.start() < from ? bar.end() : bar.start());
  }

  void thin(int tolerance) {
    for (Area.Part part : area.parts()) {
      Map<Controller, List<ControlPoint>> points = new LinkedHashMap<>();
      for (ControlPoint point : part.controls()) {
        Controller.of(point.control())
            .ifPresent(c -> points.computeIfAbsent(c, x -> new ArrayList<>()).add(point));
      }
      points.forEach(
          (of, all) ->
              draft.thin(
                  ControlThinning.superfluous(
                      part.track(), all, of.isSwitch() ? 0 : of.share(tolerance))));
    }
  }

  /**
   * Marks the softest notes: so many that are no louder than the last of the share or, where that
   * would be more than twice as many, those softer than it. A part played evenly has none.
   */
  void markQuietest(int percent) {
    List<Note> all = new ArrayList<>();
    area.parts().forEach(p -> all.addAll(p.notes()));
    if (all.isEmpty()) {
      return;
    }
    int[] sorted = all.stream().mapToInt(Note::velocity).sorted().toArray();
    int wanted = Math.max(1, sorted.length * percent / 100);
    int limit = sorted[wanted - 1];
    long within = Arrays.stream(sorted).filter(v -> v <= limit).count();
    boolean tooMany = within > 2L * wanted;
    for (Note note : all) {
      if (note.velocity() < limit || !tooMany && note.velocity() == limit) {
        draft.mark(note);
      }
    }
  }
}
