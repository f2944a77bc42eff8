package flailbeat.audio.sound;

import java.util.ArrayList;
import java.util.List;

/**
 * Integrated loudness after EBU R 128 (ITU-R BS.1770-4: K weighting, blocks of 400 ms that overlap
 * by three quarters, an absolute gate at -70 LUFS and a relative one 10 LU below). The filters'
 * design values are those from which the recommendation's table for 48 kHz follows; from memory.
 */
final class Loudness {
  private static final double BLOCK_SECONDS = 0.4;
  private static final double STEP_SECONDS = 0.1;
  private static final double OFFSET = -0.691;
  private static final double ABSOLUTE_GATE = -70;
  private static final double RELATIVE_GATE = -10;

  private Loudness() {}

  /** A filter of second order. */
  private record Biquad(double b0, double b1, double b2, double a1, double a2) {
    double[] filter(double[] x) {
      double[] y = new double[x.length];
      double x1 = 0;
      double x2 = 0;
      double y1 = 0;
      double y2 = 0;
      for (int i = 0; i < x.length; i++) {
        double now = b0 * x[i] + b1 * x1 + b2 * x2 - a1 * y1 - a2 * y2;
        x2 = x1;
        x1 = x[i];
        y2 = y1;
        y1 = now;
        y[i] = now;
      }
      return y;
    }
  }

  private static Biquad shelf(double rate) {
    double k = Math.tan(Math.PI * 1681.974450955533 / rate);
    double q = 0.7071752369554196;
    double vh = Math.pow(10, 3.999843853973347 / 20);
    double vb = Math.pow(vh, 0.4996667741545416);
    double a0 = 1 + k / q + k * k;
    return new Biquad(
        (vh + vb * k / q + k * k) / a0,
        2 * (k * k - vh) / a0,
        (vh - vb * k / q + k * k) / a0,
        2 * (k * k - 1) / a0,
        (1 - k / q + k * k) / a0);
  }

  private static Biquad highPass(double rate) {
    double k = Math.tan(Math.PI * 38.13547087602444 / rate);
    double q = 0.5003270373238773;
    double a0 = 1 + k / q + k * k;
    return new Biquad(1, -2, 1, 2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0);
  }

  /** In LUFS; negative infinity for silence. */
  static double integrated(double[] left, double[] right, double rate) {
    double[] l = highPass(rate).filter(shelf(rate).filter(left));
    double[] r = highPass(rate).filter(shelf(rate).filter(right));
    int block = (int) (BLOCK_SECONDS * rate);
    int step = (int) (STEP_SECONDS * rate);
    List<Double> powers = new ArrayList<>();
    for (int at = 0; at + block <= l.length; at += step) {
      double sum = 0;
      for (int i = at; i < at + block; i++) {
        sum += l[i] * l[i] + r[i] * r[i];
      }
      powers.add(sum / block);
    }
    double absolute = mean(powers, ABSOLUTE_GATE);
    return lufs(mean(powers, lufs(absolute) + RELATIVE_GATE));
  }

  private static double mean(List<Double> powers, double gate) {
    return powers.stream().mapToDouble(p -> p).filter(p -> lufs(p) > gate).average().orElse(0);
  }

  private static double lufs(double power) {
    return OFFSET + 10 * Math.log10(power);
  }
}
