import com.sun.media.sound.*;
import java.io.File;
import java.nio.file.*;
import java.util.*;

/**
 * Cuts the sounds that Flailbeat ships out of a freely licensed General MIDI bank: one small SF2 file for each set of
 * programs that are made of the same samples, and one for all kits.
 *
 * <p>Run once by hand, not by the build:
 *
 * <pre>java --add-exports java.desktop/com.sun.media.sound=ALL-UNNAMED tools/CutSounds.java BANK.sf2 OUTDIR [FILE...]</pre>
 *
 * <p>What is done to each file to keep it under its size and quick: stereo pairs become their left half; silence before
 * the attack and everything after a loop's end are trimmed; sounds without a loop are cut at a given length with a fade;
 * samples are halved in rate or, below 44.1 kHz, brought down to 22.05 kHz (windowed-sinc low-pass), the longest first,
 * while the file is still too large; then samples are left out, and their neighbours play their keys. Names inside the files are ours.
 */
public class CutSounds {
  /** Drums in the same file: this is added to a kit's number. */
  static final int KIT = 1000;

  /** No sample gets a lower rate than this. */
  static final float LEAST_RATE = 22_050;

  /** Loops shorter than this stay as they are. */
  static final int SHORT_LOOP = 40;

  /** Cut first, when loops' ends were rounded as they were halved: kept so, so that they sound as they did. */
  static final Set<String> FIRST = Set.of("acoustic-piano", "strings");

  record Cut(String file, int maxBytes, double maxSeconds, int... programs) {}

