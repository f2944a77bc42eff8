package flailbeat.core.disk;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.MappedByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.ReadableByteChannel;
import java.nio.channels.WritableByteChannel;
import java.nio.file.Path;

/** A file of a faulty disk, or one of its folders, which can only be forced. */
final class FaultyChannel extends FileChannel {
  private final FaultyDisk disk;
  private final Path path;
  private final FileChannel real;

  /**
   * A file.
   *
   * @param real null for a folder
   */
  FaultyChannel(FaultyDisk disk, Path path, FileChannel real) {
    this.disk = disk;
    this.path = path;
    this.real = real;
  }

  @Override
  public int write(ByteBuffer from) throws IOException {
    long position = real.position();
    int count = write(from, position);
    real.position(position + count);
    return count;
  }

  @Override
  public int write(ByteBuffer from, long position) throws IOException {
    int allowed = disk.allowed(from);
    boolean all = allowed == from.remaining();
    byte[] bytes = new byte[allowed];
    from.get(bytes);
    real.write(ByteBuffer.wrap(bytes), position);
    disk.wrote(path, position, bytes);
    if (!all) {
      throw FaultyDisk.noRoom();
    }
    return allowed;
  }

  @Override
  public long write(ByteBuffer[] from, int offset, int length) throws IOException {
    long count = 0;
    for (int i = offset; i < offset + length; i++) {
      count += write(from[i]);
    }
    return count;
  }

  @Override
  public int read(ByteBuffer to) throws IOException {
    return real.read(to);
  }

  @Override
  public long read(ByteBuffer[] to, int offset, int length) throws IOException {
    return real.read(to, offset, length);
  }

  @Override
  public int read(ByteBuffer to, long position) throws IOException {
    return real.read(to, position);
  }

  @Override
  public long position() throws IOException {
    return real.position();
  }

  @Override
  public FileChannel position(long value) throws IOException {
    real.position(value);
    return this;
  }

  @Override
  public long size() throws IOException {
    return real.size();
  }

  @Override
  public FileChannel truncate(long size) throws IOException {
    if (size < real.size()) {
      disk.truncated(path, size);
      real.truncate(size);
    }
    return this;
  }

  @Override
  public void force(boolean metaData) throws IOException {
    if (real == null) {
      disk.forcedFolder(path);
    } else {
      disk.forced(path);
    }
  }

  @Override
  public long transferTo(long position, long count, WritableByteChannel target) throws IOException {
    return real.transferTo(position, count, target);
  }

  @Override
  public long transferFrom(ReadableByteChannel source, long position, long count) {
    throw new UnsupportedOperationException();
  }

  @Override
  public MappedByteBuffer map(MapMode mode, long position, long size) {
    throw new UnsupportedOperationException();
  }

  @Override
  public FileLock lock(long position, long size, boolean shared) throws IOException {
    return real.lock(position, size, shared);
  }

  @Override
  public FileLock tryLock(long position, long size, boolean shared) throws IOException {
    return real.tryLock(position, size, shared);
  }

  @Override
  protected void implCloseChannel() throws IOException {
    if (real != null) {
      real.close();
    }
  }
}
