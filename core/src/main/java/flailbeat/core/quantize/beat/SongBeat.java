package flailbeat.core.quantize.beat;

import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Finds the tempo, the beat and the bars of a song whose parts were played together with no click.
 *
 * <p>Ways to count are begun from the parts by themselves and from all of them ({@link
 * BeatFinder}); each is then weighed by all rows of strokes, with a lag for each ({@link Hearing}),
 * and by each bar there may be ({@link Bar}), begun on each beat of it. A long rest parts a song:
 * its longest stretch says what it is in, and the others are counted alike.
 */
public final class SongBeat {
  private static final double USUAL_BPM = 108;
  private static final double USUAL_SPREAD = 0.21;
  private static final double MS_PER_MINUTE = 60_000;
  private static final int ALONE = 3;
  private static final int LIKELY = 16;

  /** So many ways to count are tried with an end that slows down, over so many beats at most. */
  private static final int SLOWED = 8;

  private static final double MOST_SLOW_BEATS = 18;

  /** A tempo that falls is rarer than one that stays. */
  private static final double SLOWING_COSTS = 6;

  private static final int TOLD_OTHERWISE = 5;

  /** From 40 to 220 beats a minute. */
  private static final double LONGEST_MS = 1500;

  private static final double SHORTEST_MS = 273;
  private static final double ONE_TEMPO = 0.02;
  private static final double ONE_PLACE = 0.12;
  private static final double ONE_BEAT = 0.25;

  /** By so much the model is surer than it is right: measured, see docs/quantizing.md. */
  private static final double CAUTION = 0.25;

  /** Strokes of several rows that are one: their lags differ by so much. */
  private static final double TOGETHER_MS = 70;

  /** A silence that lasts longer parts a song: nobody counts through it. */
  private static final double REST_MS = 6_000;

  /** What lies behind a rest is taken up at about the same tempo. */
  private static final double TEMPO_AFTER_REST = 0.1;

  private final List<Row> rows = new ArrayList<>();
  private final List<SongBeat> others = new ArrayList<>();

  /** Of the parts of a song. */
  public SongBeat(List<Voice> voices) {
    List<List<Voice>> stretches = stretches(voices);
    List<Voice> longest =
        stretches.stream()
            .max(Comparator.comparingInt(s -> s.stream().mapToInt(Voice::size).sum()))
            .orElse(voices);
    longest.stream().map(Row::of).forEach(rows::addAll);
    stretches.stream().filter(s -> s != longest).map(SongBeat::new).forEach(others::add);
  }

  /** The stretches of a song between long rests, in order; none where there is no rest. */
  private static List<List<Voice>> stretches(List<Voice> voices) {
    double[] all = voices.stream().flatMapToDouble(v -> Arrays.stream(v.ms())).sorted().toArray();
    List<List<Voice>> result = new ArrayList<>();
    int from = 0;
    for (int i = 1; i <= all.length; i++) {
      boolean whole = i == all.length && from == 0;
      if (!whole && (i == all.length || all[i] - all[i - 1] > REST_MS)) {
        double start = all[from];
        double end = all[i - 1] + 1;
        result.add(voices.stream().map(v -> v.within(start, end)).toList());
        from = i;
      }
    }
    return result;
  }

  /** A way to count with bars, and how well it explains everything. */
  record Weighed(Hearing hearing, Bar bar, int begins, double weight) {}

  /**
   * What was found.
   *
   * @param guesses the best few ways to hear it, the likeliest first; none for fewer than four
   *     strokes
   * @param tempo how likely the tempo of the first is, whatever the meter and the bar line
   * @param meter how likely its meter is, whatever else
   */
  public record Found(List<BeatGuess> guesses, double tempo, double meter) {
    public Found {
      guesses = List.copyOf(guesses);
    }
  }

