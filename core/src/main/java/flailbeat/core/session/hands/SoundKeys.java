package flailbeat.core.session.hands;

import flailbeat.core.event.Performed;
import flailbeat.core.keys.Hands;
import flailbeat.core.model.Track;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.SoundedKeys;
import flailbeat.core.pitch.DrumNames;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.IntFunction;

/**
 * Which keys under the hands give a sound: a kit has no drum on some, and some sounds end before
 * the piano does. One that gives none is told when it is struck, with how to get to one.
 */
public final class SoundKeys {
  private final Document document;
  private final Performer performer;
  private final Changes changes;
  private final Notices notices;
  private final IntFunction<String> names;
  private final Map<Instrument, SoundedKeys> known = new HashMap<>();
  private int changed;

  /** The sound that is tried, in the place of the track's. */
  private Optional<Instrument> tried = Optional.empty();

  /**
   * What is known of no sound yet.
   *
   * @param names what pitches are called
   */
  public SoundKeys(
      Document document,
      Performer performer,
      Changes changes,
      Notices notices,
      IntFunction<String> names) {
    this.document = document;
    this.performer = performer;
    this.changes = changes;
    this.notices = notices;
    this.names = names;
    performer.listen(this::hear);
  }

  /** Says which pitches a sound has. */
  public void set(Instrument instrument, SoundedKeys keys) {
    if (!keys.equals(known.put(instrument, keys))) {
      changed++;
      changes.fire(Aspect.KEYS);
    }
  }

  /** Says which sound is tried on the chosen track; none any more where it is empty. */
  public void setTried(Optional<Instrument> instrument) {
    if (!instrument.equals(tried)) {
      tried = instrument;
      changed++;
      changes.fire(Aspect.KEYS);
    }
  }

  /** Counts what has come to be known: who missed one knows that something is another. */
  public int changes() {
    return changed;
  }

  private Instrument instrument() {
    return tried.orElse(document.track().instrument());
  }

  private SoundedKeys keys() {
    return known.getOrDefault(instrument(), SoundedKeys.ALL);
  }

  /** Whether a note of the chosen track gives a sound; what goes to a MIDI output may. */
  public boolean sounds(int pitch) {
    Track track = document.track();
    return !track.sound().port().isEmpty() || keys().sounds(track.sound().heard(pitch));
  }

  /** What the drum at a pitch of a kit is called: as the kit says, else as General MIDI does. */
  public Optional<String> drum(Track track, int pitch) {
    SoundedKeys of = known.getOrDefault(track.instrument(), SoundedKeys.ALL);
    return of.name(pitch).filter(n -> !n.isEmpty()).or(() -> DrumNames.of(pitch));
  }

  /** The same or, where it has no name, the name of the pitch. */
  public String drumOrPitch(Track track, int pitch) {
    return drum(track, pitch).orElseGet(() -> names.apply(pitch));
  }

  private void hear(Performed event) {
    if (event instanceof Performed.NoteOn on && !sounds(on.pitch())) {
      notices.tell(
          new Notice(
              instrument().title()
                  + " has no sound on "
                  + names.apply(on.pitch())
                  + ": {reach-to-sound} takes your keys to where it has",
              true));
    }
  }

  /** Moves the reach to where all of it, or most of it, gives a sound: as little as that takes. */
  public void reachToSound() {
    SoundedKeys keys = keys();
    OptionalInt lowest = keys.lowest();
    OptionalInt highest = keys.highest();
    if (lowest.isEmpty() || highest.isEmpty()) {
      notices.tell(instrument().title() + " has no sound anywhere");
      return;
    }
    Hands hands = performer.hands();
    int base = hands.base();
    int best = base;
    int most = -1;
    for (int step = 0; step <= Pitch.HIGHEST; step++) {
      for (int to : new int[] {base - step, base + step}) {
        int count = sounding(to - base);
        boolean isPlace = to >= Pitch.LOWEST && to <= Pitch.HIGHEST;
        if (isPlace && count > most) {
          most = count;
          best = to;
        }
      }
    }
    performer.moveReach(best - base);
    notices.tell(
        new Notice(
            best == base
                ? "Your keys lie where " + instrument().title() + " has most sounds"
                : "Your keys begin at " + names.apply(performer.hands().lowest()),
            false));
  }

  /** How many pitches under the hands would sound, were the reach so much higher. */
  private int sounding(int higher) {
    int count = 0;
    for (int pitch = performer.hands().lowest(); pitch <= performer.hands().highest(); pitch++) {
      int moved = pitch + higher;
      count += Pitch.isValid(moved) && sounds(moved) ? 1 : 0;
    }
    return count;
  }
}
