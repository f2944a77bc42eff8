package flailbeat.core.format.smf;

import flailbeat.core.format.SafeFile;
import flailbeat.core.format.smf.SmfFile.SmfTrack;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/** Writes a Standard MIDI File (MMA RP-001), with running status. */
public final class SmfWriter {
  private static final byte[] TEXT_FILLER = {};

  private SmfWriter() {}

  /** Writes the file whole or, when that fails, leaves the target as it was. */
  public static void write(SmfFile file, Path target) throws IOException {
    SafeFile.write(target, out -> write(file, out));
  }

  public static void write(SmfFile file, OutputStream target) throws IOException {
    DataOutputStream out = new DataOutputStream(target);
    out.write("MThd".getBytes(StandardCharsets.ISO_8859_1));
    out.writeInt(6);
    out.writeShort(file.format());
    out.writeShort(file.tracks().size());
    out.writeShort(file.ppq());
    for (SmfTrack track : file.tracks()) {
      byte[] body = body(track);
      out.write("MTrk".getBytes(StandardCharsets.ISO_8859_1));
      out.writeInt(body.length);
      out.write(body);
    }
    out.flush();
  }

  private static byte[] body(SmfTrack track) {
    ByteArrayOutputStream out = new ByteArrayOutputStream(16 + track.events().size() * 4);
    long tick = 0;
    int running = 0;
    for (SmfEvent event : track.events()) {
      tick = advance(out, tick, event.tick(), event.isChannelMessage() ? running : 0);
      running = event(out, event, running);
    }
    advance(out, tick, Math.max(tick, track.endTick()), 0);
    event(out, SmfEvent.meta(0, SmfEvent.END_OF_TRACK), 0);
    return out.toByteArray();
  }

  /** Writes a delta; one too long for a single number is bridged with empty text events. */
  private static long advance(ByteArrayOutputStream out, long from, long to, int running) {
    long delta = to - from;
    while (delta > VarLen.LARGEST) {
      VarLen.write(out, VarLen.LARGEST);
      event(out, SmfEvent.meta(0, 1, TEXT_FILLER), running);
      delta -= VarLen.LARGEST;
    }
    VarLen.write(out, delta);
    return to;
  }

  /** Writes an event without its time; returns the running status after it. */
  private static int event(ByteArrayOutputStream out, SmfEvent event, int running) {
    int status = event.status();
    if (event.isChannelMessage()) {
      if (status != running) {
        out.write(status);
      }
      out.write(event.data1());
      if ((status & 0xE0) != 0xC0) {
        out.write(event.data2());
      }
      return status;
    }
    out.write(status);
    if (status == SmfEvent.META) {
      out.write(event.data1());
    }
    VarLen.write(out, event.payload().length());
    out.writeBytes(event.payload().bytes());
    return 0;
  }
}