  /** Finds the beat. */
  public Found find(Progress progress) {
    double share = 1.0 / (1 + others.size());
    List<Weighed> all = weighed(progress.part(0, share));
    if (all.isEmpty()) {
      return new Found(List.of(), 0, 0);
    }
    List<List<Weighed>> behind = new ArrayList<>();
    for (int i = 1; i <= others.size(); i++) {
      behind.add(others.get(i - 1).weighed(progress.part(i * share, (i + 1) * share)));
    }
    double best = all.getFirst().weight();
    double sum = all.stream().mapToDouble(w -> likely(w, best)).sum();
    List<Weighed> told = new ArrayList<>();
    List<BeatGuess> guesses = new ArrayList<>();
    for (Weighed each : all) {
      boolean known = told.stream().anyMatch(t -> isSame(t, each));
      if (!known && told.size() < BeatFinder.OFFERED) {
        told.add(each);
        double same =
            all.stream().filter(w -> isSame(w, each)).mapToDouble(w -> likely(w, best)).sum();
        guesses.add(guess(each, behind).withProbability(same / sum));
      }
    }
    Weighed first = all.getFirst();
    double tempo =
        all.stream().filter(w -> isOneTempo(w, first)).mapToDouble(w -> likely(w, best)).sum();
    double meter =
        all.stream()
            .filter(w -> w.bar().meter().equals(first.bar().meter()))
            .mapToDouble(w -> likely(w, best))
            .sum();
    return new Found(guesses, tempo / sum, meter / sum);
  }

  private static double likely(Weighed way, double best) {
    return Math.exp(CAUTION * (way.weight() - best));
  }

  private static boolean isOneTempo(Weighed a, Weighed b) {
    return tempoApart(a.hearing(), b.hearing()) < ONE_TEMPO;
  }

  /** How far two tempos are apart: the logarithm of how many times the one is faster. */
  private static double tempoApart(Hearing a, Hearing b) {
    return Math.abs(Math.log(a.usualBeatMs() / b.usualBeatMs()));
  }

  /** Whether two ways are one to a listener: the same bars at the same places. */
  private static boolean isSame(Weighed a, Weighed b) {
    if (!a.bar().meter().equals(b.bar().meter()) || !isOneTempo(a, b)) {
      return false;
    }
    double bars =
        (a.hearing().beatsAt(b.hearing().timeAt((double) b.begins() / b.hearing().parts()))
                    * a.hearing().parts()
                - a.begins())
            / a.bar().slots();
    return Math.abs(bars - Math.rint(bars)) * a.bar().meter().beats() < ONE_BEAT;
  }

  /** A way to count, with what comes before and after long rests counted alike where it can be. */
  private static BeatGuess guess(Weighed way, List<List<Weighed>> behind) {
    int beats = way.bar().meter().beats();
    List<double[]> stretches = new ArrayList<>();
    stretches.add(beats(way));
    for (List<Weighed> other : behind) {
      other.stream()
          .filter(w -> w.bar().meter().equals(way.bar().meter()))
          .filter(w -> tempoApart(w.hearing(), way.hearing()) < TEMPO_AFTER_REST)
          .findFirst()
          .ifPresent(w -> stretches.add(beats(w)));
    }
    stretches.sort(Comparator.comparingDouble(s -> s[0]));
    double[] ms = stretches.stream().reduce((a, b) -> joined(a, b, beats)).orElseThrow();
    double bpm = MS_PER_MINUTE / way.hearing().usualBeatMs();
    return new BeatGuess(ms, beats, 0, Optional.of(way.bar().meter()), bpm);
  }

  /** Two stretches with whole bars between them, as even as can be. */
  private static double[] joined(double[] before, double[] after, int beats) {
    double bar = (before[before.length - 1] - before[0]) / (before.length - 1) * beats;
    double silent = after[0] - before[before.length - 1];
    int bars = (int) Math.max(1, Math.round(silent / bar));
    double[] result = Arrays.copyOf(before, before.length + bars * beats - 1 + after.length);
    for (int i = 1; i < bars * beats; i++) {
      result[before.length - 1 + i] = before[before.length - 1] + silent * i / (bars * beats);
    }
    System.arraycopy(after, 0, result, result.length - after.length, after.length);
    return Counted.rising(result);
  }

