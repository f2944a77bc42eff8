package flailbeat.core.format.smf;

import flailbeat.core.format.smf.SmfFile.OtherChunk;
import flailbeat.core.format.smf.SmfFile.SmfTrack;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;

/** Writes a Standard MIDI File (MMA RP-001), with running status. */
public final class SmfWriter {
  private static final SmfEvent FILLER = SmfEvent.meta(0, 1);
  private static final SmfEvent END = SmfEvent.meta(0, SmfEvent.END_OF_TRACK);
  private static final int BYTES_AN_EVENT = 4;

  /** No event before, or one that ends running status. */
  private static final int NO_STATUS = 0;

  private final Bytes out;
  private long tick;
  private int running = NO_STATUS;

  private SmfWriter(int expected) {
    out = new Bytes(expected);
  }

  public static void write(SmfFile file, OutputStream target) throws IOException {
    DataOutputStream out = new DataOutputStream(target);
    out.write("MThd".getBytes(StandardCharsets.ISO_8859_1));
    out.writeInt(6);
    out.writeShort(file.format());
    out.writeShort(file.tracks().size());
    out.writeShort(file.ppq());
    writeOthers(file, 0, out);
    for (int i = 0; i < file.tracks().size(); i++) {
      SmfTrack track = file.tracks().get(i);
      Bytes body = new SmfWriter(16 + track.events().size() * BYTES_AN_EVENT).body(track);
      out.write("MTrk".getBytes(StandardCharsets.ISO_8859_1));
      out.writeInt(body.size());
      out.write(body.array(), 0, body.size());
      writeOthers(file, i + 1, out);
    }
    out.flush();
  }

  /** The chunks of other kinds that stand behind so many tracks. */
  private static void writeOthers(SmfFile file, int after, DataOutputStream out)
      throws IOException {
    for (OtherChunk chunk : file.others()) {
      if (chunk.after() == after) {
        out.write(chunk.tag().getBytes(StandardCharsets.ISO_8859_1));
        out.writeInt(chunk.bytes().length());
        out.write(chunk.bytes().bytes());
      }
    }
  }

  private Bytes body(SmfTrack track) {
    for (SmfEvent event : track.events()) {
      advance(event.tick());
      event(event);
    }
    advance(Math.max(tick, track.endTick()));
    event(END);
    return out;
  }

  /** Writes a delta; one too long for a single number is bridged with empty text events. */
  private void advance(long to) {
    while (to - tick > VarLen.LARGEST) {
      VarLen.write(out, VarLen.LARGEST);
      event(FILLER);
      tick += VarLen.LARGEST;
    }
    VarLen.write(out, to - tick);
    tick = to;
  }

  /** Writes an event without its time. */
  private void event(SmfEvent event) {
    int status = event.status();
    if (event.isChannelMessage()) {
      if (status != running) {
        out.write(status);
        running = status;
      }
      out.write(event.data1());
      if ((status & 0xE0) != 0xC0) {
        out.write(event.data2());
      }
      return;
    }
    running = NO_STATUS;
    out.write(status);
    if (status == SmfEvent.META) {
      out.write(event.data1());
    }
    byte[] payload = event.payload().bytes();
    VarLen.write(out, payload.length);
    out.write(payload);
  }
}
