package flailbeat.core.disk;

import java.io.IOException;
import java.net.URI;
import java.nio.file.FileSystem;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.WatchEvent;
import java.nio.file.WatchKey;
import java.nio.file.WatchService;

/** A path on a faulty disk. */
record FaultyPath(FaultyFileSystem system, Path real) implements Path {
  @Override
  public FileSystem getFileSystem() {
    return system;
  }

  @Override
  public boolean isAbsolute() {
    return real.isAbsolute();
  }

  @Override
  public Path getRoot() {
    return system.wrap(real.getRoot());
  }

  @Override
  public Path getFileName() {
    return system.wrap(real.getFileName());
  }

  @Override
  public Path getParent() {
    return system.wrap(real.getParent());
  }

  @Override
  public int getNameCount() {
    return real.getNameCount();
  }

  @Override
  public Path getName(int index) {
    return system.wrap(real.getName(index));
  }

  @Override
  public Path subpath(int from, int to) {
    return system.wrap(real.subpath(from, to));
  }

  @Override
  public boolean startsWith(Path other) {
    return real.startsWith(FaultyFileSystem.real(other));
  }

  @Override
  public boolean endsWith(Path other) {
    return real.endsWith(FaultyFileSystem.real(other));
  }

  @Override
  public Path normalize() {
    return system.wrap(real.normalize());
  }

  @Override
  public Path resolve(Path other) {
    return system.wrap(real.resolve(FaultyFileSystem.real(other)));
  }

  @Override
  public Path relativize(Path other) {
    return system.wrap(real.relativize(FaultyFileSystem.real(other)));
  }

  @Override
  public URI toUri() {
    return real.toUri();
  }

  @Override
  public Path toAbsolutePath() {
    return system.wrap(real.toAbsolutePath());
  }

  @Override
  public Path toRealPath(LinkOption... options) throws IOException {
    return system.wrap(real.toRealPath(options));
  }

  @Override
  public WatchKey register(
      WatchService watcher, WatchEvent.Kind<?>[] events, WatchEvent.Modifier... modifiers) {
    throw new UnsupportedOperationException();
  }

  @Override
  public int compareTo(Path other) {
    return real.compareTo(FaultyFileSystem.real(other));
  }

  @Override
  public String toString() {
    return real.toString();
  }
}
