package flailbeat.core.format.smf;

import flailbeat.core.format.FileFault;
import flailbeat.core.format.smf.SmfFile.SmfTrack;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * Reads a Standard MIDI File (MMA RP-001) strictly: every departure from the standard is noted as
 * damage, and what stands before it is kept. Cost: O(n) for n bytes.
 *
 * <p>Unknown chunks between tracks are passed over, as the standard asks. Bytes after the last
 * track are noted only when they are no chunk.
 */
public final class SmfReader {
  private static final int CHUNK_HEADER = 8;
  private static final int LEAST_HEADER = 6;
  private static final int MOST_TRACKS = 10_000;

  private final byte[] bytes;
  private final List<Damage> damage = new ArrayList<>();
  private long lostBytes;

  private SmfReader(byte[] bytes) {
    this.bytes = bytes;
  }

  /**
   * Reads a file.
   *
   * @throws FileFault when nothing can be made of it: no MIDI file, or a kind that is not read
   */
  public static SmfReading read(Path file) throws IOException {
    return read(Files.readAllBytes(file));
  }

  /**
   * Reads a file's bytes.
   *
   * @throws FileFault when nothing can be made of them
   */
  public static SmfReading read(byte[] bytes) throws FileFault {
    return new SmfReader(bytes).read();
  }

  private SmfReading read() throws FileFault {
    if (bytes.length == 0) {
      throw new FileFault("the file is empty");
    }
    if (bytes.length < CHUNK_HEADER + LEAST_HEADER || !tagAt(0).equals("MThd")) {
      throw new FileFault("this is no MIDI file: it does not begin with a MIDI header");
    }
    long headerLength = int32(4);
    if (headerLength < LEAST_HEADER || headerLength > bytes.length - CHUNK_HEADER) {
      throw new FileFault("the MIDI header says it is " + headerLength + " bytes long");
    }
    int format = int16(8);
    int announced = int16(10);
    int ppq = int16(12);
    if (format > 1) {
      throw new FileFault("this is a MIDI file of type " + format + "; types 0 and 1 can be read");
    }
    if (ppq >= 0x8000 || ppq == 0) {
      throw new FileFault("its times are counted in film frames, not in beats");
    }
    List<SmfTrack> tracks = tracks(CHUNK_HEADER + (int) headerLength);
    if (tracks.isEmpty()) {
      throw new FileFault("it holds no track that can be read");
    }
    int lost = Math.max(0, announced - tracks.size());
    if (announced != tracks.size()) {
      noteDamage("the header announces " + count(announced) + ", there are " + tracks.size(), 10);
    }
    if (format == 0 && tracks.size() > 1) {
      noteDamage("a file of type 0 has one track, this has " + tracks.size(), 8);
      format = 1;
    }
    return new SmfReading(new SmfFile(format, ppq, tracks), List.copyOf(damage), lost, lostBytes);
  }

  private static String count(int tracks) {
    return tracks + (tracks == 1 ? " track" : " tracks");
  }

  private List<SmfTrack> tracks(int start) {
    List<SmfTrack> tracks = new ArrayList<>();
    int at = start;
    while (bytes.length - at >= CHUNK_HEADER && tracks.size() < MOST_TRACKS) {
      String tag = tagAt(at);
      at = isTag(tag) ? chunk(tracks, tag, at) : lost(at, bytes.length);
    }
    if (at < bytes.length) {
      lost(at, bytes.length);
    }
    return tracks;
  }

  /** Reads one chunk and returns where the next begins. */
  private int chunk(List<SmfTrack> tracks, String tag, int at) {
    long length = int32(at + 4);
    int from = at + CHUNK_HEADER;
    int there = (int) Math.min(length, bytes.length - from);
    boolean cut = there < length;
    if (!tag.equals("MTrk")) {
      if (cut) {
        noteDamage("the file ends inside a chunk of an unknown kind", at);
      }
      return from + there;
    }
    if (cut) {
      String said = length + " bytes announced, " + there + " there";
      noteDamage("track " + (tracks.size() + 1) + " is cut off: " + said, at);
      lostBytes += length - there;
    }
    return track(tracks, from, from + there, cut);
  }

  /** Reads one track and returns where the next chunk begins. */
  private int track(List<SmfTrack> tracks, int from, int to, boolean cut) {
    SmfTrackReader reader = new SmfTrackReader(bytes, from, to);
    String name = "track " + (tracks.size() + 1);
    tracks.add(reader.read());
    int end = reader.position();
    if (reader.fault() != null) {
      noteDamage(name + ": " + reader.fault(), end);
    } else if (!reader.sawEnd() && !cut) {
      noteDamage(name + " has no end mark", to);
    } else if (end < to) {
      noteDamage(name + " goes on after its end mark", end);
    }
    return end < to ? skipToTrack(end, to) : to;
  }

  /** Notes that what lies here is no MIDI data, as far as the next track. */
  private int lost(int from, int to) {
    int next = skipToTrack(from, to);
    noteDamage((next - from) + " bytes that are no MIDI data", from);
    return next;
  }

  /** A wrong length may have swallowed the next track: looks for its tag, counting what is lost. */
  private int skipToTrack(int from, int to) {
    int next = from;
    while (next < to && !(next + CHUNK_HEADER <= to && tagAt(next).equals("MTrk"))) {
      next++;
    }
    lostBytes += next - from;
    return next;
  }

  private void noteDamage(String message, long offset) {
    damage.add(new Damage(message, offset));
  }

  private static boolean isTag(String tag) {
    return tag.chars().allMatch(c -> c >= ' ' && c < 0x7F);
  }

  private String tagAt(int at) {
    return new String(bytes, at, 4, StandardCharsets.ISO_8859_1);
  }

  private int int16(int at) {
    return (bytes[at] & 0xFF) << 8 | bytes[at + 1] & 0xFF;
  }

  private long int32(int at) {
    return (long) int16(at) << 16 | int16(at + 2);
  }
}
