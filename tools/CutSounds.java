import com.sun.media.sound.*;
import java.io.File;
import java.nio.file.*;
import java.util.*;

/**
 * Cuts the sounds that Flailbeat ships out of a freely licensed General MIDI bank, one small SF2 file a sound.
 *
 * <p>Run once by hand, not by the build:
 *
 * <pre>java --add-exports java.desktop/com.sun.media.sound=ALL-UNNAMED tools/CutSounds.java BANK.sf2 OUTDIR</pre>
 *
 * <p>What is done to each sound to keep it under its size and quick: stereo pairs become their left half; silence before
 * the attack and everything after a loop's end are trimmed; sounds without a loop are cut at a given length with a fade;
 * samples are halved in rate (31-tap windowed-sinc low-pass first), the longest first, while the sound is still too large.
 * Kits keep keys 35 to 59. Names inside the files are ours.
 */
public class CutSounds {
  record Cut(String file, String name, int program, boolean kit, int maxBytes, double maxSeconds) {}

  static final List<Cut> CUTS =
      List.of(
          new Cut("acoustic-piano", "Acoustic piano", 0, false, 3_700_000, 7),
          new Cut("electric-piano", "Electric piano", 4, false, 2_900_000, 6),
          new Cut("vibraphone", "Vibraphone", 11, false, 1_000_000, 6),
          new Cut("marimba", "Marimba", 12, false, 1_500_000, 4),
          new Cut("drawbar-organ", "Drawbar organ", 16, false, 1_000_000, 6),
          new Cut("nylon-guitar", "Nylon guitar", 24, false, 1_700_000, 5),
          new Cut("acoustic-bass", "Acoustic bass", 32, false, 1_000_000, 4),
          new Cut("fingered-bass", "Fingered bass", 33, false, 1_400_000, 4),
          new Cut("strings", "Strings", 48, false, 2_800_000, 6),
          new Cut("warm-pad", "Warm pad", 89, false, 700_000, 6),
          new Cut("square-lead", "Square lead", 80, false, 100_000, 6),
          new Cut("saw-lead", "Saw lead", 81, false, 100_000, 6),
          new Cut("standard-kit", "Standard kit", 0, true, 3_000_000, 2.2),
          new Cut("brush-kit", "Brush kit", 40, true, 3_000_000, 2.2));

  static final int[] ADDRESS_GENERATORS = {0, 1, 2, 3, 4, 12, 45, 50};

  public static void main(String[] args) throws Exception {
    File bank = new File(args[0]);
    Path out = Path.of(args[1]);
    Files.createDirectories(out);
    for (Cut cut : CUTS) {
      cut(bank, cut, out.resolve(cut.file() + ".sf2"));
    }
  }

  static void cut(File bankFile, Cut cut, Path target) throws Exception {
    SF2Soundbank source = new SF2Soundbank(bankFile);
    SF2Instrument wanted = null;
    for (var i : source.getInstruments()) {
      ModelPatch p = (ModelPatch) i.getPatch();
      if (p.getProgram() == cut.program() && p.isPercussion() == cut.kit() && p.getBank() == 0) {
        wanted = (SF2Instrument) i;
      }
    }
    Set<SF2Sample> used = Collections.newSetFromMap(new IdentityHashMap<>());
    Map<SF2Layer, SF2Layer> layers = new LinkedHashMap<>();
    SF2Instrument instrument = new SF2Instrument();
    instrument.setName(cut.name());
    instrument.setPatch(wanted.getPatch());
    instrument.setGlobalZone(wanted.getGlobalRegion());
    for (SF2InstrumentRegion region : wanted.getRegions()) {
      SF2Layer layer = layers.computeIfAbsent(region.getLayer(), l -> thin(l, cut, used));
      if (!layer.getRegions().isEmpty() && !outside(region, cut)) {
        region.setLayer(layer);
        instrument.getRegions().add(region);
      }
    }
    List<SF2Sample> samples = new ArrayList<>(used);
    for (SF2Sample s : samples) {
      trim(s, cut);
    }
    Set<SF2Sample> halved = Collections.newSetFromMap(new IdentityHashMap<>());
    while (size(samples) > cut.maxBytes()) {
      SF2Sample longest =
          samples.stream()
              .filter(s -> s.getSampleRate() > 15_000)
              .max(Comparator.comparingLong(s -> s.getDataBuffer().capacity()))
              .orElseThrow();
      halve(longest);
      halved.add(longest);
      layers.values().forEach(l -> l.getRegions().forEach(r -> halveAddresses(r, longest)));
    }
    SF2Soundbank result = new SF2Soundbank();
    result.setName(cut.name());
    result.setVendor("Frank Wen and contributors, cut for Flailbeat");
    result.setDescription("MIT licence, see SOUNDS-LICENCE.txt");
    int n = 0;
    for (SF2Sample s : samples) {
      s.setName(cut.file() + " " + ++n);
      s.setSampleType(1);
      s.setSampleLink(0);
      result.addResource(s);
    }
    n = 0;
    for (SF2Layer l : layers.values()) {
      if (!l.getRegions().isEmpty()) {
        l.setName(cut.file() + " " + ++n);
        result.addResource(l);
      }
    }
    result.addInstrument(instrument);
    result.save(target.toFile());
    System.out.printf(
        "%-18s %9d bytes, %d samples, %d at half rate%n", cut.file(), Files.size(target), samples.size(), halved.size());
  }

