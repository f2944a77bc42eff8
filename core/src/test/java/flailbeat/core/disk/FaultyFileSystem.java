package flailbeat.core.disk;

import java.io.IOException;
import java.net.URI;
import java.nio.channels.FileChannel;
import java.nio.channels.SeekableByteChannel;
import java.nio.file.AccessMode;
import java.nio.file.CopyOption;
import java.nio.file.DirectoryStream;
import java.nio.file.FileStore;
import java.nio.file.FileSystem;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.OpenOption;
import java.nio.file.Path;
import java.nio.file.PathMatcher;
import java.nio.file.StandardOpenOption;
import java.nio.file.WatchService;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.FileAttributeView;
import java.nio.file.attribute.UserPrincipalLookupService;
import java.nio.file.spi.FileSystemProvider;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The file system of a faulty disk: what changes anything is told to the disk first. */
final class FaultyFileSystem extends FileSystem {
  private final FaultyDisk disk;
  private final Provider provider = new Provider();

  FaultyFileSystem(FaultyDisk disk) {
    this.disk = disk;
  }

  Path wrap(Path real) {
    return real == null ? null : new FaultyPath(this, real);
  }

  static Path real(Path path) {
    return path instanceof FaultyPath f ? f.real() : path;
  }

  @Override
  public FileSystemProvider provider() {
    return provider;
  }

  @Override
  public void close() {
    // It is there as long as its disk.
  }

  @Override
  public boolean isOpen() {
    return true;
  }

  @Override
  public boolean isReadOnly() {
    return false;
  }

  @Override
  public String getSeparator() {
    return "/";
  }

  @Override
  public Iterable<Path> getRootDirectories() {
    List<Path> roots = new ArrayList<>();
    disk.live.getRootDirectories().forEach(r -> roots.add(wrap(r)));
    return roots;
  }

  @Override
  public Iterable<FileStore> getFileStores() {
    return disk.live.getFileStores();
  }

  @Override
  public Set<String> supportedFileAttributeViews() {
    return disk.live.supportedFileAttributeViews();
  }

  @Override
  public Path getPath(String first, String... more) {
    return wrap(disk.live.getPath(first, more));
  }

  @Override
  public PathMatcher getPathMatcher(String pattern) {
    PathMatcher matcher = disk.live.getPathMatcher(pattern);
    return path -> matcher.matches(real(path));
  }

  @Override
  public UserPrincipalLookupService getUserPrincipalLookupService() {
    return disk.live.getUserPrincipalLookupService();
  }

  @Override
  public WatchService newWatchService() {
    throw new UnsupportedOperationException();
  }

  /** Hands everything on, and tells of it. */
  private final class Provider extends FileSystemProvider {
    @Override
    public String getScheme() {
      return "faulty";
    }

    @Override
    public FileSystem newFileSystem(URI uri, Map<String, ?> env) {
      throw new UnsupportedOperationException();
    }

    @Override
    public FileSystem getFileSystem(URI uri) {
      return FaultyFileSystem.this;
    }

    @Override
    public Path getPath(URI uri) {
      throw new UnsupportedOperationException();
    }

    @Override
    public SeekableByteChannel newByteChannel(
        Path path, Set<? extends OpenOption> options, FileAttribute<?>... attributes)
        throws IOException {
      return newFileChannel(path, options, attributes);
    }

    @Override
    public FileChannel newFileChannel(
        Path path, Set<? extends OpenOption> options, FileAttribute<?>... attributes)
        throws IOException {
      Path real = real(path);
      if (Files.isDirectory(real)) {
        return new FaultyChannel(disk, real, null);
      }
      boolean creates =
          options.contains(StandardOpenOption.CREATE)
              || options.contains(StandardOpenOption.CREATE_NEW);
      if (creates && !Files.exists(real)) {
        disk.created(real);
      }
      boolean truncates =
          options.contains(StandardOpenOption.TRUNCATE_EXISTING) && Files.exists(real);
      if (truncates) {
        disk.truncated(real, 0);
      }
      FileChannel channel = FileChannel.open(real, options, attributes);
      return new FaultyChannel(disk, real, channel);
    }

    @Override
    public DirectoryStream<Path> newDirectoryStream(
        Path folder, DirectoryStream.Filter<? super Path> filter) throws IOException {
      DirectoryStream<Path> stream =
          Files.newDirectoryStream(real(folder), p -> filter.accept(wrap(p)));
      List<Path> all = new ArrayList<>();
      stream.forEach(p -> all.add(wrap(p)));
      return new DirectoryStream<>() {
        @Override
        public Iterator<Path> iterator() {
          return all.iterator();
        }

        @Override
        public void close() throws IOException {
          stream.close();
        }
      };
    }

    @Override
    public void createDirectory(Path folder, FileAttribute<?>... attributes) throws IOException {
      if (!Files.exists(real(folder))) {
        disk.beginFolder();
      }
      Files.createDirectory(real(folder), attributes);
    }

    @Override
    public void delete(Path path) throws IOException {
      if (Files.exists(real(path))) {
        disk.beginDelete();
      }
      Files.delete(real(path));
      disk.deleted(real(path));
    }

    @Override
    public void copy(Path source, Path target, CopyOption... options) {
      throw new UnsupportedOperationException();
    }

    @Override
    public void move(Path source, Path target, CopyOption... options) throws IOException {
      disk.beginMove();
      Files.move(real(source), real(target), options);
      disk.moved(real(source), real(target));
    }

    @Override
    public boolean isSameFile(Path path, Path other) throws IOException {
      return Files.isSameFile(real(path), real(other));
    }

    @Override
    public boolean isHidden(Path path) throws IOException {
      return Files.isHidden(real(path));
    }

    @Override
    public FileStore getFileStore(Path path) throws IOException {
      return Files.getFileStore(real(path));
    }

    @Override
    public void checkAccess(Path path, AccessMode... modes) throws IOException {
      real(path).getFileSystem().provider().checkAccess(real(path), modes);
    }

    @Override
    public <V extends FileAttributeView> V getFileAttributeView(
        Path path, Class<V> type, LinkOption... options) {
      return Files.getFileAttributeView(real(path), type, options);
    }

    @Override
    public <A extends BasicFileAttributes> A readAttributes(
        Path path, Class<A> type, LinkOption... options) throws IOException {
      return Files.readAttributes(real(path), type, options);
    }

    @Override
    public Map<String, Object> readAttributes(Path path, String attributes, LinkOption... options)
        throws IOException {
      return Files.readAttributes(real(path), attributes, options);
    }

    @Override
    public void setAttribute(Path path, String attribute, Object value, LinkOption... options)
        throws IOException {
      Files.setAttribute(real(path), attribute, value, options);
    }
  }
}
