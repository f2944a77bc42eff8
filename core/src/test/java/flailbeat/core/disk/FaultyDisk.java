package flailbeat.core.disk;

import com.google.common.jimfs.Configuration;
import com.google.common.jimfs.Jimfs;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.FileSystem;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * A disk in memory that fails as disks do: at the n-th operation, in the middle of a write, for
 * want of room, or because the power goes. After that it can be asked what it may have kept: what
 * was forced, and of the rest any part, in any order.
 */
public final class FaultyDisk {
  /** What happens at an operation. */
  public enum Fault {
    /** It fails, and the next ones do not. */
    FAILS,
    /** Of a write a part is done, and it fails; any other operation fails. */
    TEARS,
    /** It fails, and so do all after it. */
    POWER_CUT
  }

  /** Something was done to the bytes of a file. */
  private record DataOp(long position, byte[] bytes, long truncatedTo) {}

  /** Something was done to the names in a folder: a name has a file now, or none. */
  private record NameOp(String path, Integer file, String alsoGone) {}

  final FileSystem live =
      Jimfs.newFileSystem(Configuration.unix().toBuilder().setAttributeViews("posix").build());
  private final FaultyFileSystem faulty = new FaultyFileSystem(this);

  private final Map<String, Integer> files = new HashMap<>();
  private int nextFile;
  private Map<String, Integer> durableNames = new TreeMap<>();
  private final Map<Integer, byte[]> durableBytes = new HashMap<>();
  private final Map<Integer, List<DataOp>> pendingBytes = new HashMap<>();
  private final Map<String, List<NameOp>> pendingNames = new TreeMap<>();

  private Fault fault = Fault.FAILS;
  private int failsAt = Integer.MAX_VALUE;
  private int operations;
  private long room = Long.MAX_VALUE;
  private boolean off;
  private Runnable before = () -> {};

  /** A path on it. */
  public Path path(String first, String... more) {
    return faulty.getPath(first, more);
  }

  /** Plans a fault, counted from now on; all that was done so far is safe. */
  public void plan(Fault what, int atOperation) throws IOException {
    settle();
    fault = what;
    failsAt = atOperation;
    operations = 0;
  }

  /** Leaves room for so many more bytes. */
  public void leaveRoom(long bytes) {
    room = bytes;
  }

  /** Does something before each operation, such as wait. */
  public void before(Runnable what) {
    before = what;
  }

  /** How many operations there were since a fault was planned. */
  public int operations() {
    return operations;
  }

  /** Whether the planned fault has come. */
  public boolean hasFailed() {
    return operations >= failsAt;
  }

  private void settle() throws IOException {
    pendingBytes.clear();
    pendingNames.clear();
    durableNames = new TreeMap<>(files);
    durableBytes.clear();
    for (Map.Entry<String, Integer> each : files.entrySet()) {
      durableBytes.put(each.getValue(), Files.readAllBytes(live.getPath(each.getKey())));
    }
  }

  /** An operation begins; whether it is the one that is torn. */
  private boolean begin() throws IOException {
    before.run();
    operations++;
    if (off || operations == failsAt) {
      off |= fault == Fault.POWER_CUT;
      if (fault != Fault.TEARS || off) {
        throw new IOException(off ? "Input/output error" : "planned fault");
      }
      return true;
    }
    return false;
  }

  private static void tearNothing(boolean torn) throws IOException {
    if (torn) {
      throw new IOException("planned fault");
    }
  }

  void created(Path path) throws IOException {
    tearNothing(begin());
    String name = path.toAbsolutePath().toString();
    if (!files.containsKey(name)) {
      files.put(name, nextFile);
      name(name, nextFile++, null);
    }
  }

  /** How much of a write is done. */
  int allowed(ByteBuffer bytes) throws IOException {
    boolean torn = begin();
    int wanted = bytes.remaining();
    int done = torn ? wanted / 2 : (int) Math.min(wanted, room);
    room -= done;
    return done;
  }

  static IOException noRoom() {
    return new IOException("No space left on device");
  }

  void wrote(Path path, long position, byte[] bytes) {
    data(path, new DataOp(position, bytes, -1));
  }

