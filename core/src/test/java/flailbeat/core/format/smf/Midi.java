package flailbeat.core.format.smf;

import flailbeat.core.format.FileFault;
import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.Song;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;

/** Writes small MIDI files by hand, event by event. */
final class Midi {
  private Midi() {}

  static SmfEvent on(long tick, int pitch, int velocity) {
    return SmfEvent.channel(tick, 0x90, pitch, velocity);
  }

  static SmfEvent off(long tick, int pitch, int velocity) {
    return SmfEvent.channel(tick, 0x80, pitch, velocity);
  }

  static SmfEvent control(long tick, int number, int value) {
    return SmfEvent.channel(tick, 0xB0, number, value);
  }

  static SmfEvent program(long tick, int channel, int number) {
    return SmfEvent.channel(tick, 0xC0 | channel, number, 0);
  }

  static SmfEvent meta(long tick, int type, String hex) {
    return SmfEvent.meta(tick, type, HexFormat.of().parseHex(hex));
  }

  static SmfEvent exclusive(long tick, String hex) {
    return new SmfEvent(tick, 0xF0, 0, 0, flailbeat.core.model.carried.Payload.ofHex(hex));
  }

  /** A track whose end mark stands where its last event does. */
  static SmfTrack track(SmfEvent... events) {
    long end = Arrays.stream(events).mapToLong(SmfEvent::tick).max().orElse(0);
    return new SmfTrack(List.of(events), end);
  }

  static SmfFile file(int ppq, SmfTrack... tracks) {
    return new SmfFile(1, ppq, List.of(tracks));
  }

  static byte[] bytes(SmfFile file) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      SmfWriter.write(file, out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  static byte[] hex(String text) {
    return HexFormat.of().parseHex(text.replace(" ", ""));
  }

  /** A file with one track of bytes of one's own. */
  static byte[] raw(int format, int division, String... tracks) {
    StringBuilder all = new StringBuilder("4D54686400000006");
    all.append(String.format("%04X%04X%04X", format, tracks.length, division));
    for (String track : tracks) {
      String plain = track.replace(" ", "");
      all.append("4D54726B").append(String.format("%08X", plain.length() / 2)).append(plain);
    }
    return hex(all.toString());
  }

  static SmfImport imported(SmfFile file) {
    return SmfImport.of(file, "test");
  }

  static Song song(byte[] bytes) throws FileFault {
    return imported(SmfReader.read(bytes).file()).song();
  }

  /** From file to project to file again. */
  static SmfFile throughSong(SmfFile file) {
    return SmfExport.of(imported(file).song());
  }

  /** The events of one track in words, in order, names left out. */
  static List<String> words(SmfTrack track) {
    return track.events().stream()
        .filter(e -> !e.isMeta(SmfEvent.TRACK_NAME))
        .map(
            e ->
                e.isChannelMessage()
                    ? String.format("%d %X %d %d", e.tick(), e.status(), e.data1(), e.data2())
                    : String.format("%d %X %X %s", e.tick(), e.status(), e.data1(), e.payload()))
        .toList();
  }

  /** Each note as onset, end and pitch, in order. */
  static List<String> notes(Song song) {
    return song.tracks().stream()
        .flatMap(t -> t.notes().stream())
        .sorted(Comparator.comparingLong(flailbeat.core.model.Note::onset))
        .map(n -> n.onset() + "-" + n.end() + " " + n.pitch())
        .toList();
  }
}