  /** From the first bar line at or before the first stroke to the end of the last bar. */
  private static double[] beats(Weighed way) {
    Bar bar = way.bar();
    Hearing hearing = way.hearing();
    int before = Math.floorDiv(hearing.firstSlot() - way.begins(), bar.slots());
    int from = way.begins() + before * bar.slots();
    int bars = Math.max(1, Math.ceilDiv(hearing.lastSlot() + 1 - from, bar.slots()));
    return Counted.rising(hearing.beats(from, bar.unit(), bars * bar.meter().beats() + 1));
  }

  List<Weighed> weighed(Progress progress) {
    List<Hearing> hearings = new ArrayList<>();
    List<Row> strokes = rows.stream().filter(r -> !r.isDerived()).toList();
    if (strokes.isEmpty()) {
      return List.of();
    }
    List<List<Stroke>> begun = new ArrayList<>();
    begun.add(together(strokes));
    if (strokes.size() > 1) {
      strokes.stream()
          .sorted(Comparator.comparingInt(Row::size).reversed())
          .limit(ALONE)
          .forEach(r -> begun.add(strokes(r)));
    }
    for (int i = 0; i < begun.size(); i++) {
      double share = 0.8 / begun.size();
      begin(hearings, begun.get(i), progress.part(i * share, (i + 1) * share));
    }
    for (Hearing hearing : likeliest(hearings, SLOWED)) {
      progress.at(0.8);
      slowed(hearing).ifPresent(hearings::add);
    }
    for (Hearing hearing : likeliest(hearings, TOLD_OTHERWISE)) {
      otherwise(hearing)
          .filter(h -> hearings.stream().noneMatch(o -> isSame(o, h) && plain(o) >= plain(h)))
          .forEach(hearings::add);
    }
    List<Hearing> likely = likeliest(hearings, LIKELY);
    List<Weighed> result = new ArrayList<>();
    for (Hearing hearing : likely) {
      progress.at(0.8 + 0.2 * result.size() / (likely.size() * Bar.values().length * 4.0));
      for (Bar bar : Bar.values()) {
        if (bar.parts() == hearing.parts()) {
          double[] harmony = hearing.harmony(bar);
          for (int begins = 0; begins < bar.slots(); begins += bar.step()) {
            double weight =
                hearing.fit()
                    + hearing.evidence(bar, begins)
                    + usual(hearing)
                    + harmony[begins / bar.step()];
            result.add(new Weighed(hearing, bar, begins, weight));
          }
        }
      }
    }
    result.sort(Comparator.comparingDouble(Weighed::weight).reversed());
    return result;
  }

  private static List<Hearing> likeliest(List<Hearing> hearings, int most) {
    return hearings.stream()
        .sorted(Comparator.comparingDouble(SongBeat::plain).reversed())
        .limit(most)
        .toList();
  }

  /** The same strokes counted in threes rather than twos, twice as fast, and half as fast. */
  private static Stream<Hearing> otherwise(Hearing hearing) {
    Stream<Hearing> threes =
        hearing.parts() % 3 == 0
            ? Stream.of(
                hearing.counted(2 / 3.0, 0, 2),
                hearing.counted(2 / 3.0, 1 / 3.0, 2),
                hearing.counted(1 / 3.0, 0, 2))
            : Stream.of(
                hearing.counted(1.5, 0, 3),
                hearing.counted(1.5, 0.5, 3),
                hearing.counted(1.5, 1, 3));
    Stream<Hearing> twos =
        Stream.of(
            hearing.counted(0.5, 0, 2),
            hearing.counted(2, 0, 4),
            hearing.counted(2, 1, 4),
            hearing.counted(1, 0.5, hearing.parts() % 3 == 0 ? 3 : 2));
    return Stream.concat(threes, twos)
        .filter(h -> h.usualBeatMs() > SHORTEST_MS && h.usualBeatMs() < LONGEST_MS);
  }

