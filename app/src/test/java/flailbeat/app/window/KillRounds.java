package flailbeat.app.window;

import flailbeat.core.edit.History;
import flailbeat.core.event.Performed;
import flailbeat.core.files.SongFiles;
import flailbeat.core.journal.JournalState;
import flailbeat.core.journal.Journals;
import flailbeat.core.journal.Locks;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Takes;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.playback.ClickSound;
import flailbeat.core.session.lost.Recovered;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * Starts the real application in its window, plays into it by keys, kills it at a random moment,
 * starts it again, takes up what it offers, and compares that with what was sent, note by note.
 *
 * <p>Usage: {@code KillRounds ROUNDS [SEED]}, on a display. Exit status 1 when anything was lost.
 */
public final class KillRounds {
  private static final long MS = 1_000_000;

  /** What is older than this when the program is killed must be there. */
  private static final long PROMISED_NANOS = 1_000 * MS;

  private static final Map<String, Integer> PITCHES =
      Map.of("A", 60, "S", 62, "D", 64, "F", 65, "G", 67, "H", 69, "J", 71, "K", 72);

  /**
   * Asked to end, it writes all that it knows of; what was sent just then may not have come yet.
   */
  private static final long SOON_NANOS = 600 * MS;

  private static final int ENDING_SECONDS = 6;

  /** What goes on when it is killed. */
  private enum Doing {
    RECORDING,
    LOOPING,
    PLAYING,
    STEPPING,
    SAVING,
    QUANTIZING
  }

  /** A key that was sent, and when. */
  private record Sent(int pitch, long nanos) {}

  private final Random random;
  private final Path folder;
  private final List<Sent> sent = Collections.synchronizedList(new ArrayList<>());
  private volatile boolean stop;
  private volatile long quantizedNanos = Long.MAX_VALUE;
  private long oldestLost;
  private int probes;
  private boolean asked;

  private KillRounds(Random random, Path folder) {
    this.random = random;
    this.folder = folder;
  }

  public static void main(String[] words) throws Exception {
    int rounds = Integer.parseInt(words[0]);
    long seed = words.length > 1 ? Long.parseLong(words[1]) : System.nanoTime();
    Random random = new Random(seed);
    System.out.println("seed " + seed);
    long oldest = 0;
    int notes = 0;
    int bad = 0;
    // One that stays: a server that nobody is connected to begins anew.
    RealKeys keys = new RealKeys();
    for (int round = 1; round <= rounds; round++) {
      Path folder = Files.createTempDirectory("flailbeat-kill");
      KillRounds each = new KillRounds(random, folder);
      Doing doing = Doing.values()[random.nextInt(Doing.values().length)];
      try {
        String said = each.round(doing, keys);
        String how = each.asked ? ", asked to end: " : ": ";
        System.out.println(round + " " + doing + how + said);
        oldest = Math.max(oldest, each.oldestLost);
        notes += each.sent.size();
      } catch (AssertionError e) {
        bad++;
        System.out.println(round + " " + doing + ": LOST: " + e.getMessage() + "; see " + folder);
        continue;
      }
      try (Stream<Path> files = Files.walk(folder)) {
        files.sorted(Comparator.reverseOrder()).forEach(f -> f.toFile().delete());
      }
    }
    System.out.printf(
        "%d of %d rounds lost nothing older than a second; %d notes sent; the oldest that was lost"
            + " was %d ms old%n",
        rounds - bad, rounds, notes, oldest / MS);
    keys.close();
    System.exit(bad == 0 ? 0 : 1);
  }

  private String round(Doing doing, RealKeys keys) throws Exception {
    Path song = folder.resolve("song.flail");
    SongFiles.standard().write(twoBars(), song);
    writeSettings();
    Process first = start(song.toString());
    long killed;
    try {
      awaitReady(keys);
      prepare(doing, keys);
      Thread player = new Thread(() -> play(doing, keys));
      player.start();
      Thread.sleep(1_000 + random.nextInt(3_000));
      killed = end(first);
      stop = true;
      player.join();
    } finally {
      first.destroyForcibly();
    }
    first.waitFor();
    String found = compare(doing, read(), killed);
    Process second = start();
    try {
      takeUp(keys, doing);
    } finally {
      second.destroyForcibly();
      second.waitFor();
    }
    compare(doing, read(), killed);
    return found;
  }

