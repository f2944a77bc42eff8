package flailbeat.audio.sound;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;

/**
 * The structure of a SoundFont file, read without its samples (SoundFont Technical Specification
 * 2.04, 2006, chapters 4 to 7; sizes and limits from memory): so that one that is damaged, lies
 * about its sizes or is of another kind is told before anything is made of it.
 *
 * @param presets in order of bank and program
 * @param fingerprint tells its content from any other's: of its size, its parameters and its first
 *     samples
 */
public record Sf2Structure(List<Preset> presets, String fingerprint) {
  /**
   * A preset.
   *
   * @param bank 0 to 128; 128 is for kits
   * @param program 0 to 127
   */
  public record Preset(String name, int bank, int program) {}

  private static final int PRESET_RECORD = 38;
  private static final int SAMPLE_RECORD = 46;
  private static final int TYPE_AT = 44;
  private static final int COMPRESSED = 0x10;
  private static final int NAME = 20;
  private static final int MOST_PARAMETERS = 64_000_000;
  private static final int OF_SAMPLES = 65_536;
  private static final Map<String, Integer> RECORDS =
      Map.of(
          "phdr",
          PRESET_RECORD,
          "pbag",
          4,
          "pmod",
          10,
          "pgen",
          4,
          "inst",
          22,
          "ibag",
          4,
          "imod",
          10,
          "igen",
          4,
          "shdr",
          SAMPLE_RECORD);

