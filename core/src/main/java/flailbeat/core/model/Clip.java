package flailbeat.core.model;

import flailbeat.core.model.id.ClipId;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.Collection;
import java.util.List;

/**
 * A stretch of a track with what is in it, which counts from the clip's own start.
 *
 * <p>What begins within the clip sounds: a note as long as it is, though the clip ends before it.
 * What begins beyond its length is kept and does not sound, until the clip is long enough again. A
 * clip that loops begins its content anew after each period, up to its length; there a note ends
 * with its round at the latest, and what begins beyond the period does not sound. A controller
 * holds until its next point, over the seam of the loop and the end of the clip; where that next
 * point is one that is kept and not reached, controllers stand from the last tick on as all of the
 * content would leave them.
 *
 * @param start where it lies in the song, 0 to {@link Ticks#LAST}
 * @param length in ticks; its last bar may end beyond {@link Ticks#LAST}
 * @param period after how many ticks its content begins anew, {@value #SHORTEST_PERIOD} or more;
 *     {@link #NEVER} for a clip that does not loop
 * @param content what is heard
 * @param takes which of its versions the content is, and the others
 * @param traits its name, and how it is heard
 */
public record Clip(
    ClipId id,
    long start,
    long length,
    long period,
    Content content,
    Takes takes,
    ClipTraits traits) {
  /** The period of a clip that does not loop: longer than any song. */
  public static final long NEVER = 4 * Ticks.LAST;

  /** The shortest period: a sixty-fourth note. */
  public static final long SHORTEST_PERIOD = Ticks.WHOLE / 64;

  /** How many notes and values of controllers the loops of a song may sound in all. */
  static final long MOST_SOUNDING = 4_000_000;

  public Clip {
    Ticks.require(start);
    if (length < 0 || start + length > 2 * Ticks.LAST) {
      throw new IllegalArgumentException(
          "A clip at tick " + start + " cannot be " + length + " ticks long");
    }
    if (period < SHORTEST_PERIOD || period > NEVER) {
      throw new IllegalArgumentException("A clip cannot loop every " + period + " ticks");
    }
    requireInSong(start, content);
    takes.others().forEach(t -> requireInSong(start, t.content()));
    if (soundingInLoop(length, period, content) > MOST_SOUNDING) {
      throw new IllegalArgumentException(
          "A clip that loops every " + period + " ticks cannot be " + length + " ticks long");
    }
  }

  /** One without a name, heard as it stands there. */
  public Clip(ClipId id, long start, long length, long period, Content content, Takes takes) {
    this(id, start, length, period, content, takes, ClipTraits.NONE);
  }

  /** How many notes and values sound in a loop; 0 without one. */
  long soundingInLoop() {
    return soundingInLoop(length, period, content);
  }

  private static long soundingInLoop(long length, long period, Content content) {
    long once = content.notes().size() + content.controls().size() + 1L;
    return period < NEVER ? Math.ceilDiv(length, period) * once : 0;
  }

  private static void requireInSong(long start, Content content) {
    if (start + content.end() > Ticks.LAST + 1) {
      throw new IllegalArgumentException(
          "A clip at tick " + start + " cannot hold what ends " + content.end() + " ticks later");
    }
  }

  /**
   * A clip that does not loop, of what is given in song time.
   *
   * @param range begins no later than anything in it
   */
  public static Clip of(
      ClipId id,
      TickRange range,
      Collection<Note> notes,
      Collection<ControlPoint> controls,
      Takes takes) {
    return new Clip(
        id,
        range.start(),
        range.length(),
        NEVER,
        Content.of(notes, controls).shifted(-range.start()),
        takes.shifted(-range.start()));
  }

  /** A clip that was recorded once, of notes in song time. */
  public static Clip of(ClipId id, TickRange range, Collection<Note> notes) {
    return of(id, range, notes, List.of(), Takes.NONE);
  }

  /** A clip of whole bars round these, which are in song time; at least one note or point. */
  public static Clip around(
      ClipId id, Collection<Note> notes, Collection<ControlPoint> controls, MeterMap meters) {
    long start = Long.MAX_VALUE;
    long end = 0;
    for (Note note : notes) {
      start = Math.min(start, note.onset());
      end = Math.max(end, note.end());
    }
    for (ControlPoint point : controls) {
      start = Math.min(start, point.tick());
      end = Math.max(end, point.end());
    }
    return of(id, meters.wholeBars(new TickRange(start, end)), notes, controls, Takes.NONE);
  }

  /** Where it lies in the song. */
  public TickRange range() {
    return new TickRange(start, end());
  }

  /** The tick after its last, in the song. */
  public long end() {
    return start + length;
  }

  /** Whether it holds a tick of the song. */
  public boolean contains(long songTick) {
    return songTick >= start && songTick < end();
  }

  /** Whether its content begins anew within it. */
  public boolean loops() {
    return period < NEVER;
  }

  /** Up to which tick of its own time its content sounds. */
  public long contentLength() {
    return Math.min(length, period);
  }

  /** Whether its notes are to be heard. */
  public boolean isAudible() {
    return !traits.muted();
  }

  /** Whether control points are kept that no round of it reaches. */
  public boolean hidesControls() {
    Sequence<ControlPoint> points = content.controls();
    return !points.isEmpty() && points.getLast().tick() >= contentLength();
  }

  /** Where something that begins at a tick of the song stands in its content. */
  public long ownTick(long songTick) {
    long tick = songTick - start;
    return loops() ? Math.floorMod(tick, period) : tick;
  }

  /** The tick of its own time after which nothing begins any more, in any of its versions. */
  public long contentEnd() {
    long end = content.beginsUntil();
    for (Take take : takes.others()) {
      end = Math.max(end, take.content().beginsUntil());
    }
    return end;
  }

  /** How many of its notes sound, each counted once. */
  public int noteCount() {
    return content.notes().indexAt(contentLength());
  }

  /** Whether no version has anything in it. */
  public boolean isEmpty() {
    return content.isEmpty() && takes.others().stream().allMatch(t -> t.content().isEmpty());
  }

  /** The same elsewhere in the song. */
  public Clip at(long newStart) {
    return newStart == start
        ? this
        : new Clip(id, newStart, length, period, content, takes, traits);
  }

  public Clip withId(ClipId value) {
    return new Clip(value, start, length, period, content, takes, traits);
  }

  /** With its content and no more than that changed. */
  public Clip withContent(Content value) {
    return value == content ? this : new Clip(id, start, length, period, value, takes, traits);
  }

  /** The same of another length, looping or not. */
  public Clip lasting(long newLength, long newPeriod) {
    return new Clip(id, start, newLength, newPeriod, content, takes, traits);
  }

  /** With another of its versions heard. */
  public Clip hearing(Content value, Takes newTakes) {
    return new Clip(id, start, length, period, value, newTakes, traits);
  }

  public Clip withTraits(ClipTraits value) {
    return value.equals(traits) ? this : new Clip(id, start, length, period, content, takes, value);
  }

  /**
   * Whether it and another have one content, and one set of takes: not alike, but the very same.
   */
  public boolean sharesWith(Clip other) {
    return content == other.content && takes == other.takes;
  }

  /** Whether it and another have the same in them. */
  boolean hasSameAs(Clip other) {
    return sharesWith(other) || content.equals(other.content) && takes.equals(other.takes);
  }

  /** With what is in another. */
  Clip sharing(Clip other) {
    return sharesWith(other) ? this : hearing(other.content, other.takes);
  }

  /** A note of its content as it sounds in its first round, in song time. */
  public Note heard(Note own) {
    return traits.heard(own.shifted(start));
  }

  /**
   * A note as it shall stand in the content, of one as it shall sound.
   *
   * @param before the one of the content in whose place it comes
   */
  public Note own(Note heard, Note before) {
    return traits.own(inOwnTime(heard), before);
  }

  /** A new note as it shall stand in the content, of one as it shall sound. */
  public Note own(Note heard) {
    return traits.own(inOwnTime(heard));
  }

  private Note inOwnTime(Note heard) {
    return heard.shifted(ownTick(heard.onset()) - heard.onset());
  }

  /** The same to be heard, with how it is heard written into its notes, in all its versions. */
  public Clip settled() {
    if (!traits.changesNotes()) {
      return this;
    }
    List<Take> others =
        takes.others().stream().map(t -> new Take(t.number(), settled(t.content()))).toList();
    return hearing(settled(content), new Takes(takes.active(), others))
        .withTraits(traits.withTranspose(0).withLouder(0));
  }

  private Content settled(Content of) {
    return of.withNotes(Sequence.ofNotes(of.notes().stream().map(traits::heard).toList()));
  }

  /** Over another stretch of the song, with what is in it where it was; it does not loop. */
  public Clip over(TickRange range) {
    long later = start - range.start();
    return new Clip(
        id,
        range.start(),
        range.length(),
        period,
        content.shifted(later),
        takes.shifted(later),
        traits);
  }

  /**
   * What of it begins in a stretch of the song, under its id; up to its end, also what begins
   * beyond that. Only of a clip that does not loop.
   *
   * @param to no less than {@code from}
   */
  public Clip part(long from, long to) {
    TickRange own = new TickRange(from - start, to == end() ? NEVER : to - start);
    List<Take> others =
        takes.others().stream().map(t -> new Take(t.number(), t.content().part(own))).toList();
    return new Clip(
        id,
        from,
        to - from,
        period,
        content.part(own).shifted(-own.start()),
        new Takes(takes.active(), others).shifted(-own.start()),
        traits);
  }

  /** It as it sounds, in song time. */
  public Placed placed() {
    return Placed.of(List.of(this), range());
  }

  /** Lays it out in song time: shows what sounds in a stretch of the song, in order. */
  public void layOut(TickRange wanted, Layout to) {
    new ClipRounds(this).layOut(wanted, to);
  }
}
