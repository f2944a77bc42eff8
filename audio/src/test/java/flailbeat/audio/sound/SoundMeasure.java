package flailbeat.audio.sound;

import flailbeat.audio.TestSounds;
import flailbeat.audio.synth.Synth;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.pitch.Pitch;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.Set;
import org.hipparchus.complex.Complex;
import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;

/**
 * Measures how loud and how well in tune the sounds are that ship. Run by hand with the path of
 * {@code sounds.csv} it writes a table there that evens them out.
 */
final class SoundMeasure {
  /** Played lower, since their range is. */
  private static final Set<Integer> LOW =
      Set.of(32, 33, 34, 35, 36, 37, 38, 39, 43, 47, 58, 67, 70);

  /** Noises, drums, and what rings with partials of its own: these have no pitch to be measured. */
  private static final Set<Integer> NOT_TONAL =
      Set.of(
          14, 47, 55, 76, 77, 78, 96, 98, 99, 101, 102, 103, 112, 113, 114, 115, 116, 117, 118, 119,
          120, 121, 122, 123, 124, 125, 126, 127);

  private static final int VELOCITY = 96;
  private static final double NOTE_SECONDS = 0.5;
  private static final double GATE = 0.9;
  private static final double TAIL_SECONDS = 0.8;
  private static final int CENTS_AROUND = 70;
  private static final int TRANSFORM = 1 << 17;
  private static final double LEAST_PEAK = 1e-4;
  private static final FastFourierTransformer FFT =
      new FastFourierTransformer(DftNormalization.STANDARD);

  private SoundMeasure() {}

  static boolean isTonal(int program) {
    return !NOT_TONAL.contains(program);
  }

  /** The loudness of a phrase of seven notes, one after another, of one velocity, in LUFS. */
  static double loudness(Instrument instrument) {
    try (Synth synth = TestSounds.synth()) {
      TestSounds.load(synth, instrument);
      synth.choose(0, instrument);
      List<float[]> blocks = new ArrayList<>();
      for (int pitch : phrase(instrument)) {
        synth.noteOn(0, pitch, VELOCITY);
        render(synth, GATE * NOTE_SECONDS, blocks);
        synth.noteOff(0, pitch);
        render(synth, (1 - GATE) * NOTE_SECONDS, blocks);
      }
      render(synth, TAIL_SECONDS, blocks);
      return Loudness.integrated(side(blocks, 0), side(blocks, 1), synth.frameRate());
    }
  }

  private static int[] phrase(Instrument instrument) {
    return LOW.contains(instrument.program())
        ? new int[] {36, 40, 43, 48, 43, 40, 36}
        : new int[] {55, 60, 64, 67, 72, 67, 60};
  }

  /** By how many cents a note stands off equal temperament; empty where it is not heard. */
  static OptionalDouble cents(Instrument instrument, int pitch) {
    try (Synth synth = TestSounds.synth()) {
      TestSounds.load(synth, instrument);
      synth.choose(0, instrument);
      List<float[]> blocks = new ArrayList<>();
      synth.noteOn(0, pitch, VELOCITY);
      render(synth, 0.12, blocks);
      blocks.clear();
      render(synth, 1.6, blocks);
      double[] left = side(blocks, 0);
      double[] right = side(blocks, 1);
      double[] both = new double[left.length];
      for (int i = 0; i < both.length; i++) {
        double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / both.length);
        both[i] = (left[i] + right[i]) * window;
      }
      return strongest(both, Pitch.frequency(pitch), synth.frameRate());
    }
  }

  /**
   * Of the first partials the strongest, and by how much the middle of its power stands off where
   * it should: of a tone with vibrato, or of several that beat, what is heard as its pitch.
   */
  private static OptionalDouble strongest(double[] x, double f0, double rate) {
    double[] padded = Arrays.copyOf(x, TRANSFORM);
    Complex[] spectrum = FFT.transform(padded, TransformType.FORWARD);
    double most = LEAST_PEAK * x.length;
    OptionalDouble result = OptionalDouble.empty();
    for (int partial : new int[] {1, 2, 4}) {
      double wanted = partial * f0;
      double around = Math.pow(2, CENTS_AROUND / 1200.0);
      int last = (int) Math.min(TRANSFORM / 2, wanted * around * TRANSFORM / rate);
      double power = 0;
      double weighted = 0;
      double peak = 0;
      for (int k = (int) Math.ceil(wanted / around * TRANSFORM / rate); k <= last; k++) {
        double level = spectrum[k].norm();
        double cents = 1200 * Math.log(k * rate / TRANSFORM / wanted) / Math.log(2);
        power += level * level;
        weighted += cents * level * level;
        peak = Math.max(peak, level);
      }
      if (peak > most) {
        most = peak;
        result = OptionalDouble.of(weighted / power);
      }
    }
    return result;
  }

  private static void render(Synth synth, double seconds, List<float[]> to) {
    int blocks = (int) Math.round(seconds * synth.frameRate() / Synth.BLOCK_FRAMES);
    for (int b = 0; b < blocks; b++) {
      float[] block = new float[2 * Synth.BLOCK_FRAMES];
      synth.render(block);
      to.add(block);
    }
  }

  private static double[] side(List<float[]> blocks, int side) {
    double[] result = new double[blocks.size() * Synth.BLOCK_FRAMES];
    for (int b = 0; b < blocks.size(); b++) {
      for (int i = 0; i < Synth.BLOCK_FRAMES; i++) {
        result[b * Synth.BLOCK_FRAMES + i] = blocks.get(b)[2 * i + side];
      }
    }
    return result;
  }

  /** The pitches at which a sound's tuning is measured: two A's within its range. */
  static int[] tuned(Instrument instrument) {
    return LOW.contains(instrument.program()) ? new int[] {33, 45} : new int[] {57, 69};
  }

  public static void main(String[] args) throws IOException {
    double target = Double.parseDouble(args[1]);
    List<String> lines = new ArrayList<>(List.of("kind,number,file,gain,cents"));
    for (Sound sound : Sound.all()) {
      Instrument instrument = sound.instrument();
      double gain = sound.gain();
      int tuning = sound.cents();
      StringBuilder said = new StringBuilder();
      if (!instrument.kit()) {
        double now = loudness(instrument);
        gain += target - now;
        said.append(String.format(Locale.ROOT, "%7.1f LUFS", now));
        if (isTonal(instrument.program())) {
          double sum = 0;
          int n = 0;
          for (int pitch : tuned(instrument)) {
            OptionalDouble cents = cents(instrument, pitch);
            said.append(String.format(Locale.ROOT, "  %d: %5.1f", pitch, cents.orElse(Double.NaN)));
            if (cents.isPresent()) {
              sum += cents.getAsDouble();
              n++;
            }
          }
          tuning -= n == 0 ? 0 : (int) Math.round(sum / n);
        }
      }
      System.out.printf("%-26s %s%n", instrument.title(), said);
      lines.add(
          String.format(
              Locale.ROOT,
              "%s,%d,%s,%.1f,%d",
              instrument.kit() ? "kit" : "program",
              instrument.program(),
              sound.file(),
              gain,
              tuning));
    }
    Files.write(Path.of(args[0]), lines);
  }
}