  /** The layer without right halves and without far keys of a kit. */
  static SF2Layer thin(SF2Layer layer, Cut cut, Set<SF2Sample> used) {
    SF2Layer result = new SF2Layer();
    result.setGlobalZone(layer.getGlobalRegion());
    Set<String> stereo = new HashSet<>();
    for (SF2LayerRegion r : layer.getRegions()) {
      if (r.getSample().getSampleType() == 2) {
        stereo.add(keys(r) + velocities(r));
      }
    }
    for (SF2LayerRegion r : layer.getRegions()) {
      boolean rightHalf = r.getSample().getSampleType() == 2;
      if (rightHalf || outside(r, cut)) {
        continue;
      }
      if (stereo.contains(keys(r) + velocities(r))) {
        r.putShort(SF2Region.GENERATOR_PAN, (short) 0);
        short attenuation = r.contains(SF2Region.GENERATOR_INITIALATTENUATION)
            ? r.getShort(SF2Region.GENERATOR_INITIALATTENUATION) : 0;
        r.putShort(SF2Region.GENERATOR_INITIALATTENUATION, (short) Math.max(0, attenuation - 30));
      }
      used.add(r.getSample());
      result.getRegions().add(r);
    }
    return result;
  }

  static String keys(SF2Region r) {
    return r.contains(43) ? Arrays.toString(r.getBytes(43)) : "all";
  }

  static String velocities(SF2Region r) {
    return r.contains(44) ? Arrays.toString(r.getBytes(44)) : "all";
  }

  static boolean outside(SF2Region r, Cut cut) {
    if (!cut.kit() || !r.contains(43)) {
      return false;
    }
    byte[] range = r.getBytes(43);
    return range[1] < 35 || range[0] > 59;
  }

  static long size(List<SF2Sample> samples) {
    return samples.stream().mapToLong(s -> s.getDataBuffer().capacity()).sum();
  }

  static short[] read(SF2Sample s) throws Exception {
    byte[] b = s.getDataBuffer().getInputStream().readAllBytes();
    short[] x = new short[b.length / 2];
    for (int i = 0; i < x.length; i++) {
      x[i] = (short) ((b[2 * i] & 255) | (b[2 * i + 1] << 8));
    }
    return x;
  }

  static void write(SF2Sample s, short[] x) {
    byte[] b = new byte[x.length * 2];
    for (int i = 0; i < x.length; i++) {
      b[2 * i] = (byte) x[i];
      b[2 * i + 1] = (byte) (x[i] >> 8);
    }
    s.setData(b);
    s.setData24((ModelByteBuffer) null);
  }

  /** Takes leading silence away, so that a note is heard as soon as it is struck. */
  static void trimStart(SF2Sample s) throws Exception {
    short[] x = read(s);
    int first = 0;
    while (first < x.length / 2 && Math.abs(x[first]) <= 12) {
      first++;
    }
    int from = Math.max(0, first - 8);
    if (s.getEndLoop() > s.getStartLoop()) {
      from = (int) Math.min(from, s.getStartLoop());
      s.setStartLoop(s.getStartLoop() - from);
      s.setEndLoop(s.getEndLoop() - from);
    }
    write(s, Arrays.copyOfRange(x, from, x.length));
  }

  static void trim(SF2Sample s, Cut cut) throws Exception {
    trimStart(s);
    short[] x = read(s);
    boolean looped = !cut.kit() && s.getEndLoop() > s.getStartLoop() + 8;
    if (looped) {
      write(s, Arrays.copyOf(x, (int) Math.min(x.length, s.getEndLoop() + 16)));
      return;
    }
    int keep = (int) Math.min(x.length, cut.maxSeconds() * s.getSampleRate());
    if (keep < x.length) {
      int fade = (int) (s.getSampleRate() / 4);
      x = Arrays.copyOf(x, keep);
      for (int i = Math.max(0, keep - fade); i < keep; i++) {
        x[i] = (short) (x[i] * (double) (keep - i) / fade);
      }
      s.setStartLoop(0);
      s.setEndLoop(0);
    }
    write(s, x);
  }

  static void halve(SF2Sample s) throws Exception {
    short[] x = read(s);
    int taps = 31;
    double[] h = new double[taps];
    double sum = 0;
    for (int i = 0; i < taps; i++) {
      int k = i - taps / 2;
      double sinc = k == 0 ? 0.45 : Math.sin(0.45 * Math.PI * k) / (Math.PI * k);
      h[i] = sinc * (0.54 + 0.46 * Math.cos(2 * Math.PI * k / (taps - 1)));
      sum += h[i];
    }
    short[] y = new short[x.length / 2];
    for (int n = 0; n < y.length; n++) {
      double v = 0;
      for (int i = 0; i < taps; i++) {
        int at = 2 * n + i - taps / 2;
        v += at < 0 || at >= x.length ? 0 : h[i] / sum * x[at];
      }
      y[n] = (short) Math.max(-32768, Math.min(32767, Math.round(v)));
    }
    write(s, y);
    s.setSampleRate(s.getSampleRate() / 2);
    s.setStartLoop(s.getStartLoop() / 2);
    s.setEndLoop(s.getEndLoop() / 2);
  }

  static void halveAddresses(SF2LayerRegion r, SF2Sample s) {
    for (int g : ADDRESS_GENERATORS) {
      if (r.getSample() == s && r.contains(g)) {
        r.putShort(g, (short) (r.getShort(g) / 2));
      }
    }
  }
}
