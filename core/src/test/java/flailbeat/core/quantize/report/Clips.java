package flailbeat.core.quantize.report;

import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;

/** Made-up clips over bars of 4/4 at a known grid, played loosely; from a seed. */
final class Clips {
  /**
   * What a clip is made on.
   *
   * @param grid its right name
   * @param swing 50 to 75 per cent
   * @param places of the beat, as parts of it, before swing
   * @param chances how likely each is to be played on
   */
  record Kind(String grid, double swing, double[] places, double[] chances) {
    @Override
    public String toString() {
      return swing == 50 ? grid : grid + ", swing " + swing;
    }
  }

  static final List<Kind> KINDS =
      List.of(
          new Kind("1/4", 50, new double[] {0}, new double[] {0.8}),
          new Kind("1/8", 50, new double[] {0, 0.5}, new double[] {0.8, 0.6}),
          new Kind(
              "1/16", 50, new double[] {0, 0.25, 0.5, 0.75}, new double[] {0.85, 0.3, 0.55, 0.25}),
          new Kind("1/8T", 50, new double[] {0, 1 / 3.0, 2 / 3.0}, new double[] {0.85, 0.5, 0.7}),
          new Kind("1/8", 58, new double[] {0, 0.5}, new double[] {0.85, 0.6}),
          new Kind("1/8", 62, new double[] {0, 0.5}, new double[] {0.85, 0.6}),
          new Kind("1/8", 70, new double[] {0, 0.5}, new double[] {0.85, 0.6}),
          new Kind(
              "1/16", 60, new double[] {0, 0.25, 0.5, 0.75}, new double[] {0.85, 0.4, 0.6, 0.4}));

  /** Ten grids: those, and two more. */
  static final List<Kind> MORE =
      Stream.concat(
              KINDS.stream(),
              Stream.of(
                  new Kind(
                      "1/16T",
                      50,
                      new double[] {0, 1 / 6.0, 2 / 6.0, 3 / 6.0, 4 / 6.0, 5 / 6.0},
                      new double[] {0.85, 0.4, 0.5, 0.6, 0.5, 0.4}),
                  new Kind(
                      "1/8+1/8T",
                      50,
                      new double[] {0, 1 / 3.0, 0.5, 2 / 3.0},
                      new double[] {0.85, 0.5, 0.6, 0.6})))
          .toList();

  /** What a part does in a song. */
  private enum Role {
    /** All of the grid. */
    FULL,
    /** Every second place of it, or the beats alone. */
    COARSE,
    /** Beats and half beats of which few are left out, as hats. */
    STEADY
  }

  /**
   * Parts of a song on one grid: the first uses all of it, the others all of it, or half of it, or
   * its beats; each with a lag of its own between -25 and 40 ms.
   */
  static List<List<Note>> parts(
      Kind kind, int count, int bars, double bpm, double spreadMs, long seed) {
    Random random = new Random(7919 * seed + 31L * MORE.indexOf(kind) + count);
    List<List<Note>> result = new ArrayList<>();
    for (int part = 0; part < count; part++) {
      double lag = -25 + random.nextInt(66);
      Role role = part == 0 ? Role.FULL : Role.values()[random.nextInt(3)];
      double[] chances = kind.chances().clone();
      for (int i = 1; i < chances.length; i++) {
        chances[i] =
            switch (role) {
              case FULL -> chances[i];
              case COARSE -> 2 * i == chances.length ? 0.7 : 0;
              case STEADY -> chances.length % 2 == 0 && 2 * i == chances.length ? 0.95 : 0;
            };
      }
      chances[0] = role == Role.STEADY ? 0.97 : chances[0];
      Kind own = new Kind(kind.grid(), kind.swing(), kind.places(), chances);
      result.add(of(own, bars, bpm, lag, spreadMs, random.nextInt(1 << 20)));
    }
    return result;
  }

  private Clips() {}

  /**
   * So many bars of a kind.
   *
   * @param lagMs how late it is
   * @param spreadMs the standard deviation about that
   */
  static List<Note> of(Kind kind, int bars, double bpm, double lagMs, double spreadMs, long seed) {
    Random random = new Random(977 * seed + Math.max(0, KINDS.indexOf(kind)));
    double ticksPerMs = bpm * Ticks.PPQ / 60_000;
    List<Note> notes = new ArrayList<>();
    boolean[][] pattern = new boolean[4][kind.places().length];
    for (int beat = 0; beat < 4 * bars; beat++) {
      boolean fresh = beat < 4 || random.nextInt(3) == 0;
      boolean triplet = random.nextBoolean();
      for (int i = 0; fresh && i < kind.places().length; i++) {
        boolean other = kind.grid().contains("+") && i > 0 && triplet == (kind.places()[i] == 0.5);
        pattern[beat % 4][i] = random.nextDouble() < kind.chances()[i] && !other;
      }
      for (int i = 0; i < kind.places().length; i++) {
        if (pattern[beat % 4][i]) {
          double late = lagMs + spreadMs * random.nextGaussian();
          double meant = (beat + swung(kind, i)) * Ticks.PPQ;
          long onset = Math.round(meant + late * ticksPerMs);
          int pitch = 57 + random.nextInt(12);
          notes.add(
              Note.asPlayed(
                  new NoteId(notes.size() + 1L), pitch, 80, new Played(onset, onset + 150)));
        }
      }
    }
    return notes;
  }

  private static double swung(Kind kind, int i) {
    boolean second = i % 2 == 1;
    double step = kind.places().length > 1 ? kind.places()[1] : 1;
    return kind.places()[i] + (second ? 2 * step * (kind.swing() - 50) / 100 : 0);
  }
}
