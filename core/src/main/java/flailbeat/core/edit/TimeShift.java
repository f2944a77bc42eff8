package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Sequence;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FileTraits;
import flailbeat.core.model.carried.FromFile;
import flailbeat.core.model.carried.TrackFromFile;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Timeline;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.LongUnaryOperator;

/**
 * Everything from a tick on comes later, by which a gap opens, or earlier, by which a stretch
 * before it is closed. Clips, takes, tempos, meters, sections, what files brought and where tracks
 * end all go along; so does whatever else asks {@link #at}.
 *
 * <p>Notes of a stretch that is closed go. What holds goes on holding: controllers, tempos, meters,
 * keys and other carried events of it come to stand where it began.
 *
 * @param from what stands there or later moves, 0 or more
 * @param by how many ticks later, or earlier where less than 0; no earlier than the song's start
 */
public record TimeShift(long from, long by) {
  public TimeShift {
    if (from < 0 || from + by < 0) {
      throw new IllegalArgumentException("Nothing comes before a song's start");
    }
  }

  /** Closes a stretch: what comes after it follows on what comes before. */
  public static TimeShift closing(TickRange gap) {
    return new TimeShift(gap.end(), -gap.length());
  }

  /** Opens a gap of so many ticks at a tick. */
  public static TimeShift opening(long tick, long ticks) {
    return new TimeShift(tick, ticks);
  }

  /** Where what stands at a tick comes to stand. */
  public long at(long tick) {
    return tick >= from ? tick + by : Math.min(tick, from + Math.min(by, 0));
  }

  /** A range with its ends where they come to stand; empty where nothing is left of it. */
  public Optional<TickRange> of(TickRange range) {
    TickRange moved = new TickRange(at(range.start()), at(range.end()));
    return moved.length() == 0 ? Optional.empty() : Optional.of(moved);
  }

  /**
   * All of a song shifted.
   *
   * @throws IllegalArgumentException where something would come to lie beyond the last tick
   */
  public Song applyTo(Song song) {
    Ids ids = new Ids(song.nextId());
    return ids.recordedIn(withoutTracks(song).mapTracks(t -> applyTo(t, ids)));
  }

  /** What belongs to the whole of a song shifted, and its tracks as they are. */
  public Song withoutTracks(Song song) {
    FromFile file = song.file();
    return song.withTimeline(applyTo(song.timeline()))
        .withFile(
            file.withCarried(applyTo(file.carried()))
                .withOrigin(file.origin().mapTicks(this::atStart)));
  }

  private Timeline applyTo(Timeline timeline) {
    List<TempoMap.Change> tempos =
        timeline.tempos().changes().stream()
            .map(c -> new TempoMap.Change(atStart(c.tick()), c.tempo()))
            .toList();
    List<MeterMap.Change> meters =
        timeline.meters().changes().stream()
            .map(
                c ->
                    new MeterMap.Change(
                        atStart(c.tick()), c.meter(), c.clocks(), c.thirtySeconds()))
            .toList();
    return new Timeline(
        TempoMap.of(tempos),
        MeterMap.of(meters),
        timeline.sections().stream().map(s -> s.at(at(s.tick()))).toList());
  }

  /** What a song begins with it begins with, also where a gap opens before all else. */
  private long atStart(long tick) {
    return tick == 0 ? 0 : at(tick);
  }

  private List<CarriedEvent> applyTo(List<CarriedEvent> events) {
    return events.stream().map(this::applyTo).toList();
  }

  /** What is said or named goes along; what sets the song up stays at its start. */
  private CarriedEvent applyTo(CarriedEvent event) {
    return event.at(event.isInTime() ? at(event.tick()) : atStart(event.tick()));
  }

  /** A track shifted. O(1) for each clip that all of it moves or all of it stays. */
  public Track applyTo(Track track, Ids ids) {
    List<Clip> clips = new ArrayList<>(track.clips().size());
    for (Clip clip : track.clips()) {
      applyTo(clip, ids).ifPresent(clips::add);
    }
    FileTraits traits = track.traits();
    TrackFromFile file =
        new TrackFromFile(
            applyTo(track.carried()),
            new FileTraits(traits.statesProgram(), atStart(traits.endTick())));
    return track.withClips(clips).withFile(file);
  }

  private Optional<Clip> applyTo(Clip clip, Ids ids) {
    boolean stays = clip.end() <= from + Math.min(by, 0);
    if (stays) {
      return Optional.of(clip);
    }
    if (clip.start() >= from) {
      return Optional.of(clip.at(clip.start() + by));
    }
    Clip open = ClipEdits.writtenOut(ClipEdits.own(clip, ids), ids);
    return of(open.range()).map(r -> across(open, r));
  }

  /** A clip that lies across where the gap opens or closes. */
  private Clip across(Clip clip, TickRange range) {
    List<Take> others =
        clip.takes().others().stream()
            .map(t -> new Take(t.number(), across(t.content(), clip, range)))
            .toList();
    return new Clip(
        clip.id(),
        range.start(),
        range.length(),
        clip.period(),
        across(clip.content(), clip, range),
        new Takes(clip.takes().active(), others),
        clip.traits());
  }

  private Content across(Content content, Clip clip, TickRange range) {
    long start = clip.start();
    long newStart = range.start();
    LongUnaryOperator own = tick -> at(tick + start) - newStart;
    // What held as the clip ended holds on its last tick: beyond that it would not sound.
    boolean endsInGap = by < 0 && clip.end() > from + by && clip.end() <= from;
    long last = endsInGap ? Math.max(0, range.length() - 1) : Long.MAX_VALUE;
    Sequence<ControlPoint> controls =
        content
            .controls()
            .map(
                p ->
                    p.at(
                        p.tick() < clip.contentLength()
                            ? Math.min(last, own.applyAsLong(p.tick()))
                            : own.applyAsLong(p.tick())));
    Sequence<Note> notes = content.notes();
    boolean alike = notes.isEmpty() || notes.getFirst().onset() + start >= from;
    if (alike) {
      return new Content(notes.shifted(by + start - newStart), controls);
    }
    List<Note> left = new ArrayList<>();
    for (Note note : notes) {
      long onset = note.onset() + start;
      boolean gone = by < 0 && onset >= from + by && onset < from;
      if (!gone) {
        left.add(note.shifted(own.applyAsLong(note.onset()) - note.onset()));
      }
    }
    return new Content(Sequence.ofNotes(left), controls);
  }
}