  static final List<Cut> CUTS =
      List.of(
          new Cut("acoustic-piano", 3_700_000, 7, 0, 1, 3),
          new Cut("electric-grand", 750_000, 4, 2),
          new Cut("electric-piano", 2_900_000, 6, 4),
          new Cut("tine-piano", 700_000, 5, 5),
          new Cut("harpsichord", 750_000, 3, 6),
          new Cut("clavinet", 700_000, 5, 7, 84, 87),
          new Cut("celesta", 700_000, 4, 8),
          new Cut("glockenspiel", 500_000, 4, 9),
          new Cut("music-box", 500_000, 4, 10),
          new Cut("vibraphone", 1_000_000, 6, 11),
          new Cut("marimba", 1_500_000, 4, 12),
          new Cut("xylophone", 500_000, 2, 13),
          new Cut("tubular-bells", 600_000, 6, 14),
          new Cut("dulcimer", 520_000, 4, 15),
          new Cut("drawbar-organ", 1_000_000, 6, 16),
          new Cut("percussive-organ", 750_000, 5, 17),
          new Cut("rock-organ", 800_000, 5, 18),
          new Cut("church-organ", 1_400_000, 5, 19),
          new Cut("reed-organ", 700_000, 5, 20),
          new Cut("accordion", 800_000, 5, 21, 23),
          new Cut("harmonica", 700_000, 5, 22),
          new Cut("nylon-guitar", 2_000_000, 5, 24, 99),
          new Cut("steel-guitar", 1_100_000, 5, 25),
          new Cut("jazz-guitar", 700_000, 5, 26),
          new Cut("clean-guitar", 700_000, 5, 27, 103),
          new Cut("muted-guitar", 500_000, 3, 28),
          new Cut("overdriven-guitar", 900_000, 5, 29),
          new Cut("distortion-guitar", 850_000, 5, 30),
          new Cut("guitar-harmonics", 700_000, 5, 31),
          new Cut("acoustic-bass", 1_000_000, 4, 32),
          new Cut("fingered-bass", 1_400_000, 4, 33),
          new Cut("picked-bass", 700_000, 4, 34),
          new Cut("fretless-bass", 700_000, 4, 35),
          new Cut("slap-bass-1", 750_000, 4, 36),
          new Cut("slap-bass-2", 750_000, 4, 37),
          new Cut("synth-bass-1", 700_000, 4, 38, 86),
          new Cut("synth-bass-2", 700_000, 4, 39),
          new Cut("violin", 900_000, 5, 40, 110),
          new Cut("viola", 750_000, 5, 41),
          new Cut("cello", 900_000, 5, 42),
          new Cut("contrabass", 700_000, 5, 43),
          new Cut("strings", 2_800_000, 6, 44, 48, 49),
          new Cut("pizzicato", 600_000, 3, 45),
          new Cut("harp", 600_000, 4, 46),
          new Cut("timpani", 560_000, 5, 47),
          new Cut("synth-pads", 900_000, 6, 50, 51, 88, 90, 91, 92, 94, 96),
          new Cut("choir", 1_150_000, 6, 52, 102),
          new Cut("voices", 560_000, 6, 53),
          new Cut("synth-voice", 600_000, 6, 54),
          new Cut("orchestra-hit", 700_000, 4, 55),
          new Cut("trumpet", 700_000, 5, 56),
          new Cut("trombone", 700_000, 5, 57),
          new Cut("tuba", 700_000, 5, 58),
          new Cut("muted-trumpet", 700_000, 5, 59),
          new Cut("french-horn", 700_000, 5, 60),
          new Cut("brass-section", 850_000, 5, 61),
          new Cut("synth-brass", 700_000, 5, 62, 63, 83),
          new Cut("soprano-sax", 650_000, 5, 64),
          new Cut("alto-sax", 700_000, 5, 65),
          new Cut("tenor-sax", 750_000, 5, 66),
          new Cut("baritone-sax", 750_000, 5, 67),
          new Cut("oboe", 700_000, 5, 68),
          new Cut("english-horn", 600_000, 5, 69),
          new Cut("bassoon", 560_000, 5, 70),
          new Cut("clarinet", 700_000, 5, 71),
          new Cut("piccolo", 500_000, 5, 72),
          new Cut("flute", 700_000, 5, 73),
          new Cut("recorder", 500_000, 5, 74),
          new Cut("pan-flute", 700_000, 5, 75),
          new Cut("bottle", 500_000, 5, 76, 85),
          new Cut("shakuhachi", 700_000, 5, 77),
          new Cut("whistle", 700_000, 5, 78),
          new Cut("ocarina", 700_000, 5, 79),
          new Cut("square-lead", 100_000, 6, 80, 98),
          new Cut("saw-lead", 100_000, 6, 81),
          new Cut("calliope", 700_000, 5, 82),
          new Cut("warm-pad", 700_000, 6, 89, 93, 97, 100),
          new Cut("sweep-pad", 700_000, 6, 95),
          new Cut("goblins", 700_000, 6, 101),
          new Cut("sitar", 700_000, 4, 104),
          new Cut("banjo", 500_000, 3, 105),
          new Cut("shamisen", 700_000, 4, 106),
          new Cut("koto", 700_000, 4, 107),
          new Cut("kalimba", 700_000, 4, 108),
          new Cut("bagpipe", 600_000, 5, 109),
          new Cut("shanai", 700_000, 5, 111),
          new Cut("tinkle-bell", 700_000, 4, 112),
          new Cut("agogo", 700_000, 4, 113),
          new Cut("steel-drums", 700_000, 4, 114),
          new Cut("woodblock", 700_000, 4, 115),
          new Cut("taiko", 700_000, 4, 116),
          new Cut("melodic-tom", 700_000, 4, 117),
          new Cut("synth-drum", 700_000, 4, 118),
          new Cut("reverse-cymbal", 700_000, 4, 119),
          new Cut("fret-noise", 700_000, 4, 120),
          new Cut("breath-noise", 700_000, 4, 121),
          new Cut("seashore", 700_000, 6, 122),
          new Cut("bird", 700_000, 6, 123),
          new Cut("telephone", 700_000, 6, 124),
          new Cut("helicopter", 700_000, 6, 125),
          new Cut("applause", 700_000, 6, 126),
          new Cut("gunshot", 700_000, 6, 127),
          new Cut("kits", 7_000_000, 2.2, KIT, KIT + 8, KIT + 16, KIT + 24, KIT + 25, KIT + 32, KIT + 40, KIT + 48));

  static final int[] ADDRESS_GENERATORS = {0, 1, 2, 3, 4, 12, 45, 50};

  public static void main(String[] args) throws Exception {
    File bank = new File(args[0]);
    Path out = Path.of(args[1]);
    Files.createDirectories(out);
    Set<String> wanted = Set.copyOf(Arrays.asList(args).subList(2, args.length));
    long all = 0;
    for (Cut cut : CUTS) {
      if (wanted.isEmpty() || wanted.contains(cut.file())) {
        all += cut(bank, cut, out.resolve(cut.file() + ".sf2"));
      }
    }
    System.out.printf("%d bytes%n", all);
  }

  static SF2Instrument find(SF2Soundbank source, int program) {
    for (var i : source.getInstruments()) {
      ModelPatch p = (ModelPatch) i.getPatch();
      if (p.getProgram() == program % KIT && p.isPercussion() == program >= KIT && p.getBank() == 0) {
        return (SF2Instrument) i;
      }
    }
    throw new IllegalArgumentException("No program " + program);
  }