  /**
   * The same with a tempo that falls in the end, where that explains it better: sought among the
   * last strokes alone, since all before them is as it was.
   */
  private static Optional<Hearing> slowed(Hearing hearing) {
    double beat = hearing.usualBeatMs();
    double end = hearing.lastStrokeMs();
    Hearing last = hearing.from(end - 2 * MOST_SLOW_BEATS * beat);
    double least = plain(last) + SLOWING_COSTS;
    Slowing found = best(last, end - MOST_SLOW_BEATS * beat, end - 3 * beat, 2 * beat, 1.5, 2, 2.5);
    if (plain(found.hearing()) < least) {
      return Optional.empty();
    }
    for (double apart = 0.2; apart > 0.01; apart /= 2) {
      Slowing before;
      do {
        before = found;
        double from = before.fromMs();
        double most = before.most();
        found = best(last, from - beat, from + beat, beat, most - apart, most, most + apart);
      } while (plain(found.hearing()) > plain(before.hearing()) + 1);
    }
    Hearing whole = hearing.slowing(found.fromMs(), found.most());
    return plain(whole) < plain(hearing) + SLOWING_COSTS ? Optional.empty() : Optional.of(whole);
  }

  /** One that slows down from a moment on. */
  private record Slowing(Hearing hearing, double fromMs, double most) {}

  private static Slowing best(
      Hearing hearing, double from, double to, double step, double... slower) {
    Slowing best = new Slowing(hearing, from, 1);
    for (double most : slower) {
      for (double at = from; at <= to; at += step) {
        Slowing slow = new Slowing(hearing.slowing(at, most), at, most);
        best = plain(slow.hearing()) > plain(best.hearing()) ? slow : best;
      }
    }
    return best;
  }

  private static double plain(Hearing hearing) {
    return hearing.fit() + hearing.plain() + usual(hearing);
  }

  private static double usual(Hearing hearing) {
    double off = Math.log(MS_PER_MINUTE / hearing.usualBeatMs() / USUAL_BPM) / USUAL_SPREAD;
    return -off * off / 2;
  }

  private void begin(List<Hearing> hearings, List<Stroke> strokes, Progress progress) {
    if (strokes.size() < BeatFinder.LEAST_STROKES) {
      return;
    }
    for (Pulse pulse : new BeatFinder(strokes, 4).pulses(progress)) {
      Counted counted = new Counted(pulse, strokes);
      BeatGuess plain = counted.from(0, 1);
      int[] divisions = pulse.division() == Division.TRIPLET ? new int[] {3, 6} : new int[] {2, 4};
      for (int parts : divisions) {
        Hearing hearing = new Hearing(rows, plain.beatMs(), 0, parts).settled();
        if (hearings.stream().noneMatch(h -> isSame(h, hearing))) {
          hearings.add(hearing);
        }
      }
    }
  }

  private static boolean isSame(Hearing a, Hearing b) {
    if (a.parts() != b.parts() || tempoApart(a, b) > ONE_TEMPO) {
      return false;
    }
    double first = a.beatsAt(b.timeAt(0));
    double last = a.beatsAt(b.timeAt((double) b.lastSlot() / b.parts())) * a.parts();
    return Math.abs(first - Math.rint(first)) < ONE_PLACE
        && Math.abs(last - Math.rint(last)) < ONE_PLACE * a.parts();
  }

  private static List<Stroke> strokes(Row row) {
    List<Stroke> result = new ArrayList<>();
    for (int i = 0; i < row.size(); i++) {
      result.add(new Stroke(row.ms()[i], row.lengthMs()[i], 80, 1, row.lowest()[i]));
    }
    return result;
  }

  /** All strokes; those of several rows that come nearly at once are one, in their middle. */
  private static List<Stroke> together(List<Row> rows) {
    List<Stroke> all = new ArrayList<>();
    rows.forEach(r -> all.addAll(strokes(r)));
    all.sort(Comparator.comparingDouble(Stroke::ms));
    List<Stroke> result = new ArrayList<>();
    int from = 0;
    for (int to = 1; to <= all.size(); to++) {
      boolean ends =
          to == all.size()
              || all.get(to).ms() - all.get(from).ms() > TOGETHER_MS
              || all.get(to).ms() - all.get(to - 1).ms() > TOGETHER_MS / 2;
      if (ends) {
        double sum = 0;
        double length = 0;
        int lowest = 127;
        for (Stroke each : all.subList(from, to)) {
          sum += each.ms();
          length = Math.max(length, each.lengthMs());
          lowest = Math.min(lowest, each.lowest());
        }
        result.add(new Stroke(sum / (to - from), length, 80, to - from, lowest));
        from = to;
      }
    }
    return result;
  }
}
