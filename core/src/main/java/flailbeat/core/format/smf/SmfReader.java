package flailbeat.core.format.smf;

import flailbeat.core.format.FileFault;
import flailbeat.core.format.smf.SmfFile.OtherChunk;
import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.carried.Payload;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Reads a Standard MIDI File (MMA RP-001) strictly: every departure from the standard is noted,
 * with whether anything is lost by it, and what stands before it is kept. Cost: O(n) for n bytes.
 *
 * <p>Unknown chunks between tracks are passed over, as the standard asks. A file wrapped in RIFF is
 * unwrapped. Times in film frames are brought to {@value #FRAMES_PPQ} ticks to a quarter note at
 * 120 bpm, so that they last as long as they did.
 */
public final class SmfReader {
  private static final int CHUNK_HEADER = 8;
  private static final int LEAST_HEADER = 6;
  private static final int MOST_TRACKS = 10_000;
  private static final int FRAMES_PPQ = 960;
  private static final int RIFF_HEADER = 20;
  private static final int LATEST_TYPE = 2;

  /** Ticks a second at 120 bpm. */
  private static final double FRAMES_RATE = 2 * FRAMES_PPQ;

  private final byte[] bytes;
  private final List<Damage> damage = new ArrayList<>();
  private final List<OtherChunk> others = new ArrayList<>();
  private final List<Integer> otherOffsets = new ArrayList<>();
  private long lostBytes;
  private int cutTracks;
  private int announced;

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
    return new SmfReader(unwrapped(bytes)).read();
  }

  /** What a RIFF file of kind RMID holds in its data chunk; other bytes as they are. */
  private static byte[] unwrapped(byte[] bytes) {
    boolean wrapped =
        bytes.length >= RIFF_HEADER
            && tag(bytes, 0).equals("RIFF")
            && tag(bytes, 8).equals("RMID")
            && tag(bytes, 12).equals("data");
    return wrapped ? Arrays.copyOfRange(bytes, RIFF_HEADER, bytes.length) : bytes;
  }

  private SmfReading read() throws FileFault {
    if (bytes.length == 0) {
      throw new FileFault("the file is empty");
    }
    if (bytes.length < CHUNK_HEADER + LEAST_HEADER || !tagAt(0).equals("MThd")) {
      throw new FileFault("this is no MIDI file: it does not begin with a MIDI header");
    }
    int format = int16(8);
    announced = int16(10);
    int division = int16(12);
    if (format > LATEST_TYPE) {
      departs("type " + format + " is unknown; it is read as type 1", 8);
      format = 1;
    }
    if (division == 0) {
      throw new FileFault("it says that a quarter note has no ticks");
    }
    List<SmfTrack> tracks = tracks(firstChunk());
    lookForMissing(tracks);
    if (tracks.isEmpty()) {
      throw new FileFault("it holds no track that can be read");
    }
    if (announced != tracks.size()) {
      departs("the header announces " + count(announced) + ", there are " + tracks.size(), 10);
    }
    if (format == 0 && tracks.size() > 1) {
      departs("a file of type 0 has one track, this has " + tracks.size(), 8);
      format = 1;
    }
    boolean inFrames = division >= 0x8000;
    SmfFile file =
        inFrames
            ? new SmfFile(format, FRAMES_PPQ, inBeats(tracks, division), others)
            : new SmfFile(format, division, tracks, others);
    return new SmfReading(file, List.copyOf(damage), cutTracks, lostBytes);
  }

  /** The header is as long as it says, unless that cannot be. */
  private int firstChunk() {
    long length = int32(4);
    if (length >= LEAST_HEADER && length <= bytes.length - CHUNK_HEADER) {
      return CHUNK_HEADER + (int) length;
    }
    departs("the MIDI header says it is " + length + " bytes long", 4);
    return nextTrack(CHUNK_HEADER + LEAST_HEADER, bytes.length);
  }

  /** MIDI time code: frames a second as a negative number in the high byte, 29 being 29.97. */
  private List<SmfTrack> inBeats(List<SmfTrack> tracks, int division) throws FileFault {
    int frames = 256 - (division >> 8);
    int perFrame = division & 0xFF;
    if (perFrame == 0) {
      throw new FileFault("it says that a film frame has no ticks");
    }
    double rate = (frames == 29 ? 30_000 / 1001.0 : frames) * perFrame;
    departs(
        "times are counted in film frames ("
            + frames
            + " a second); they last as long at 120 bpm, whatever its tempos say",
        12);
    List<SmfTrack> result = new ArrayList<>();
    for (SmfTrack track : tracks) {
      List<SmfEvent> events = new ArrayList<>();
      for (SmfEvent event : track.events()) {
        if (!event.isMeta(SmfEvent.TEMPO)) {
          events.add(event.at(Math.round(event.tick() * FRAMES_RATE / rate)));
        }
      }
      result.add(new SmfTrack(events, Math.round(track.endTick() * FRAMES_RATE / rate)));
    }
    return result;
  }

  private static String count(int tracks) {
    return tracks + (tracks == 1 ? " track" : " tracks");
  }

  private List<SmfTrack> tracks(int start) {
    List<SmfTrack> tracks = new ArrayList<>();
    int at = start;
    while (bytes.length - at >= CHUNK_HEADER && tracks.size() < MOST_TRACKS) {
      String tag = tagAt(at);
      at = isTag(tag) ? chunk(tracks, tag, at) : skip(tracks, at);
    }
    if (at < bytes.length) {
      skip(tracks, at);
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
        damage.add(
            new Damage(
                "the file ends inside a chunk of an unknown kind", at, tracks.size() < announced));
      }
      byte[] content = Arrays.copyOfRange(bytes, from, from + there);
      otherOffsets.add(at);
      others.add(new OtherChunk(tag, tracks.size(), Payload.of(content)));
      return from + there;
    }
    if (cut) {
      String said = length + " bytes announced, " + there + " there";
      damage.add(new Damage("track " + (tracks.size() + 1) + " is cut off: " + said, at, true));
      cutTracks++;
    }
    return track(tracks, from, from + there, cut);
  }

  /**
   * Where tracks are missing that the header announces, a chunk of an unknown kind is one of them,
   * or may be: it is read as one if it can be, and is a loss in any case.
   */
  private void lookForMissing(List<SmfTrack> tracks) {
    int adopted = 0;
    for (int i = 0; i < others.size(); i++) {
      OtherChunk chunk = others.get(i);
      int after = chunk.after() + adopted;
      others.set(i, new OtherChunk(chunk.tag(), after, chunk.bytes()));
      if (tracks.size() >= announced) {
        continue;
      }
      int from = otherOffsets.get(i) + CHUNK_HEADER;
      SmfTrackReader reader = new SmfTrackReader(bytes, from, from + chunk.bytes().length());
      SmfTrack track = reader.read();
      boolean isTrack = reader.fault() == null && reader.sawEnd();
      String what = "a chunk of the unknown kind \"" + chunk.tag() + "\" ";
      if (isTrack) {
        tracks.add(after, track);
        adopted++;
        others.remove(i);
        otherOffsets.remove(i--);
      } else {
        lostBytes += chunk.bytes().length();
      }
      damage.add(
          new Damage(
              what + (isTrack ? "reads as a track that is missing" : "stands for a missing track"),
              from - CHUNK_HEADER,
              true));
    }
  }

  /** Reads one track and returns where the next chunk begins. */
  private int track(List<SmfTrack> tracks, int from, int to, boolean cut) {
    SmfTrackReader reader = new SmfTrackReader(bytes, from, to);
    String name = "track " + (tracks.size() + 1);
    tracks.add(reader.read());
    int end = reader.position();
    if (reader.carriedStatusOn()) {
      departs(name + " goes on with a status from before another kind of event", from);
    }
    if (reader.fault() != null) {
      damage.add(new Damage(name + ": " + reader.fault(), end, true));
    } else if (!reader.sawEnd() && !cut) {
      departs(name + " has no end mark", to);
    } else if (end < to) {
      departs(name + " has " + (to - end) + " bytes after its end mark", end);
    }
    if (end == to) {
      return to;
    }
    int next = nextTrack(end, to);
    lostBytes += reader.fault() != null ? next - end : 0;
    return next;
  }

  /** What lies here is no MIDI data, as far as the next track: a loss, unless all were read. */
  private int skip(List<SmfTrack> tracks, int from) {
    int next = nextTrack(from, bytes.length);
    boolean loses = tracks.size() < announced;
    damage.add(new Damage((next - from) + " bytes that are no MIDI data", from, loses));
    lostBytes += loses ? next - from : 0;
    return next;
  }

  /** A wrong length may have swallowed the next track: looks for its tag. */
  private int nextTrack(int from, int to) {
    int next = from;
    while (next < to && !(next + CHUNK_HEADER <= to && tagAt(next).equals("MTrk"))) {
      next++;
    }
    return next;
  }

  private void departs(String message, long offset) {
    damage.add(new Damage(message, offset, false));
  }

  private static boolean isTag(String tag) {
    return tag.chars().allMatch(c -> c >= ' ' && c < 0x7F);
  }

  private String tagAt(int at) {
    return tag(bytes, at);
  }

  private static String tag(byte[] bytes, int at) {
    return new String(bytes, at, 4, StandardCharsets.ISO_8859_1);
  }

  private int int16(int at) {
    return (bytes[at] & 0xFF) << 8 | bytes[at + 1] & 0xFF;
  }

  private long int32(int at) {
    return (long) int16(at) << 16 | int16(at + 2);
  }
}
