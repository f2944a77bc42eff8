import java.io.*;
import java.nio.file.*;
import java.util.Random;

/** Writes a MIDI file of many loosely played notes, for measuring: java tools/MakeBigFile.java OUT.mid NOTES */
public class MakeBigFile {
  public static void main(String[] args) throws IOException {
    int notes = Integer.parseInt(args[1]);
    Random random = new Random(1);
    ByteArrayOutputStream track = new ByteArrayOutputStream();
    long at = 0;
    for (int i = 0; i < notes; i++) {
      long onset = Math.max(at, i * 240L + Math.round(40 * random.nextGaussian()));
      int pitch = 36 + random.nextInt(60);
      number(track, onset - at);
      track.write(new byte[] {(byte) 0x90, (byte) pitch, (byte) (30 + random.nextInt(90))});
      number(track, 100);
      track.write(new byte[] {(byte) 0x80, (byte) pitch, 64});
      at = onset + 100;
    }
    track.write(new byte[] {0, (byte) 0xFF, 0x2F, 0});
    try (DataOutputStream out = new DataOutputStream(Files.newOutputStream(Path.of(args[0])))) {
      out.writeBytes("MThd");
      out.writeInt(6);
      out.writeShort(0);
      out.writeShort(1);
      out.writeShort(960);
      out.writeBytes("MTrk");
      out.writeInt(track.size());
      track.writeTo(out);
    }
  }

  static void number(OutputStream out, long value) throws IOException {
    for (int shift = 21; shift > 0; shift -= 7) {
      if (value >> shift != 0) {
        out.write((int) (value >> shift & 0x7F | 0x80));
      }
    }
    out.write((int) (value & 0x7F));
  }
}
