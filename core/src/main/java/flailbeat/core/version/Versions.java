package flailbeat.core.version;

import flailbeat.core.format.SafeFile;
import flailbeat.core.journal.Locks;
import flailbeat.core.journal.SavedFile;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.function.LongSupplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.GZIPOutputStream;

/** The versions of all songs, in one folder, which is never the person's own. */
public final class Versions {
  private static final Pattern NAME = Pattern.compile("(\\d{8,9})-(\\d{1,15})-([0-9a-f]+)\\.gz");

  /** Says to a person who looks in of which file they are. */
  private static final String WHOSE = "of.txt";

  private final Path folder;
  private final LongSupplier wallMillis;

  /**
   * Those of a folder, which need not be there yet.
   *
   * @param wallMillis the time, in milliseconds since 1970
   */
  public Versions(Path folder, LongSupplier wallMillis) {
    this.folder = folder;
    this.wallMillis = wallMillis;
  }

  /**
   * Keeps a song's file as it is now, since it is about to be written over; nothing where it is not
   * there, or kept already. Then those that are too many go.
   *
   * @throws IOException when it cannot be kept; then nothing has changed
   */
  public void keep(Path song) throws IOException {
    if (!Files.isRegularFile(song)) {
      return;
    }
    SavedFile now = SavedFile.of(song);
    List<Version> all = of(song);
    if (!all.isEmpty() && all.getFirst().crc() == now.crc()) {
      return;
    }
    Path place = placeOf(song);
    Files.createDirectories(place);
    long number = all.isEmpty() ? 1 : all.getFirst().number() + 1;
    long millis = Files.getLastModifiedTime(song).toMillis();
    String name = "%08d-%d-%s.gz".formatted(number, millis, HexFormat.of().toHexDigits(now.crc()));
    SafeFile.write(place.resolve(name), out -> copy(song, out));
    if (all.isEmpty()) {
      byte[] whose = (song.toAbsolutePath() + "\n").getBytes(StandardCharsets.UTF_8);
      SafeFile.write(place.resolve(WHOSE), out -> out.write(whose));
    }
    thin(song);
  }

  private static void copy(Path song, OutputStream out) throws IOException {
    try (InputStream in = Files.newInputStream(song)) {
      GZIPOutputStream zip = new GZIPOutputStream(out);
      in.transferTo(zip);
      zip.finish();
    }
  }

  private void thin(Path song) throws IOException {
    List<Version> all = of(song);
    List<Version> kept = Thinning.kept(all, wallMillis.getAsLong());
    for (Version version : all) {
      if (!kept.contains(version)) {
        Files.deleteIfExists(version.file());
      }
    }
  }

  /** The versions of a song's file, the latest first. */
  public List<Version> of(Path song) throws IOException {
    Path place = placeOf(song);
    List<Version> result = new ArrayList<>();
    if (Files.isDirectory(place)) {
      try (DirectoryStream<Path> files = Files.newDirectoryStream(place)) {
        for (Path file : files) {
          version(file).ifPresent(result::add);
        }
      }
    }
    result.sort(Comparator.comparingLong(Version::number).reversed());
    return result;
  }

  private static Optional<Version> version(Path file) throws IOException {
    Matcher name = NAME.matcher(file.getFileName().toString());
    return name.matches()
        ? Optional.of(
            new Version(
                file,
                Long.parseLong(name.group(1)),
                Long.parseLong(name.group(2)),
                HexFormat.fromHexDigits(name.group(3)),
                Files.size(file)))
        : Optional.empty();
  }

  /** Where those of a song's file are. */
  public Path placeOf(Path song) {
    return folder.resolve(Locks.nameOf(song));
  }
}
