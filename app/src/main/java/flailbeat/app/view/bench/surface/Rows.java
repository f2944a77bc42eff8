package flailbeat.app.view.bench.surface;

import flailbeat.core.pitch.Pitch;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/** Which pitch lies in which row of the roll; rows count from 0 at the bottom. Immutable. */
public final class Rows {
  /** A row for each pitch. */
  public static final Rows PIANO =
      new Rows(IntStream.rangeClosed(Pitch.LOWEST, Pitch.HIGHEST).boxed().toList().reversed());

  /** So far below all others that it is never in sight. */
  private static final int HIDDEN = -100_000;

  private final List<Integer> fromTop;
  private final int[] rowOf = new int[Pitch.HIGHEST + 1];

  private Rows(List<Integer> fromTop) {
    this.fromTop = fromTop;
    Arrays.fill(rowOf, HIDDEN);
    for (int i = 0; i < fromTop.size(); i++) {
      rowOf[fromTop.get(i)] = fromTop.size() - 1 - i;
    }
  }

  /** Rows of these pitches, from the top down; a row for each pitch where there are none. */
  public static Rows of(List<Integer> fromTop) {
    return fromTop.isEmpty() ? PIANO : new Rows(List.copyOf(fromTop));
  }

  public int count() {
    return fromTop.size();
  }

  /** The row of a pitch; far below all for one that is hidden. */
  public int of(int pitch) {
    return rowOf[Math.clamp(pitch, Pitch.LOWEST, Pitch.HIGHEST)];
  }

  /** The pitch of a row, or of the row nearest to that. */
  public int pitchAt(int row) {
    return fromTop.get(fromTop.size() - 1 - Math.clamp(row, 0, fromTop.size() - 1));
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Rows rows && fromTop.equals(rows.fromTop);
  }

  @Override
  public int hashCode() {
    return fromTop.hashCode();
  }
}