  static long cut(File bankFile, Cut cut, Path target) throws Exception {
    SF2Soundbank source = new SF2Soundbank(bankFile);
    boolean kits = cut.programs()[0] >= KIT;
    Set<SF2Sample> used = new LinkedHashSet<>();
    Map<SF2Layer, SF2Layer> layers = new LinkedHashMap<>();
    List<SF2Instrument> instruments = new ArrayList<>();
    for (int program : cut.programs()) {
      SF2Instrument wanted = find(source, program);
      SF2Instrument instrument = new SF2Instrument();
      instrument.setName(cut.file() + " " + program % KIT);
      instrument.setPatch(wanted.getPatch());
      instrument.setGlobalZone(wanted.getGlobalRegion());
      for (SF2InstrumentRegion region : wanted.getRegions()) {
        SF2Layer layer = layers.computeIfAbsent(region.getLayer(), l -> thin(l, used));
        if (!layer.getRegions().isEmpty()) {
          region.setLayer(layer);
          instrument.getRegions().add(region);
        }
      }
      instruments.add(instrument);
    }
    List<SF2Sample> samples = new ArrayList<>(used);
    for (SF2Sample s : samples) {
      trim(s, kits, cut.maxSeconds());
    }
    Set<SF2Sample> halved = Collections.newSetFromMap(new IdentityHashMap<>());
    boolean more = true;
    while (size(samples) > cut.maxBytes() && more) {
      Optional<SF2Sample> longest =
          samples.stream()
              .filter(s -> s.getSampleRate() > (FIRST.contains(cut.file()) ? 15_000 : 1.2 * LEAST_RATE))
              .filter(s -> !isLooped(s, kits) || s.getEndLoop() - s.getStartLoop() >= SHORT_LOOP)
              .max(Comparator.comparingLong(s -> s.getDataBuffer().capacity()));
      more = longest.isPresent();
      if (more) {
        SF2Sample s = longest.get();
        double factor = 2;
        if (FIRST.contains(cut.file())) {
          halve(s);
        } else {
          factor = shrink(s, Math.min(2, s.getSampleRate() / LEAST_RATE), isLooped(s, kits));
        }
        double by = factor;
        halved.add(s);
        layers.values().forEach(l -> l.getRegions().forEach(r -> shrinkAddresses(r, s, by)));
      }
    }
    int before = samples.size();
    while (size(samples) > cut.maxBytes() && !kits && dropOne(samples, layers.values())) {
      // One less.
    }
    int dropped = before - samples.size();
    SF2Soundbank result = new SF2Soundbank();
    result.setName(cut.file());
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
    for (SF2Instrument i : instruments) {
      result.addInstrument(i);
    }
    result.save(target.toFile());
    System.out.printf(
        "%-18s %9d bytes, %d samples, %d at a lower rate, %d left out%s%n",
        cut.file(),
        Files.size(target),
        samples.size(),
        halved.size(),
        dropped,
        size(samples) > cut.maxBytes() ? ", STILL TOO LARGE" : "");
    return Files.size(target);
  }

  static boolean isLooped(SF2Sample s, boolean kit) {
    return !kit && s.getEndLoop() > s.getStartLoop() + 8;
  }

  /**
   * Leaves a sample out, and gives its keys to those beside it: the largest of those whose neighbours are nearest to one
   * another. False where that cannot be.
   */
  static boolean dropOne(List<SF2Sample> samples, Collection<SF2Layer> layers) {
    List<SF2Sample> scale =
        samples.stream().sorted(Comparator.comparingInt(SF2Sample::getOriginalPitch)).toList();
    List<SF2Sample> inner = new ArrayList<>(scale.subList(1, Math.max(1, scale.size() - 1)));
    inner.sort(
        Comparator.comparingInt((SF2Sample s) -> gap(scale, s) / 4)
            .thenComparingLong(s -> -s.getDataBuffer().capacity()));
    for (SF2Sample s : inner) {
      int left = samples.size();
      drop(Set.of(s), samples, layers);
      if (samples.size() < left) {
        return true;
      }
    }
    return false;
  }

  static int gap(List<SF2Sample> scale, SF2Sample s) {
    int i = scale.indexOf(s);
    return scale.get(i + 1).getOriginalPitch() - scale.get(i - 1).getOriginalPitch();
  }

