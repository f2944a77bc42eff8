package flailbeat.core.quantize.report;

import flailbeat.core.model.Note;
import flailbeat.core.quantize.beat.BeatGuess;
import flailbeat.core.quantize.beat.SongBeat;
import flailbeat.core.quantize.beat.Voice;
import flailbeat.core.time.Meter;
import flailbeat.core.work.Progress;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * Performs notated tunes with no click, all notes as loud as one another, and compares tempo, meter
 * and bars that are heard with their notation. Fails when fewer meters are right than is wanted.
 */
final class MeterReport {
  private static final int OF_EACH = 40;
  private static final double NEAR = 0.04;
  private static final double WANTED = 0.4;

  private static final List<Meter> METERS =
      List.of(new Meter(2, 4), new Meter(3, 4), new Meter(4, 4), new Meter(6, 8), new Meter(9, 8));

  private MeterReport() {}

  /** How many were right. */
  private static final class Tally {
    private int tunes;
    private int tempo;
    private int octave;
    private int meter;
    private int like;
    private int bar;

    void add(Tally more) {
      tunes += more.tunes;
      tempo += more.tempo;
      octave += more.octave;
      meter += more.meter;
      like += more.like;
      bar += more.bar;
    }

    void print(Object title) {
      System.out.printf(
          Locale.ROOT,
          "| %s | %d | %.1f %% | %.1f %% | %.1f %% | %.1f %% | %.1f %% |%n",
          title,
          tunes,
          100.0 * tempo / tunes,
          100.0 * octave / tunes,
          100.0 * meter / tunes,
          100.0 * like / tunes,
          100.0 * bar / tunes);
    }
  }

  public static void main(String[] words) throws IOException {
    List<NotatedParts> parts = new ArrayList<>(NotatedParts.of(Path.of(words[0])));
    Collections.shuffle(parts, new Random(words.length > 1 ? Long.parseLong(words[1]) : 1));
    Shares tempos = new Shares();
    Shares meters = new Shares();
    System.out.println(
        "| meter | tunes | tempo | half, double, 2:3 | meter | in twos or threes | bar line |");
    System.out.println("|---|---|---|---|---|---|---|");
    Tally all = new Tally();
    for (Meter meter : METERS) {
      Tally tally = new Tally();
      parts.stream()
          .filter(p -> p.song().meters().changes().size() == 1)
          .filter(p -> p.song().meters().meterAt(0).equals(meter))
          .limit(OF_EACH)
          .forEach(p -> hear(p, tally, tempos, meters));
      all.add(tally);
      if (tally.tunes > 0) {
        tally.print(meter);
      }
    }
    all.print("all");
    System.out.printf("%nTold of the tempo, and right:%n%n");
    tempos.print();
    System.out.printf("%nTold of the meter, and right:%n%n");
    meters.print();
    if (all.meter < WANTED * all.tunes) {
      throw new IllegalStateException("That is less than is wanted");
    }
  }

  private static void hear(NotatedParts part, Tally tally, Shares tempos, Shares meters) {
    Meter meter = part.song().meters().meterAt(0);
    Random random = new Random(31L * part.notes().size() + part.notes().getLast().onset());
    double lag = -25 + random.nextInt(66);
    double spread = 8 + random.nextInt(11);
    double bpm = 84 + random.nextInt(50);
    double turn = 2 * Math.PI * random.nextDouble();
    boolean compound = meter.unit() == 8 && meter.beats() % 3 == 0;
    double beatTicks = compound ? 1440 : 960;
    List<Note> notes =
        part.notes().stream().sorted(Comparator.comparingLong(Note::onset)).limit(400).toList();
    Voice voice =
        new Voice(
            new double[notes.size()],
            new double[notes.size()],
            new int[notes.size()],
            new int[notes.size()],
            false);
    double[][] struck = new double[notes.size()][];
    for (int i = 0; i < notes.size(); i++) {
      Note note = notes.get(i);
      double at = ms(note.onset() / beatTicks, bpm, turn);
      double end = ms(note.end() / beatTicks, bpm, turn);
      double onset = at + lag + spread * random.nextGaussian();
      struck[i] = new double[] {onset, Math.max(30, 0.9 * (end - at)), note.pitch()};
    }
    Arrays.sort(struck, Comparator.comparingDouble(s -> s[0]));
    for (int i = 0; i < struck.length; i++) {
      voice.ms()[i] = struck[i][0];
      voice.lengthMs()[i] = struck[i][1];
      voice.velocity()[i] = 80;
      voice.pitch()[i] = (int) struck[i][2];
    }
    SongBeat.Found found = new SongBeat(List.of(voice)).find(Progress.NONE);
    BeatGuess first = found.guesses().getFirst();
    double ratio = first.bpm() / bpm;
    boolean tempo = Math.abs(ratio - 1) < NEAR;
    Meter heard = first.meter().orElseThrow();
    boolean right = heard.equals(meter);
    tally.tunes++;
    tally.tempo += tempo ? 1 : 0;
    for (double other : new double[] {0.5, 2, 2 / 3.0, 1.5, 1 / 3.0, 3}) {
      tally.octave += Math.abs(ratio / other - 1) < NEAR ? 1 : 0;
    }
    tally.meter += right ? 1 : 0;
    tally.like += heard.beats() % 3 == 0 == (meter.beats() % 3 == 0) ? 1 : 0;
    tally.bar += tempo && right && barIsRight(part, first, notes, beatTicks, bpm, turn) ? 1 : 0;
    tempos.add(found.tempo(), tempo);
    meters.add(found.meter(), right);
  }

  private static boolean barIsRight(
      NotatedParts part,
      BeatGuess guess,
      List<Note> notes,
      double beatTicks,
      double bpm,
      double turn) {
    long middle = notes.get(notes.size() / 2).onset();
    long bar = part.song().meters().barRangeAt(middle).start();
    double at = guess.beatsAt(ms(bar / beatTicks, bpm, turn)) / guess.beatsPerBar();
    return Math.abs(at - Math.rint(at)) < 0.08;
  }

  /** The tempo breathes by three per cent, once in 32 beats. */
  private static double ms(double beats, double bpm, double turn) {
    double swing = 0.015 * 32 / (2 * Math.PI);
    double drift = swing * (Math.cos(turn) - Math.cos(turn + 2 * Math.PI * beats / 32));
    return 1500 + 60_000 / bpm * (beats - drift);
  }
}
