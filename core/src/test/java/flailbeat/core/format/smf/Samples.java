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
import java.util.List;
import java.util.Random;

/** Files with every kind of event in them, made up. */
final class Samples {
  private Samples() {}

  static List<SmfFile> all() {
    List<SmfFile> files = new ArrayList<>();
    for (int ppq : new int[] {24, 96, 480, 960, 1000, 15_360}) {
      files.add(everyKind(ppq));
      files.add(overlapping(ppq, ppq));
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
    events.sort(java.util.Comparator.comparingLong(SmfEvent::tick));
    return file(ppq, track(events.toArray(SmfEvent[]::new)));
  }
}