  /** A song to loop over, with nothing in it. */
  private static Song twoBars() {
    Song song = Song.empty().withTitle("Killed");
    Clip clip =
        new Clip(new ClipId(song.nextId()), 0, 2 * 3840L, Clip.NEVER, Content.NONE, Takes.NONE);
    return song.withTrack(song.tracks().getFirst().id(), t -> t.withClips(List.of(clip)))
        .withNextId(song.nextId() + 1);
  }

  /** Mostly it is killed; sometimes asked to end, as at a log-out, and then it asks nothing. */
  private long end(Process window) throws InterruptedException {
    asked = random.nextInt(5) == 0;
    long at = System.nanoTime();
    if (!asked) {
      window.destroyForcibly();
      return at;
    }
    window.destroy();
    if (!window.waitFor(ENDING_SECONDS, TimeUnit.SECONDS)) {
      throw new AssertionError("asked to end, it kept the system waiting");
    }
    return at;
  }

  private Process start(String... words) throws IOException {
    List<String> command = new ArrayList<>(List.of("./flailbeat"));
    command.addAll(List.of(words));
    ProcessBuilder builder = new ProcessBuilder(command);
    builder.directory(root().toFile());
    builder
        .environment()
        .put(
            "FLAILBEAT_JAVA_OPTIONS",
            "-Dprism.order=sw -Dflailbeat.state="
                + folder.resolve("state")
                + " -Dflailbeat.settings="
                + folder.resolve("settings.json"));
    return builder
        .redirectErrorStream(true)
        .redirectOutput(ProcessBuilder.Redirect.appendTo(folder.resolve("log.txt").toFile()))
        .start();
  }

  /** Recording begins at once. */
  private void writeSettings() throws IOException {
    Files.writeString(
        folder.resolve("settings.json"),
        """
        {"play": {"clickInPlay": false, "clickInRecord": false,
          "countIn": {"count": 0, "unit": "BARS"}, "clickSound": "%s", "clickLevel": 50}}
        """
            .formatted(ClickSound.values()[0]));
  }

  private static Path root() {
    Path here = Path.of("").toAbsolutePath();
    return Files.exists(here.resolve("flailbeat")) ? here : here.getParent();
  }

  /** Strikes a key until its journal tells of it: then the window has the keys. */
  private void awaitReady(RealKeys keys) throws Exception {
    for (int i = 0; i < 300; i++) {
      keys.send("+A ~30 -A ~170");
      if (state().filter(s -> !s.played().isEmpty()).isPresent()) {
        // The last of these may not be on the disk yet.
        keys.send("~1500");
        probes = struck(state().orElseThrow()).size();
        return;
      }
    }
    throw new AssertionError("the window never had the keys");
  }

  private void prepare(Doing doing, RealKeys keys) throws IOException {
    switch (doing) {
      case RECORDING, SAVING, QUANTIZING -> keys.send("+SHIFT +SPACE -SPACE -SHIFT ~100");
      case LOOPING ->
          keys.send("+CONTROL +SHIFT +L -L -SHIFT -CONTROL ~50 +SHIFT +SPACE -SPACE -SHIFT ~100");
      case STEPPING -> keys.send("+F3 -F3 ~100");
      case PLAYING -> keys.send("~10");
    }
  }

