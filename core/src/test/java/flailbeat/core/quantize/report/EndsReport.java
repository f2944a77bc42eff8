package flailbeat.core.quantize.report;

import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.QuantizeSettings.Ends;
import flailbeat.core.quantize.Quantizer;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;

/**
 * Performs notated tunes with three habits of articulation, quantizes them with their ends, and
 * compares these with the notation. Fails when less than 97 % are as written with any habit.
 */
final class EndsReport {
  private static final double WANTED = 97;

  private EndsReport() {}

  /** Common practice: legato as long as written, detached some four fifths, staccato a half. */
  private enum Habit {
    LEGATO(1, 1),
    DETACHED(0.72, 0.88),
    STACCATO(0.4, 0.6);

    private final double least;
    private final double most;

    Habit(double least, double most) {
      this.least = least;
      this.most = most;
    }
  }

  private static List<Note> perform(NotatedParts part, Habit habit, long seed) {
    Random random = new Random(seed);
    double lag = -25 + random.nextInt(66);
    double late = random.nextInt(25);
    double spread = 8 + random.nextInt(11);
    double share = habit.least + random.nextDouble() * (habit.most - habit.least);
    long[] next = new long[Pitch.HIGHEST + 1];
    Arrays.fill(next, Long.MAX_VALUE);
    List<Note> notated = part.notes();
    Note[] result = new Note[notated.size()];
    for (int i = notated.size() - 1; i >= 0; i--) {
      Note note = notated.get(i);
      double at = part.song().tempos().nanosAt(note.onset()) / 1e6;
      double end = part.song().tempos().nanosAt(note.end()) / 1e6;
      double begun = at + lag + spread * random.nextGaussian();
      double released =
          habit == Habit.LEGATO
              ? end + lag + late + spread * random.nextGaussian()
              : begun
                  + (end - at) * share * (1 + 0.06 * random.nextGaussian())
                  + late
                  + spread * random.nextGaussian();
      long onset = tick(part, begun);
      long again = next[note.pitch()];
      long release = Math.max(onset + 5, Math.min(tick(part, released), again - 5));
      next[note.pitch()] = onset;
      result[i] =
          Note.asPlayed(note.id(), note.pitch(), note.velocity(), new Played(onset, release));
    }
    return List.of(result);
  }

  private static long tick(NotatedParts part, double ms) {
    return part.song().tempos().tickAt(Math.round(ms * 1e6));
  }

  /** Of so many ends, how many were right. */
  private record Tally(int ends, int rounded, int meant, int doubtful) {
    Tally with(Tally more) {
      return new Tally(
          ends + more.ends, rounded + more.rounded, meant + more.meant, doubtful + more.doubtful);
    }
  }

  public static void main(String[] words) throws IOException {
    List<NotatedParts> parts = NotatedParts.of(Path.of(words[0]));
    int every = words.length > 1 ? Integer.parseInt(words[1]) : 1;
    Shares shares = new Shares();
    System.out.println("| habit | parts | ends | rounded | as meant | told as doubtful |");
    System.out.println("|---|---|---|---|---|---|");
    boolean good = true;
    for (Habit habit : Habit.values()) {
      Tally all = new Tally(0, 0, 0, 0);
      int count = 0;
      for (int p = 0; p < parts.size(); p += every) {
        all = all.with(tally(parts.get(p), habit, 31L * p + habit.ordinal(), shares));
        count++;
      }
      System.out.printf(
          Locale.ROOT,
          "| %s | %d | %d | %.2f %% | %.2f %% | %.2f %% |%n",
          habit.toString().toLowerCase(Locale.ROOT),
          count,
          all.ends(),
          100.0 * all.rounded() / all.ends(),
          100.0 * all.meant() / all.ends(),
          100.0 * all.doubtful() / all.ends());
      good &= all.meant() >= WANTED / 100 * all.ends();
    }
    System.out.println();
    shares.print();
    if (!good) {
      throw new IllegalStateException("That is less than is wanted");
    }
  }

  private static Tally tally(NotatedParts part, Habit habit, long seed, Shares shares) {
    List<Note> performed = perform(part, habit, seed);
    Map<NoteId, Note> notated = new HashMap<>();
    part.notes().forEach(n -> notated.put(n.id(), n));
    Map<NoteId, NotePlan> rounded = plan(part, performed, Ends.SNAP);
    Tally tally = new Tally(0, 0, 0, 0);
    for (NotePlan plan : plan(part, performed, Ends.MEANT).values()) {
      Note written = notated.get(plan.note().id());
      if (part.isOn(written.onset()) && part.isOn(written.end())) {
        boolean right = endsAt(written.end(), plan);
        shares.add(1 - plan.meant().doubt(), right);
        boolean snapped = endsAt(written.end(), rounded.get(plan.note().id()));
        tally =
            tally.with(
                new Tally(1, snapped ? 1 : 0, right ? 1 : 0, plan.meant().isDoubtful() ? 1 : 0));
      }
    }
    return tally;
  }

  private static boolean endsAt(long tick, NotePlan plan) {
    return NotatedParts.isNear(plan.onset() + plan.length(), tick);
  }

  private static Map<NoteId, NotePlan> plan(NotatedParts part, List<Note> performed, Ends ends) {
    QuantizeSettings settings = QuantizeSettings.recommended().withGrid(part.grid()).withEnds(ends);
    QuantizePlan plan =
        Quantizer.of(settings, part.song().tempos(), part.song().meters())
            .plan(performed, List.of());
    Map<NoteId, NotePlan> result = new HashMap<>();
    plan.notes().forEach(n -> result.put(n.note().id(), n));
    return result;
  }
}
