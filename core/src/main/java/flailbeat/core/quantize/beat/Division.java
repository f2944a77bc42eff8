package flailbeat.core.quantize.beat;

/** How beats are divided, and how likely each part of one is to be played on. */
enum Division {
  HALVES(-1, 0.75, 0.6),
  STRAIGHT(0, 0.72, 0.22, 0.5, 0.2),
  TRIPLET(-1, 0.75, 0.36, 0.5);

  /** The first event of a phrase stands on the beat more often than the beat is played on. */
  private static final double BEGINS = 0.8;

  /** How much what is usual counts, in beats; the beat and its middle may as well be silent. */
  private static final double BELIEF = 2;

  private static final double FIRM_BELIEF = 7;

  private final double usual;
  private final double[] chances;

  Division(double usual, double... chances) {
    this.usual = usual;
    this.chances = chances;
  }

  int parts() {
    return chances.length;
  }

  double chance(int place) {
    return chances[Math.floorMod(place, chances.length)];
  }

  /** The logarithm of the probability of passing over what lies between, and playing there. */
  double passing(int from, int to) {
    double sum = Math.log(chance(to));
    for (int p = from + 1; p < to; p++) {
      sum += Math.log(1 - chance(p));
    }
    return sum;
  }

  /**
   * The logarithm of how probable it is that just these places are played on, each foretold from
   * those before, and how usual the division is.
   */
  double evidence(int[] places) {
    double[] played = new double[parts()];
    double[] met = new double[parts()];
    double sum = usual;
    sum += Math.floorMod(places[0], parts()) == 0 ? Math.log(BEGINS) : Math.log(1 - BEGINS);
    int at = 1;
    for (int place = places[0] + 1; place <= places[places.length - 1]; place++) {
      boolean here = false;
      while (at < places.length && places[at] == place) {
        here = true;
        at++;
      }
      int part = Math.floorMod(place, parts());
      double belief = chances[part] >= 0.5 ? BELIEF : FIRM_BELIEF;
      double p = (belief * chances[part] + played[part]) / (belief + met[part]);
      sum += Math.log(here ? p : 1 - p);
      played[part] += here ? 1 : 0;
      met[part]++;
    }
    return sum;
  }
}
