package flailbeat.core.quantize.beat;

import flailbeat.core.time.Meter;

/** The bars that are told apart, by how beats are divided and how many there are. */
enum Bar {
  TWO(new Meter(2, 4), 4, 8, -3),
  THREE(new Meter(3, 4), 4, 12, -1),
  FOUR(new Meter(4, 4), 4, 16, 0),
  FIVE(new Meter(5, 4), 4, 20, -3),
  TWO_IN_EIGHTHS(new Meter(2, 4), 2, 4, -3),
  THREE_IN_EIGHTHS(new Meter(3, 4), 2, 6, -1),
  FOUR_IN_EIGHTHS(new Meter(4, 4), 2, 8, 0),
  FIVE_IN_EIGHTHS(new Meter(5, 4), 2, 10, -3),
  SEVEN(new Meter(7, 8), 2, 7, -3),
  SEVEN_IN_SIXTEENTHS(new Meter(7, 8), 4, 14, -3),
  SIX_EIGHT(new Meter(6, 8), 3, 6, -1),
  NINE_EIGHT(new Meter(9, 8), 3, 9, -3),
  FOUR_IN_TRIPLETS(new Meter(4, 4), 3, 12, -1.5),
  SIX_EIGHT_IN_SIXTEENTHS(new Meter(6, 8), 6, 12, -1.5),
  NINE_EIGHT_IN_SIXTEENTHS(new Meter(9, 8), 6, 18, -3.5);

  private final Meter meter;
  private final int parts;
  private final int slots;
  private final double usual;

  Bar(Meter meter, int parts, int slots, double usual) {
    this.meter = meter;
    this.parts = parts;
    this.slots = slots;
    this.usual = usual;
  }

  Meter meter() {
    return meter;
  }

  /** Into how many parts a beat is divided. */
  int parts() {
    return parts;
  }

  /** How many of these there are to a bar. */
  int slots() {
    return slots;
  }

  /** After how many of them a bar may begin: on each beat, in 7/8 on each eighth. */
  int step() {
    return meter.beats() == 7 ? parts / 2 : parts;
  }

  /** How many parts make a beat as the meter counts it: a quarter, or an eighth. */
  int unit() {
    return slots / meter.beats();
  }

  /** How usual it is: the logarithm of its likelihood beside 4/4. */
  double usual() {
    return usual;
  }
}
