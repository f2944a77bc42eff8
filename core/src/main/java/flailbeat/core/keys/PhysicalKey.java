package flailbeat.core.keys;

/**
 * A place on a computer keyboard, named by what a QWERTY keyboard prints there. Whatever letter a
 * person's own keyboard has at that place, the place is the same.
 */
public enum PhysicalKey {
  BACKQUOTE(0, 0),
  DIGIT_1(0, 1),
  DIGIT_2(0, 2),
  DIGIT_3(0, 3),
  DIGIT_4(0, 4),
  DIGIT_5(0, 5),
  DIGIT_6(0, 6),
  DIGIT_7(0, 7),
  DIGIT_8(0, 8),
  DIGIT_9(0, 9),
  DIGIT_0(0, 10),
  MINUS(0, 11),
  EQUALS(0, 12),
  Q(1, 1.5),
  W(1, 2.5),
  E(1, 3.5),
  R(1, 4.5),
  T(1, 5.5),
  Y(1, 6.5),
  U(1, 7.5),
  I(1, 8.5),
  O(1, 9.5),
  P(1, 10.5),
  LEFT_BRACKET(1, 11.5),
  RIGHT_BRACKET(1, 12.5),
  A(2, 1.75),
  S(2, 2.75),
  D(2, 3.75),
  F(2, 4.75),
  G(2, 5.75),
  H(2, 6.75),
  J(2, 7.75),
  K(2, 8.75),
  L(2, 9.75),
  SEMICOLON(2, 10.75),
  QUOTE(2, 11.75),
  Z(3, 2.25),
  X(3, 3.25),
  C(3, 4.25),
  V(3, 5.25),
  B(3, 6.25),
  N(3, 7.25),
  M(3, 8.25),
  COMMA(3, 9.25),
  PERIOD(3, 10.25),
  SLASH(3, 11.25);

  private final int row;
  private final double column;

  PhysicalKey(int row, double column) {
    this.row = row;
    this.column = column;
  }

  /** 0 for the row of digits to 3 for the one above the space bar. */
  public int row() {
    return row;
  }

  /** The left edge of the cap, in widths of a cap from the left edge of the keyboard. */
  public double column() {
    return column;
  }
}