  private void play(Doing doing, RealKeys keys) {
    List<String> names = PITCHES.keySet().stream().sorted().toList();
    try {
      for (int i = 0; !stop; i++) {
        String key = names.get(random.nextInt(names.size()));
        List<Long> at =
            keys.send("+" + key + " ~" + (20 + random.nextInt(60)) + " -" + key + " ~40");
        sent.add(new Sent(PITCHES.get(key), at.getFirst()));
        if (doing == Doing.SAVING && i % 5 == 4) {
          // Saving ends a recording: it begins again at once.
          keys.send("+CONTROL +S -S -CONTROL ~60 +SHIFT +SPACE -SPACE -SHIFT ~60");
        }
        if (doing == Doing.QUANTIZING && i == 6) {
          keys.send("+SPACE -SPACE ~100");
          quantizedNanos = keys.send("+CONTROL +T -T -CONTROL ~30").getLast();
          return;
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private Optional<JournalState> state() throws IOException {
    Path journals = folder.resolve("state/journals");
    try (Locks none = new Locks(folder.resolve("none"))) {
      return new Journals(journals, none, System::currentTimeMillis)
          .list(System.out::println).stream()
              .map(l -> l.reading().state())
              .filter(s -> s.file().isPresent())
              .findFirst();
    }
  }

  private static List<Integer> struck(JournalState state) {
    return state.played().stream()
        .map(p -> p.event())
        .filter(Performed.NoteOn.class::isInstance)
        .map(e -> ((Performed.NoteOn) e).pitch())
        .toList();
  }

  private Recovered read() throws IOException {
    try (Locks none = new Locks(folder.resolve("none"))) {
      List<Journals.Listed> all =
          new Journals(folder.resolve("state/journals"), none, System::currentTimeMillis)
              .list(System.out::println);
      if (all.size() != 1) {
        throw new AssertionError(all.size() + " journals");
      }
      return Recovered.of(all.getFirst().reading());
    }
  }

  /** The window offers it; Enter takes it up, and what was being recorded is a step then. */
  private void takeUp(RealKeys keys, Doing doing) throws Exception {
    long before = firstPlayedNanos();
    for (int i = 0; i < 150; i++) {
      keys.send("~150 +ENTER -ENTER ~50");
      if (firstPlayedNanos() != before && state().orElseThrow().recording().isEmpty()) {
        return;
      }
    }
    throw new AssertionError("it was not taken up while " + doing);
  }

  /** Once it is taken up, what was played counts by the clock of the new window. */
  private long firstPlayedNanos() throws IOException {
    return state().orElseThrow().played().iterator().next().event().atNanos();
  }

  private String compare(Doing doing, Recovered recovered, long killed) {
    List<Integer> wanted = sent.stream().map(Sent::pitch).toList();
    List<Integer> found = found(doing, recovered);
    long promised = asked ? SOON_NANOS : PROMISED_NANOS;
    long must = sent.stream().filter(s -> killed - s.nanos() > promised).count();
    if (found.size() < must) {
      throw new AssertionError(
          "of " + wanted.size() + " notes " + must + " are promised, " + found.size() + " there");
    }
    if (found.size() > wanted.size()
        || !inOrder(found, doing).equals(inOrder(wanted.subList(0, found.size()), doing))) {
      throw new AssertionError("sent " + wanted + ", found " + found);
    }
    if (found.size() < wanted.size()) {
      oldestLost = Math.max(oldestLost, killed - sent.get(found.size()).nanos());
    }
    History<Song> history = recovered.reading().state().history();
    boolean quantized = history.steps().stream().anyMatch(s -> s.label().startsWith("Quantize"));
    if (killed - quantizedNanos > PROMISED_NANOS && !quantized) {
      throw new AssertionError("what was quantized is not");
    }
    return found.size() + " of " + wanted.size() + " notes, " + history.cursor() + " steps";
  }

  /** What was laid over what is there stands among it. */
  private static List<Integer> inOrder(List<Integer> pitches, Doing doing) {
    return doing == Doing.LOOPING || doing == Doing.SAVING
        ? pitches.stream().sorted().toList()
        : pitches;
  }

  private List<Integer> found(Doing doing, Recovered recovered) {
    if (doing == Doing.PLAYING) {
      JournalState state = recovered.reading().state();
      List<Integer> all = struck(state);
      return all.subList(Math.min(probes, all.size()), all.size());
    }
    return recovered.song().tracks().getFirst().notes().stream()
        .sorted(Comparator.comparingLong((Note n) -> n.played().onset()))
        .map(Note::pitch)
        .toList();
  }
}
