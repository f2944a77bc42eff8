package flailbeat.audio;

import flailbeat.audio.sound.SoundFileFault;
import flailbeat.audio.sound.SoundLibrary;
import flailbeat.audio.synth.Synth;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.SoundedKeys;
import flailbeat.core.playback.Parts;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.function.BiConsumer;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Loads sounds on a thread of its own, in the order in which they are asked for. */
final class SoundLoader implements AutoCloseable {
  private static final Logger LOG = LoggerFactory.getLogger(SoundLoader.class);

  /** However late the window is, the other sounds wait no longer than this. */
  private static final int REST_SECONDS = 3;

  private final SoundLibrary library;
  private final Runnable onLoaded;
  private final Consumer<String> onFault;
  private final ExecutorService loader =
      Executors.newSingleThreadExecutor(
          r -> {
            Thread thread = new Thread(r, "sound-loader");
            thread.setDaemon(true);
            return thread;
          });
  private final CompletableFuture<Synth> synth;
  private final CountDownLatch restMayLoad = new CountDownLatch(1);
  private boolean firstLoaded;
  private final Instrument[] chosen = new Instrument[Parts.MOST];

  /** What was asked for last of each live channel: what is no longer wanted is not loaded. */
  private final AtomicReferenceArray<Instrument> wantedLive =
      new AtomicReferenceArray<>(Parts.MOST);

  private volatile BiConsumer<Instrument, SoundedKeys> onKeys = (instrument, keys) -> {};

  /**
   * Opens the synthesizer too.
   *
   * @param onLoaded told, on the thread of its own, when a sound is there
   * @param onFault told why one is not
   */
  SoundLoader(SoundLibrary library, Runnable onLoaded, Consumer<String> onFault) {
    this.library = library;
    this.onLoaded = onLoaded;
    this.onFault = onFault;
    this.synth = CompletableFuture.supplyAsync(() -> new Synth(library), loader);
  }

  CompletableFuture<Synth> synth() {
    return synth;
  }

  /** Lets the sounds of other parts load than of the first. */
  void loadRest() {
    restMayLoad.countDown();
  }

  /** Says who is told which pitches a sound has that was loaded. */
  void onKeys(BiConsumer<Instrument, SoundedKeys> listener) {
    onKeys = listener;
  }

  /** The program that a part was given last, 0 to 127. */
  int program(int part) {
    return chosen[part] == null ? 0 : chosen[part].program();
  }

  /** Gives a part a sound; false where it has it already. */
  boolean choose(int part, Instrument instrument) {
    wantedLive.set(part, instrument);
    if (instrument.equals(chosen[part])) {
      return false;
    }
    chosen[part] = instrument;
    load(instrument, () -> synth.join().choose(part, instrument), () -> true);
    return true;
  }

  /** Gives the live notes of a part a sound, unless another is asked for before its turn comes. */
  void tryOut(int part, Instrument instrument) {
    wantedLive.set(part, instrument);
    load(
        instrument,
        () -> synth.join().chooseLive(part, instrument),
        () -> instrument.equals(wantedLive.get(part)));
  }

  /** A file with sounds has become known: parts that were to have one of them get it. */
  void loadAnew(String fingerprint) {
    for (int part = 0; part < chosen.length; part++) {
      Instrument instrument = chosen[part];
      if (instrument != null && instrument.own().fingerprint().equals(fingerprint)) {
        chosen[part] = null;
        choose(part, instrument);
      }
    }
  }

  private void load(Instrument instrument, Runnable then, BooleanSupplier isStillWanted) {
    loader.execute(
        () -> {
          try {
            if (firstLoaded && !restMayLoad.await(REST_SECONDS, TimeUnit.SECONDS)) {
              LOG.debug("The window is late; sounds load meanwhile");
            }
            firstLoaded = true;
            if (isStillWanted.getAsBoolean()) {
              synth.join().load(instrument);
              then.run();
              onLoaded.run();
              onKeys.accept(instrument, library.keys(instrument));
            }
          } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
          } catch (SoundFileFault | RuntimeException | OutOfMemoryError e) {
            LOG.error("{} does not load", instrument.title(), e);
            onFault.accept("the sound " + instrument.title() + " does not load: " + why(e));
          }
        });
  }

  private static String why(Throwable e) {
    return e instanceof OutOfMemoryError ? "it is too large for the memory" : e.getMessage();
  }

  @Override
  public void close() {
    loader.shutdownNow();
    synth.thenAccept(Synth::close);
  }
}
