package flailbeat.core.keys;

import java.util.Locale;

/** The eight dynamic marks and the velocities they stand for here: sixteen steps apart. */
public enum VelocityMark {
  PPP(PhysicalKey.Z),
  PP(PhysicalKey.X),
  P(PhysicalKey.C),
  MP(PhysicalKey.V),
  MF(PhysicalKey.B),
  F(PhysicalKey.N),
  FF(PhysicalKey.M),
  FFF(PhysicalKey.COMMA);

  private static final int STEP = 16;

  private final PhysicalKey key;

  VelocityMark(PhysicalKey key) {
    this.key = key;
  }

  /** The key that sets it in the Home arrangement. */
  public PhysicalKey key() {
    return key;
  }

  /** 16 for ppp up to 127 for fff. */
  public int velocity() {
    return Math.min(127, (ordinal() + 1) * STEP);
  }

  /** As musicians write it: {@code mf}. */
  public String text() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** The mark nearest to a velocity. */
  public static VelocityMark nearest(int velocity) {
    int index = Math.round((float) velocity / STEP) - 1;
    return values()[Math.clamp(index, 0, values().length - 1)];
  }
}