  static void drop(Set<SF2Sample> gone, List<SF2Sample> samples, Collection<SF2Layer> layers) {
    for (SF2Layer layer : layers) {
      Map<String, List<SF2LayerRegion>> byVelocity = new LinkedHashMap<>();
      for (SF2LayerRegion r : layer.getRegions()) {
        byVelocity.computeIfAbsent(velocities(r), v -> new ArrayList<>()).add(r);
      }
      for (List<SF2LayerRegion> rows : byVelocity.values()) {
        rows.removeIf(r -> !r.contains(43));
        rows.sort(Comparator.comparingInt(r -> r.getBytes(43)[0]));
        List<SF2LayerRegion> kept = rows.stream().filter(r -> !gone.contains(r.getSample())).toList();
        if (kept.isEmpty() || kept.size() == rows.size()) {
          continue;
        }
        for (SF2LayerRegion r : rows) {
          if (gone.contains(r.getSample())) {
            byte[] keys = r.getBytes(43);
            SF2LayerRegion below = kept.stream().filter(k -> k.getBytes(43)[1] < keys[0]).reduce((a, b) -> b).orElse(null);
            SF2LayerRegion above = kept.stream().filter(k -> k.getBytes(43)[0] > keys[1]).findFirst().orElse(null);
            int middle = below == null ? keys[0] - 1 : above == null ? keys[1] : (keys[0] + keys[1]) / 2;
            if (below != null && middle >= keys[0]) {
              below.putBytes(43, new byte[] {below.getBytes(43)[0], (byte) middle});
            }
            if (above != null && middle < keys[1]) {
              above.putBytes(43, new byte[] {(byte) (middle + 1), above.getBytes(43)[1]});
            }
            layer.getRegions().remove(r);
          }
        }
      }
    }
    Set<SF2Sample> left = Collections.newSetFromMap(new IdentityHashMap<>());
    layers.forEach(l -> l.getRegions().forEach(r -> left.add(r.getSample())));
    samples.removeIf(s -> !left.contains(s));
  }

  /** The layer without right halves. */
  static SF2Layer thin(SF2Layer layer, Set<SF2Sample> used) {
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
      if (rightHalf) {
        continue;
      }
      boolean leftHalf = r.getSample().getSampleType() == 4;
      if (leftHalf || stereo.contains(keys(r) + velocities(r))) {
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

  static void trim(SF2Sample s, boolean kit, double maxSeconds) throws Exception {
    trimStart(s);
    short[] x = read(s);
    boolean looped = isLooped(s, kit);
    if (looped) {
      write(s, Arrays.copyOf(x, (int) Math.min(x.length, s.getEndLoop() + 16)));
      return;
    }
    int keep = (int) Math.min(x.length, maxSeconds * s.getSampleRate());
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

  /** Lowers the rate, so that a whole number of frames goes round as a loop: by as little less or more as that takes. */
  static double shrink(SF2Sample s, double wanted, boolean looped) throws Exception {
    short[] x = read(s);
    long loop = s.getEndLoop() - s.getStartLoop();
    long newLoop = Math.round(loop / wanted);
    double factor = looped ? (double) loop / newLoop : wanted;
    long origin = looped ? s.getStartLoop() : 0;
    long newStart = Math.round(origin / factor);
    int size = (int) (Math.floor((x.length - 1 - origin) / factor) + newStart + 1);
    size = looped ? (int) Math.min(size, newStart + newLoop + 16) : size;
    short[] y = new short[size];
    int half = 24;
    double cutoff = 0.92 / factor;
    for (int n = 0; n < size; n++) {
      double at = origin + (n - newStart) * factor;
      long middle = Math.round(at);
      double sum = 0;
      double weights = 0;
      for (long i = middle - half; i <= middle + half; i++) {
        double d = i - at;
        double sinc = Math.abs(d) < 1e-9 ? cutoff : Math.sin(cutoff * Math.PI * d) / (Math.PI * d);
        double w = sinc * (0.54 + 0.46 * Math.cos(Math.PI * d / (half + 1)));
        long from = i;
        while (looped && from >= s.getEndLoop()) {
          from -= loop;
        }
        weights += w;
        sum += from < 0 || from >= x.length ? 0 : w * x[(int) from];
      }
      y[n] = (short) Math.max(-32768, Math.min(32767, Math.round(sum / weights)));
    }
    write(s, y);
    double rate = s.getSampleRate() / factor;
    double cents = 1200 * Math.log(rate / Math.round(rate)) / Math.log(2);
    s.setSampleRate(Math.round(rate));
    s.setPitchCorrection((byte) Math.round(s.getPitchCorrection() + cents));
    s.setStartLoop(looped ? newStart : 0);
    s.setEndLoop(looped ? newStart + newLoop : 0);
    return factor;
  }

  static void shrinkAddresses(SF2LayerRegion r, SF2Sample s, double factor) {
    for (int g : ADDRESS_GENERATORS) {
      if (r.getSample() == s && r.contains(g)) {
        r.putShort(g, (short) (r.getShort(g) / factor));
      }
    }
  }
}
