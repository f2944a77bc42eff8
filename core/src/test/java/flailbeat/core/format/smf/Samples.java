package flailbeat.core.format.smf;

import static flailbeat.core.format.smf.Midi.control;
import static flailbeat.core.format.smf.Midi.exclusive;
import static flailbeat.core.format.smf.Midi.file;
import static flailbeat.core.format.smf.Midi.meta;
import static flailbeat.core.format.smf.Midi.off;
import static flailbeat.core.format.smf.Midi.on;
import static flailbeat.core.format.smf.Midi.program;
import static flailbeat.core.format.smf.Midi.track;

import flailbeat.core.format.smf.SmfFile.SmfTrack;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Random;

/** Files with every kind of event in them, made up. */
final class Samples {
  private static final int JUMBLED = 40;

  private Samples() {}

  static List<SmfFile> all() {
    List<SmfFile> files = new ArrayList<>();
    for (int ppq : new int[] {24, 96, 480, 960, 1000, 15_360}) {
      files.add(everyKind(ppq));
      files.add(overlapping(ppq, ppq));
    }
    for (int seed = 0; seed < JUMBLED; seed++) {
      files.add(jumbled(seed));
    }
    return files;
  }

  private static SmfFile everyKind(int ppq) {
    SmfTrack first =
        track(
            meta(0, 0x03, "4E69676874"),
            meta(0, 0x02, "6D6164652075702E"),
            meta(0, 0x51, "07A120"),
            meta(0, 0x58, "06032408"),
            meta(0, 0x59, "FF01"),
            meta(ppq, 0x51, "0927C0"),
            meta(ppq * 2L, 0x06, "41"));
    SmfTrack second =
        new SmfTrack(
            List.of(
                meta(0, 0x03, "4DF67765"),
                meta(0, 0x21, "01"),
                control(0, 0, 1),
                control(0, 32, 2),
                program(0, 0, 19),
                exclusive(0, "7E7F0901F7"),
                on(0, 60, 90),
                SmfEvent.channel(1, 0xA0, 60, 40),
                SmfEvent.channel(2, 0xD0, 33, 0),
                SmfEvent.channel(3, 0xE0, 0, 70),
                control(4, 64, 127),
                off(ppq / 2, 60, 11),
                meta(ppq / 2, 0x05, "6C61"),
                on(ppq, 62, 1),
                SmfEvent.channel(ppq * 2L, 0x90, 62, 0),
                control(ppq * 2L, 64, 0),
                program(ppq * 2L, 0, 48),
                meta(ppq * 2L, 0x7F, "00414243")),
            ppq * 9L);
    SmfTrack drums =
        track(
            SmfEvent.channel(0, 0x99, 36, 100),
            SmfEvent.channel(0, 0x89, 36, 64),
            SmfEvent.channel(ppq, 0x99, 38, 90),
            SmfEvent.channel(ppq + 5L, 0x89, 38, 64));
    return file(ppq, first, second, drums);
  }

  private static SmfFile overlapping(int ppq, int seed) {
    Random random = new Random(seed);
    List<SmfEvent> events = new ArrayList<>();
    for (int i = 0; i < 200; i++) {
      long onset = random.nextInt(40 * ppq);
      int pitch = 60 + random.nextInt(6);
      events.add(on(onset, pitch, 1 + random.nextInt(127)));
      events.add(off(onset + random.nextInt(2 * ppq), pitch, random.nextInt(128)));
    }
    events.sort(Comparator.comparingLong(SmfEvent::tick));
    return file(ppq, track(events.toArray(SmfEvent[]::new)));
  }

  /** Events of every kind, in any order, many at one tick; of one track or several. */
  private static SmfFile jumbled(int seed) {
    Random random = new Random(seed);
    int[] resolutions = {24, 96, 120, 192, 480, 960};
    int ppq = resolutions[random.nextInt(resolutions.length)];
    if (seed % 4 == 0) {
      return new SmfFile(0, ppq, List.of(jumbled(random, true, 1 + random.nextInt(6))));
    }
    List<SmfTrack> tracks = new ArrayList<>();
    tracks.add(jumbled(random, true, random.nextInt(3)));
    for (int i = 0; i < 1 + random.nextInt(5); i++) {
      tracks.add(jumbled(random, false, random.nextInt(4)));
    }
    return new SmfFile(1, ppq, tracks);
  }

  /** A track of so many channels; none has only what is no channel message. */
  private static SmfTrack jumbled(Random random, boolean first, int channels) {
    List<SmfEvent> events = new ArrayList<>();
    long[][] soundsUntil = new long[16][128];
    long tick = 0;
    boolean tempo = false;
    boolean meter = false;
    for (int i = 0; i < 60; i++) {
      if (random.nextInt(3) == 0) {
        tick += 10 * (1 + random.nextInt(12));
        tempo = false;
        meter = false;
      }
      int channel = channels == 0 ? 0 : (random.nextInt(channels) * 5 + 9) % 16;
      int pitch = 40 + random.nextInt(40);
      int value = random.nextInt(128);
      switch (random.nextInt(channels == 0 ? 6 : 14)) {
        case 0 -> events.add(meta(tick, 0x01, "4142"));
        case 1 -> events.add(meta(tick, random.nextBoolean() ? 0x05 : 0x06, "6C61"));
        case 2 -> events.add(exclusive(tick, "7E7F0901F7"));
        case 3 -> events.add(meta(tick, 0x03, random.nextBoolean() ? "4DF67765" : "41"));
        case 4 -> {
          if (first && !tempo) {
            events.add(meta(tick, 0x51, String.format("%06X", 300_000 + 1000 * value)));
          }
          tempo = true;
        }
        case 5 -> {
          if (first && !meter) {
            events.add(meta(tick, 0x58, String.format("%02X021808", 1 + value % 12)));
          }
          meter = true;
        }
        case 6 -> events.add(SmfEvent.channel(tick, 0xC0 | channel, value, 0));
        case 7 -> events.add(SmfEvent.channel(tick, 0xB0 | channel, 64, value));
        case 8 -> events.add(SmfEvent.channel(tick, 0xE0 | channel, value, 64));
        case 9 -> events.add(SmfEvent.channel(tick, 0xD0 | channel, value, 0));
        case 10 -> events.add(SmfEvent.channel(tick, 0xA0 | channel, pitch, value));
        default -> {
          if (soundsUntil[channel][pitch] <= tick) {
            long end = tick + 10 + 10 * random.nextInt(30);
            soundsUntil[channel][pitch] = end + 1;
            events.add(SmfEvent.channel(tick, 0x90 | channel, pitch, Math.max(1, value)));
            events.add(SmfEvent.channel(end, 0x80 | channel, pitch, value));
          }
        }
      }
    }
    // At one tick in any order, but that a note begins before it ends.
    List<SmfEvent> shuffled = new ArrayList<>(events);
    Collections.shuffle(shuffled, random);
    shuffled.sort(Comparator.comparingLong(SmfEvent::tick));
    return new SmfTrack(shuffled, tick + random.nextInt(2) * 1000L + 400);
  }
}
