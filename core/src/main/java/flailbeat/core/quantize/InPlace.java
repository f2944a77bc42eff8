package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.quantize.lag.LagPrior;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.LongStream;

/**
 * What of a song is in place already beside the notes that are quantized: parts that were drawn,
 * stepped in, imported or quantized before, and stand on lines. Their onsets say where the beat is,
 * and those that were played and moved how late the person is. Immutable.
 */
public final class InPlace {
  /** Nothing is. */
  public static final InPlace NOTHING = new InPlace(new long[0], List.of());

  /** Fewer notes are no part. */
  private static final int LEAST_NOTES = 4;

  /** So many of a part's notes stand on lines, if it is in place. */
  private static final double ON_LINES = 0.9;

  /** A line may stand a tick beside where it is written. */
  private static final int NEAR = 1;

  /** So many notes of each part are looked at. */
  private static final int MOST_OF_A_PART = 5000;

  private final long[] onsets;
  private final List<Double> lagsMs;

  private InPlace(long[] onsets, List<Double> lagsMs) {
    this.onsets = onsets;
    this.lagsMs = List.copyOf(lagsMs);
  }

  /**
   * What is in place where some notes of a track are. O(n) for the notes that are there.
   *
   * @param notes those that are quantized
   * @param others those of their track that keep their places
   * @param settings whose lines count
   */
  public static InPlace beside(
      Song song, TrackId track, List<Note> notes, List<Note> others, QuantizeSettings settings) {
    if (notes.isEmpty() || settings.method() != QuantizeSettings.Method.FIT) {
      return NOTHING;
    }
    TickRange stretch = around(notes, song);
    GridLines lines =
        new GridLines(settings.grid(), song.meters(), settings.swing(), settings.groove());
    List<long[]> onsets = new ArrayList<>();
    List<Double> lagsMs = new ArrayList<>();
    for (Track each : song.tracks()) {
      boolean own = each.id().equals(track);
      List<Note> there = own ? others : each.soundingBeginningIn(stretch);
      List<Note> part = there.subList(0, Math.min(MOST_OF_A_PART, there.size()));
      if (isInPlace(part, lines)) {
        onsets.add(part.stream().mapToLong(Note::onset).toArray());
      }
      // Whatever lines it was moved to, and however far.
      lagOf(part, song.tempos()).ifPresent(lagsMs::add);
    }
    long[] all = onsets.stream().flatMapToLong(LongStream::of).sorted().distinct().toArray();
    return all.length == 0 && lagsMs.isEmpty() ? NOTHING : new InPlace(all, lagsMs);
  }

  /** Whole bars, with one more to either side. */
  private static TickRange around(List<Note> notes, Song song) {
    long first = Long.MAX_VALUE;
    long last = 0;
    for (Note note : notes) {
      first = Math.min(first, Math.max(0, Math.min(note.onset(), note.played().onset())));
      last = Math.max(last, Math.max(note.onset(), note.played().onset()));
    }
    int bar = Math.max(0, song.meters().barAt(first) - 1);
    return new TickRange(
        song.meters().barStart(bar),
        song.meters().barStart(song.meters().barAt(Math.min(last, Ticks.LAST)) + 2));
  }

  private static boolean isInPlace(List<Note> part, GridLines lines) {
    if (part.size() < LEAST_NOTES) {
      return false;
    }
    GridLines.Walker walker = lines.walker();
    int on = 0;
    for (Note note : part) {
      walker.find(note.onset());
      on += Math.abs(note.onset() - walker.line()) <= NEAR ? 1 : 0;
    }
    return on >= ON_LINES * part.size();
  }

  /** How late a part was played that was moved since; empty for one that was not. */
  private static Optional<Double> lagOf(List<Note> part, TempoMap tempos) {
    double[] late =
        part.stream()
            .filter(n -> n.played().isPerformed() && n.playedOff() != 0)
            .mapToDouble(n -> tempos.millisBetween(n.onset(), n.played().onset()))
            .toArray();
    return late.length < Math.max(LEAST_NOTES, part.size() / 2)
        ? Optional.empty()
        : Optional.of(Timing.of(late).lagMs());
  }

  /** Where notes that are in place begin, in order, each tick once. */
  long[] onsets() {
    return onsets;
  }

  /** What is to be expected of the lag of one of whom so much is known otherwise. */
  LagPrior expected(LagPrior otherwise) {
    return otherwise.learned() || lagsMs.isEmpty() ? otherwise : LagPrior.ofParts(lagsMs);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof InPlace that
        && Arrays.equals(onsets, that.onsets)
        && lagsMs.equals(that.lagsMs);
  }

  @Override
  public int hashCode() {
    return 31 * Arrays.hashCode(onsets) + lagsMs.hashCode();
  }
}