  void truncated(Path path, long size) throws IOException {
    tearNothing(begin());
    data(path, new DataOp(0, new byte[0], size));
  }

  private void data(Path path, DataOp op) {
    pendingBytes.computeIfAbsent(fileOf(path), x -> new ArrayList<>()).add(op);
  }

  private Integer fileOf(Path path) {
    return files.get(path.toAbsolutePath().toString());
  }

  void forced(Path path) throws IOException {
    tearNothing(begin());
    Integer file = fileOf(path);
    if (file != null) {
      byte[] bytes = durableBytes.getOrDefault(file, new byte[0]);
      for (DataOp op : pendingBytes.getOrDefault(file, List.of())) {
        bytes = applied(bytes, op, op.bytes().length);
      }
      durableBytes.put(file, bytes);
      pendingBytes.remove(file);
    }
  }

  void forcedFolder(Path folder) throws IOException {
    tearNothing(begin());
    List<NameOp> ops = pendingNames.remove(folder.toAbsolutePath().toString());
    if (ops != null) {
      ops.forEach(op -> apply(durableNames, op));
    }
  }

  void beginMove() throws IOException {
    tearNothing(begin());
  }

  void moved(Path from, Path to) {
    String source = from.toAbsolutePath().toString();
    String target = to.toAbsolutePath().toString();
    Integer file = files.remove(source);
    files.put(target, file);
    name(target, file, source);
  }

  void beginDelete() throws IOException {
    tearNothing(begin());
  }

  void deleted(Path path) {
    String name = path.toAbsolutePath().toString();
    files.remove(name);
    name(name, null, null);
  }

  void beginFolder() throws IOException {
    tearNothing(begin());
  }

  private void name(String path, Integer file, String alsoGone) {
    String folder = live.getPath(path).getParent().toString();
    pendingNames
        .computeIfAbsent(folder, x -> new ArrayList<>())
        .add(new NameOp(path, file, alsoGone));
  }

  private static void apply(Map<String, Integer> names, NameOp op) {
    if (op.file() == null) {
      names.remove(op.path());
    } else {
      names.put(op.path(), op.file());
    }
    if (op.alsoGone() != null) {
      names.remove(op.alsoGone());
    }
  }

  private static byte[] applied(byte[] bytes, DataOp op, int count) {
    if (op.truncatedTo() >= 0) {
      return Arrays.copyOf(bytes, (int) Math.min(bytes.length, op.truncatedTo()));
    }
    byte[] result = Arrays.copyOf(bytes, Math.max(bytes.length, (int) op.position() + count));
    System.arraycopy(op.bytes(), 0, result, (int) op.position(), count);
    return result;
  }

  /**
   * A disk that holds what this one may have kept when the power went now: of the names in each
   * folder that were not forced the first so many, of writes that were not forced any, some of them
   * in part.
   */
  public FaultyDisk afterPowerCut(Random random) throws IOException {
    Map<String, Integer> names = new TreeMap<>(durableNames);
    for (List<NameOp> ops : pendingNames.values()) {
      ops.subList(0, random.nextInt(ops.size() + 1)).forEach(op -> apply(names, op));
    }
    FaultyDisk result = new FaultyDisk();
    for (Path folder : folders()) {
      Files.createDirectories(result.live.getPath(folder.toString()));
    }
    for (Map.Entry<String, Integer> each : names.entrySet()) {
      byte[] bytes = durableBytes.getOrDefault(each.getValue(), new byte[0]);
      for (DataOp op : pendingBytes.getOrDefault(each.getValue(), List.of())) {
        int kind = random.nextInt(4);
        if (kind > 0) {
          int length = op.bytes().length;
          bytes = applied(bytes, op, kind == 1 ? random.nextInt(length + 1) : length);
        }
      }
      Path path = result.live.getPath(each.getKey());
      Files.createDirectories(path.getParent());
      Files.write(path, bytes);
      result.files.put(each.getKey(), result.nextFile++);
    }
    result.settle();
    return result;
  }

  private List<Path> folders() throws IOException {
    try (Stream<Path> all = Files.walk(live.getPath("/"))) {
      return all.filter(Files::isDirectory).toList();
    }
  }
}
