package flailbeat.audio.wav;

import flailbeat.audio.sound.SoundLibrary;
import flailbeat.core.files.FileNames;
import flailbeat.core.files.Opened;
import flailbeat.core.files.SongFormat;
import flailbeat.core.format.FileFault;
import flailbeat.core.format.SafeFile;
import flailbeat.core.format.UnwritableFault;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.Progress;
import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;

/** What is heard of a song, as WAV files. */
public final class WavSongs implements SongFormat {
  /** What the names of WAV files end in. */
  public static final String ENDING = ".wav";

  /** A WAV file says its length in 32 bits; the head and the longest tail need some of that. */
  private static final long MOST_BYTES = 0xFFFF_FFFFL - 20_000_000;

  private static final double NANOS = 1e9;

  private final WavSettings settings;
  private final SoundLibrary library;

  /** As on a compact disc, with the sounds that ship. */
  public WavSongs() {
    this(WavSettings.STANDARD, new SoundLibrary());
  }

  public WavSongs(WavSettings settings, SoundLibrary library) {
    this.settings = settings;
    this.library = library;
  }

  @Override
  public String name() {
    return "sound";
  }

  @Override
  public List<String> endings() {
    return List.of(ENDING, ".wave");
  }

  @Override
  public Opened read(Path file) throws IOException {
    throw new FileFault("a sound file holds no notes: open a project or a MIDI file");
  }

  @Override
  public Written contents(Song song) {
    return new Written(
        out -> write(song, SoundRender.whole(song), out, Progress.NONE), remarks(song));
  }

  /** What a sound file can't have of a song. */
  public static List<String> remarks(Song song) {
    List<String> out =
        song.tracks().stream()
            .filter(t -> !t.sound().port().isEmpty() && t.noteCount() > 0)
            .map(Track::name)
            .toList();
    return out.isEmpty()
        ? List.of()
        : List.of(
            String.join(", ", out)
                + " goes to a MIDI output: the sound file has it with the nearest sound of ours");
  }

  /** Writes a stretch of a song to a file, whole or not at all. */
  public void write(Song song, TickRange range, Path target, Progress progress) throws IOException {
    SafeFile.write(target, out -> write(song, range, out, progress));
  }

  /**
   * Writes each track that has notes apart, beside a file, its name behind that file's; all begin
   * where the stretch does, so that they go together again. All or none are written.
   *
   * @return the files
   */
  public List<Path> writeApart(Song song, TickRange range, Path target, Progress progress)
      throws IOException {
    List<Track> tracks = heard(song);
    List<Path> files = apart(song, target);
    List<SafeFile.Job> jobs = new ArrayList<>();
    for (int i = 0; i < tracks.size(); i++) {
      Song alone = alone(song, tracks.get(i));
      Progress part = progress.part((double) i / tracks.size(), (i + 1.0) / tracks.size());
      jobs.add(new SafeFile.Job(files.get(i), out -> write(alone, range, out, part)));
    }
    SafeFile.writeAll(jobs);
    return files;
  }

  private static List<Track> heard(Song song) {
    return song.tracks().stream().filter(t -> t.noteCount() > 0 && song.isAudible(t)).toList();
  }

  /** The files that {@link #writeApart} writes: others even where case makes no difference. */
  public static List<Path> apart(Song song, Path target) {
    Set<String> taken = new HashSet<>();
    return heard(song).stream().map(t -> beside(target, t, taken)).toList();
  }

  private static Song alone(Song song, Track track) {
    return song.mapTracks(t -> t.withSolo(t.id().equals(track.id())));
  }

  private static Path beside(Path target, Track track, Set<String> taken) {
    String base = target.getFileName().toString().replaceFirst("\\.[Ww][Aa][Vv][Ee]?$", "");
    String name = FileNames.of(track.name(), "Track");
    for (int n = 1; ; n++) {
      String more = n == 1 ? "" : " " + n;
      Path file = target.resolveSibling(base + " - " + name + more + ENDING);
      if (taken.add(file.toString().toLowerCase(Locale.ROOT))) {
        return file;
      }
    }
  }

  /**
   * What is rendered goes to a file for the time being, since a WAV file begins with its length.
   */
  private void write(Song song, TickRange range, OutputStream out, Progress progress)
      throws IOException {
    if (range.length() == 0) {
      throw new UnwritableFault("the song has no notes: there is nothing to be heard");
    }
    double seconds =
        (song.tempos().nanosAt(range.end()) - song.tempos().nanosAt(range.start())) / NANOS;
    double most = (double) MOST_BYTES / settings.bytesPerFrame() / settings.frameRate();
    if (seconds > most) {
      throw new UnwritableFault(
          String.format(
              Locale.ROOT,
              "that would be %.1f hours, and a WAV file holds %.1f: write a loop, or fewer bits",
              seconds / 3600,
              most / 3600));
    }
    Path raw = Files.createTempFile("flailbeat", ".pcm");
    try {
      long frames;
      try (OutputStream to = new BufferedOutputStream(Files.newOutputStream(raw))) {
        frames = render(song, range, to, progress);
      }
      AudioFormat format = new AudioFormat(settings.frameRate(), settings.bits(), 2, true, false);
      try (InputStream in = new BufferedInputStream(Files.newInputStream(raw))) {
        AudioSystem.write(new AudioInputStream(in, format, frames), AudioFileFormat.Type.WAVE, out);
      }
    } finally {
      Files.deleteIfExists(raw);
    }
  }

  private long render(Song song, TickRange range, OutputStream to, Progress progress)
      throws IOException {
    Pcm pcm = new Pcm(settings.bits());
    byte[][] bytes = new byte[1][];
    return SoundRender.render(
        song,
        range,
        settings.frameRate(),
        library,
        samples -> {
          if (bytes[0] == null) {
            bytes[0] = new byte[samples.length / 2 * settings.bytesPerFrame()];
          }
          pcm.write(samples, bytes[0]);
          put(bytes[0], to);
        },
        progress);
  }

  private static void put(byte[] bytes, OutputStream to) throws IOException {
    try {
      to.write(bytes);
    } catch (IOException e) {
      throw new UnwritableFault(
          "what is rendered has no room in "
              + System.getProperty("java.io.tmpdir")
              + " for the time being; make room there",
          e);
    }
  }
}
