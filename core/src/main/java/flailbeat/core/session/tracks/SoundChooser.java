package flailbeat.core.session.tracks;

import flailbeat.core.edit.tracks.LastPhrase;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.GeneralMidi;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.playback.Player;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.document.WhileRecording;
import flailbeat.core.session.hands.SoundKeys;
import flailbeat.core.session.person.SoundTaste;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/**
 * Goes through the sounds for a track: what is under the cursor is what the keys play at once,
 * while all else goes on as it is. It is kept, or left for what was there before.
 */
public final class SoundChooser {
  public static final String FAVOURITES = "Favourites";
  public static final String LAST = "Last used";
  public static final String KITS = "Drum kits";

  private final Document document;
  private final TrackActions tracks;
  private final RunControl runControl;
  private final Player player;
  private final SoundTaste taste;
  private final SoundKeys keys;
  private final Changes changes;
  private final Notices notices;
  private final WhileRecording whileRecording;

  /** The presets of the person's own files, by the name of the file. */
  private Map<String, List<Instrument>> own = Map.of();

  private Optional<TrackId> open = Optional.empty();
  private String family = GeneralMidi.families().getFirst();
  private String sought = "";
  private List<Instrument> shown = List.of();
  private int cursor;

  public SoundChooser(
      Document document,
      TrackActions tracks,
      RunControl runControl,
      Player player,
      SoundTaste taste,
      SoundKeys keys,
      Changes changes,
      Notices notices,
      WhileRecording whileRecording) {
    this.document = document;
    this.tracks = tracks;
    this.runControl = runControl;
    this.player = player;
    this.taste = taste;
    this.keys = keys;
    this.changes = changes;
    this.notices = notices;
    this.whileRecording = whileRecording;
    changes.listen(this::onChange);
  }

  /** Another track or another song is not what sounds are gone through for. */
  private void onChange(Change change) {
    boolean elsewhere = open.filter(id -> !id.equals(document.track().id())).isPresent();
    boolean songChanged = change.isOf(Aspect.SONG) || change.isOf(Aspect.CHOICE);
    if (songChanged && elsewhere) {
      cancel();
    } else if (songChanged) {
      goOnTrying();
    }
  }

  /** What gave the track a sound meanwhile leaves the one under the cursor to the keys. */
  private void goOnTrying() {
    if (isOpen() && !runControl.live().isTrying()) {
      current()
          .filter(i -> !i.equals(document.track().instrument()))
          .ifPresent(runControl.live()::tryOut);
    }
  }

  /** Whether sounds are gone through. */
  public boolean isOpen() {
    return open.isPresent();
  }

  /** Begins at the sound that the chosen track has. */
  public void open() {
    if (whileRecording.refuses()) {
      return;
    }
    Track track = document.track();
    open = Optional.of(track.id());
    sought = "";
    Instrument now = track.instrument();
    family = familyOf(now);
    list();
    cursor = Math.max(0, shown.indexOf(now.kit() ? nearestKit(now) : now));
    changes.fire(Aspect.SOUNDS);
  }

  private static Instrument nearestKit(Instrument kit) {
    return kit.own().isNone() ? Instrument.kit(GeneralMidi.kit(kit.program())) : kit;
  }

  private String familyOf(Instrument instrument) {
    if (!instrument.own().isNone() && own.containsKey(instrument.own().file())) {
      return instrument.own().file();
    }
    return instrument.kit()
        ? KITS
        : GeneralMidi.families().get(GeneralMidi.family(instrument.program()));
  }

  /** Says which presets the person's own files have, by the names of the files. */
  public void setOwn(Map<String, List<Instrument>> presets) {
    own = new LinkedHashMap<>(presets);
    if (isOpen()) {
      list();
      hearCursor();
    }
    changes.fire(Aspect.SOUNDS);
  }

  /** The families that there are to choose from, from the top down. */
  public List<String> families() {
    List<String> result = new ArrayList<>(List.of(FAVOURITES, LAST));
    result.addAll(GeneralMidi.families());
    result.add(KITS);
    result.addAll(own.keySet());
    return result;
  }

  /** The family that is shown; what is sought is sought in all. */
  public String family() {
    return family;
  }

  /** What is sought, empty for nothing. */
  public String sought() {
    return sought;
  }

  /** The sounds that are shown, from the top down. */
  public List<Instrument> shown() {
    return shown;
  }

  /** Which of those shown is under the cursor; empty where none is shown. */
  public OptionalInt cursor() {
    return shown.isEmpty() ? OptionalInt.empty() : OptionalInt.of(cursor);
  }

  /** The sound under the cursor. */
  public Optional<Instrument> current() {
    return shown.isEmpty() ? Optional.empty() : Optional.of(shown.get(cursor));
  }

  /** Shows a family, from its first sound on. */
  public void showFamily(String name) {
    family = name;
    sought = "";
    list();
    cursor = 0;
    hearCursor();
  }

  /** Shows the family so many further down, round and round. */
  public void stepFamily(int by) {
    List<String> all = families();
    showFamily(all.get(Math.floorMod(all.indexOf(family) + by, all.size())));
  }

  /** Shows what the words are in: a name, a family, or what people call such a sound. */
  public void seek(String words) {
    Optional<Instrument> before = current();
    sought = words.strip();
    list();
    cursor = sought.isEmpty() ? Math.max(0, before.map(shown::indexOf).orElse(0)) : 0;
    hearCursor();
  }

  private void list() {
    shown = sought.isEmpty() ? of(family) : found(sought.toLowerCase(Locale.ROOT));
    cursor = Math.clamp(cursor, 0, Math.max(0, shown.size() - 1));
  }