  /**
   * Reads a file.
   *
   * @throws SoundFileFault for one that cannot be used, with the reason
   */
  public static Sf2Structure read(Path file) throws IOException {
    if (file.toFile().isDirectory()) {
      throw new SoundFileFault("this is a folder: choose an SF2 file in it");
    }
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
      return new Reading(channel).structure();
    }
  }

  /** Where a chunk's content lies. */
  private record Chunk(long at, long size) {}

  private static final class Reading {
    private final FileChannel channel;
    private final long end;
    private Chunk parameters;
    private Chunk samples;
    private int major;

    Reading(FileChannel channel) throws IOException {
      this.channel = channel;
      this.end = channel.size();
    }

    Sf2Structure structure() throws IOException {
      if (end == 0) {
        throw new SoundFileFault("the file is empty");
      }
      if (end < 12 || !id(0).equals("RIFF") || !id(8).equals("sfbk")) {
        throw new SoundFileFault("this is no SF2 file: choose one that ends in .sf2");
      }
      long said = size(4) + 8;
      if (said > end) {
        throw new SoundFileFault(
            "the file is cut off: it says that it has "
                + said
                + " bytes and has "
                + end
                + ". Fetch it anew");
      }
      lists();
      if (parameters == null || samples == null) {
        throw new SoundFileFault(
            "the file is damaged: its "
                + (parameters == null ? "presets" : "samples")
                + " are missing. Fetch it anew");
      }
      if (parameters.size > MOST_PARAMETERS) {
        throw new SoundFileFault("the file is damaged: its presets would take more than 64 MB");
      }
      ByteBuffer data = bytes(parameters.at, (int) parameters.size);
      Map<String, ByteBuffer> tables = tables(data);
      requirePlain(tables.get("shdr"));
      List<Preset> presets = presets(tables.get("phdr"));
      if (presets.isEmpty()) {
        throw new SoundFileFault("the file has no presets: there is nothing in it to play");
      }
      return new Sf2Structure(presets, fingerprint(data));
    }

    private void lists() throws IOException {
      long at = 12;
      while (at + 12 <= end) {
        long size = size(at + 4);
        require(size >= 4 && at + 8 + size <= end, "a part of it is longer than the file");
        if (id(at).equals("LIST")) {
          Chunk inner = new Chunk(at + 12, size - 4);
          switch (id(at + 8)) {
            case "pdta" -> parameters = inner;
            case "sdta" -> samples = inner;
            case "INFO" -> readVersion(inner);
            default -> {
              // What is of no use here.
            }
          }
        }
        at += 8 + size + (size & 1);
      }
    }

    private void readVersion(Chunk info) throws IOException {
      long at = info.at;
      while (at + 8 <= info.at + info.size) {
        long size = size(at + 4);
        require(at + 8 + size <= info.at + info.size, "what it says of itself is cut off");
        if (id(at).equals("ifil") && size >= 2) {
          major = bytes(at + 8, 2).getShort(0);
        }
        at += 8 + size + (size & 1);
      }
    }

    private static Map<String, ByteBuffer> tables(ByteBuffer data) throws SoundFileFault {
      Map<String, ByteBuffer> result = new HashMap<>();
      int at = 0;
      while (at + 8 <= data.limit()) {
        String id = text(data, at, 4);
        long size = data.getInt(at + 4) & 0xFFFF_FFFFL;
        require(at + 8 + size <= data.limit(), "its " + id + " is longer than what holds it");
        Integer record = RECORDS.get(id);
        require(record == null || size % record == 0, "its " + id + " is no whole table");
        result.put(id, data.slice(at + 8, (int) size).order(ByteOrder.LITTLE_ENDIAN));
        at += (int) (8 + size + (size & 1));
      }
      for (String id : RECORDS.keySet()) {
        require(result.containsKey(id), "its " + id + " is missing");
      }
      return result;
    }

    /** SF3 files hold compressed samples, which would sound as noise. */
    private void requirePlain(ByteBuffer headers) throws SoundFileFault {
      long frames = samples.size / 2;
      for (int at = 0; at + 2 * SAMPLE_RECORD <= headers.limit(); at += SAMPLE_RECORD) {
        boolean compressed = (headers.getShort(at + TYPE_AT) & COMPRESSED) != 0;
        if (compressed || major >= 3) {
          throw new SoundFileFault(
              "this is an SF3 file, whose samples are compressed: turn it into an SF2 file with a"
                  + " SoundFont editor, then choose that");
        }
        long start = headers.getInt(at + NAME) & 0xFFFF_FFFFL;
        long last = headers.getInt(at + NAME + 4) & 0xFFFF_FFFFL;
        require(start <= last && last <= frames, "a sample lies beyond what it holds");
      }
    }

    private static List<Preset> presets(ByteBuffer headers) {
      List<Preset> result = new ArrayList<>();
      for (int at = 0; at + 2 * PRESET_RECORD <= headers.limit(); at += PRESET_RECORD) {
        int program = headers.getShort(at + NAME) & 0xFFFF;
        int bank = headers.getShort(at + NAME + 2) & 0xFFFF;
        if (program < 128 && bank <= 128) {
          String name = text(headers, at, NAME).strip();
          result.add(new Preset(name.isEmpty() ? "Preset " + program : name, bank, program));
        }
      }
      result.sort(Comparator.comparingInt(Preset::bank).thenComparingInt(Preset::program));
      return result;
    }

    private String fingerprint(ByteBuffer data) throws IOException {
      try {
        MessageDigest digest = MessageDigest.getInstance("SHA-256");
        digest.update(ByteBuffer.allocate(8).putLong(0, end));
        digest.update(data.duplicate().rewind());
        digest.update(bytes(samples.at, (int) Math.min(OF_SAMPLES, samples.size)));
        return HexFormat.of().formatHex(digest.digest());
      } catch (NoSuchAlgorithmException e) {
        throw new IllegalStateException("Every Java has SHA-256", e);
      }
    }

    private static void require(boolean holds, String what) throws SoundFileFault {
      if (!holds) {
        throw new SoundFileFault("the file is damaged: " + what + ". Fetch it anew");
      }
    }

    private String id(long at) throws IOException {
      return text(bytes(at, 4), 0, 4);
    }

    private long size(long at) throws IOException {
      return bytes(at, 4).getInt(0) & 0xFFFF_FFFFL;
    }

    private ByteBuffer bytes(long at, int count) throws IOException {
      ByteBuffer result = ByteBuffer.allocate(count).order(ByteOrder.LITTLE_ENDIAN);
      while (result.hasRemaining()) {
        if (channel.read(result, at + result.position()) < 0) {
          throw new SoundFileFault("the file is cut off. Fetch it anew");
        }
      }
      return result.flip();
    }

    private static String text(ByteBuffer data, int at, int length) {
      byte[] bytes = new byte[length];
      data.get(at, bytes);
      String text = new String(bytes, StandardCharsets.ISO_8859_1);
      int zero = text.indexOf(0);
      return zero < 0 ? text : text.substring(0, zero);
    }
  }
}