  private List<Instrument> of(String name) {
    return switch (name) {
      case FAVOURITES -> taste.favourites();
      case LAST -> taste.last();
      case KITS -> GeneralMidi.kits().stream().map(Instrument::kit).toList();
      default -> {
        int index = GeneralMidi.families().indexOf(name);
        yield index < 0
            ? own.getOrDefault(name, List.of())
            : IntStream.range(8 * index, 8 * index + 8).mapToObj(Instrument::melodic).toList();
      }
    };
  }

  private List<Instrument> all() {
    List<Instrument> result = new ArrayList<>();
    IntStream.range(0, GeneralMidi.PROGRAMS).mapToObj(Instrument::melodic).forEach(result::add);
    result.addAll(of(KITS));
    own.values().forEach(result::addAll);
    return result;
  }

  /** Those that hold every word, the ones whose own name does first. */
  private List<Instrument> found(String words) {
    List<String> each = Arrays.asList(words.split("\\s+"));
    return all().stream()
        .filter(i -> each.stream().allMatch(SoundWords.of(i)::contains))
        .sorted(Comparator.comparingInt(i -> rank(i, words, each)))
        .toList();
  }

  private static int rank(Instrument instrument, String words, List<String> each) {
    String title = instrument.title().toLowerCase(Locale.ROOT);
    if (title.startsWith(words)) {
      return 0;
    }
    return each.stream().allMatch(title::contains) ? 1 : 2;
  }

  /** Goes so many further down, from the end of a family into the next that has sounds. */
  public void step(int by) {
    int to = cursor + by;
    if (to >= 0 && to < shown.size() || !sought.isEmpty()) {
      moveTo(to);
      return;
    }
    List<String> all = families();
    int at = all.indexOf(family) + Integer.signum(by);
    while (at >= 0 && at < all.size() && of(all.get(at)).isEmpty()) {
      at += Integer.signum(by);
    }
    if (at >= 0 && at < all.size()) {
      family = all.get(at);
      list();
      cursor = by > 0 ? 0 : shown.size() - 1;
      hearCursor();
    }
  }

  /** Goes to one of those shown. */
  public void moveTo(int index) {
    int to = Math.clamp(index, 0, Math.max(0, shown.size() - 1));
    if (to != cursor) {
      cursor = to;
      hearCursor();
    }
  }

  private void hearCursor() {
    if (isOpen()) {
      stopPhrase();
      current().ifPresent(runControl.live()::tryOut);
      keys.setTried(current());
    }
    changes.fire(Aspect.SOUNDS);
  }

  /** Makes the sound under the cursor a favourite, or no longer. */
  public void toggleFavourite() {
    Optional<Instrument> now = current();
    now.ifPresent(
        i -> {
          taste.toggleFavourite(i);
          notices.tell(
              new Notice(
                  i.title()
                      + (taste.isFavourite(i) ? " is a favourite" : " is no favourite any more"),
                  false));
          list();
          hearCursor();
        });
  }

  /** Plays the track's own last phrase with the sound under the cursor. */
  public void hearPhrase() {
    Track track = document.track();
    Song song = document.song();
    Optional<TickRange> phrase = LastPhrase.of(song, track);
    OptionalInt part = document.parts().of(track);
    if (runControl.phrases().isHearing()) {
      runControl.stop();
    } else if (runControl.transport().isRunning()) {
      notices.tell(
          "The song plays: your keys play the sound over it. Stopped, the phrase is heard");
    } else if (phrase.isEmpty() || part.isEmpty()) {
      notices.tell(track.name() + " has no notes yet: your keys play the sound");
    } else {
      current()
          .ifPresent(
              i -> {
                player.instrument(part.getAsInt(), i);
                Track alone = track.withMuted(false).withSolo(true);
                runControl
                    .phrases()
                    .hear(
                        song.withTrack(track.id(), t -> alone),
                        phrase.get(),
                        () -> endPhrase(track, part.getAsInt()));
              });
    }
  }

  private void endPhrase(Track track, int part) {
    player.instrument(part, soundOf(track));
    if (open.filter(document.track().id()::equals).isPresent()) {
      current().ifPresent(runControl.live()::tryOut);
    }
  }

  /** What a track sounds like by now, which may be the chosen one no more. */
  private Instrument soundOf(Track track) {
    return document.song().track(track.id()).orElse(track).instrument();
  }

  private void stopPhrase() {
    if (runControl.phrases().isHearing()) {
      runControl.stop();
    }
  }

  /** Gives the track the sound under the cursor; not while recording, when the list stays. */
  public void keep() {
    if (whileRecording.refuses()) {
      return;
    }
    Optional<Instrument> wanted = current();
    Optional<TrackId> track = open;
    close();
    track.ifPresent(id -> wanted.ifPresent(i -> tracks.sound(id, i)));
    wanted.ifPresent(
        i -> notices.tell(new Notice(document.track().name() + " plays " + i.title(), false)));
    changes.fire(Aspect.SOUNDS);
  }

  /** Leaves the track the sound that it had. */
  public void cancel() {
    close();
    changes.fire(Aspect.SOUNDS);
  }

  /** Another song comes: what was gone through was for a track of this one. */
  public void leave() {
    if (isOpen()) {
      cancel();
    }
  }

  private void close() {
    stopPhrase();
    open = Optional.empty();
    runControl.live().endTrying();
    keys.setTried(Optional.empty());
  }

  /** Gives the chosen track the sound before or after its own, without a list. */
  public void stepSound(int by) {
    Track track = document.track();
    List<Instrument> all = all();
    Instrument now = track.instrument().kit() ? nearestKit(track.instrument()) : track.instrument();
    int at = Math.max(0, all.indexOf(now));
    Instrument next = all.get(Math.floorMod(at + by, all.size()));
    tracks.sound(track.id(), next);
    notices.tell(new Notice(track.name() + " plays " + next.title(), false));
  }
}
