package flailbeat.core.session.hands;

import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.track.HandTraits;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * How the notes lie under the hands goes with the track: what was chosen for it, else what is usual
 * for its sound. A kit comes with Pads where its drums are, a bass two octaves down, all else as
 * the person plays; what is changed while a track is chosen is remembered for it, and an
 * arrangement is then usual for other tracks of its sort too.
 */
public final class TrackHands {
  private static final int BASS = 4;

  /** What tracks are told apart by: what is usual differs. */
  private enum Sort {
    MELODIC,
    BASS,
    KIT;

    static Sort of(Instrument instrument) {
      if (instrument.kit()) {
        return KIT;
      }
      return instrument.program() / 8 == TrackHands.BASS ? BASS : MELODIC;
    }
  }

  private final Document document;
  private final Performer performer;
  private final Map<TrackId, HandTraits> chosen = new HashMap<>();
  private ArrangementKind usual = ArrangementKind.HOME;
  private ArrangementKind usualForKits = ArrangementKind.PADS;
  private int opening = -1;
  private TrackId under;
  private Sort sort = Sort.MELODIC;
  private ArrangementKind laidKind;
  private int laidBase;

  public TrackHands(Document document, Performer performer, Changes changes) {
    this.document = document;
    this.performer = performer;
    changes.listen(this::onChange);
    document.writeWith(this::writtenWith);
    follow();
  }

  /** The arrangement for tracks that are no kits, unless another was chosen for one. */
  public ArrangementKind usual() {
    return usual;
  }

  /** The arrangement for kits. */
  public ArrangementKind usualForKits() {
    return usualForKits;
  }

  /** Sets both, as they were kept. */
  public void setUsual(ArrangementKind melodic, ArrangementKind kits) {
    usual = melodic;
    usualForKits = kits;
    // What the person's settings brought about was chosen for no track.
    chosen.keySet().removeIf(id -> id.equals(under) && isUsualInSong(id));
    under = null;
    follow();
  }

  private boolean isUsualInSong(TrackId id) {
    return document
        .song()
        .track(id)
        .filter(t -> !t.personal().hands().equals(HandTraits.NONE))
        .isEmpty();
  }

  /** The velocities that the chosen track is played within, where it has a range of its own. */
  public HandTraits chosenTraits() {
    return traits(document.track());
  }

  /**
   * Has the chosen track played within a range of velocities of its own.
   *
   * @param floor 1 to 127, or {@link HandTraits#USUAL} for none
   */
  public void setRange(int floor, int ceiling) {
    Track track = document.track();
    chosen.put(track.id(), traits(track).withRange(floor, ceiling));
    limit(track);
    performer.tellKeys();
  }

  private void onChange(Change change) {
    if (change.isOf(Aspect.SONG) || change.isOf(Aspect.CHOICE)) {
      follow();
    } else if (change.isOf(Aspect.KEYS)) {
      learn();
    }
  }

  /** Lays the notes out as the chosen track has them, where it is another or sounds otherwise. */
  private void follow() {
    if (document.openings() != opening) {
      opening = document.openings();
      chosen.clear();
      document.song().tracks().stream()
          .filter(t -> !t.personal().hands().equals(HandTraits.NONE))
          .forEach(t -> chosen.put(t.id(), t.personal().hands()));
      under = null;
    }
    Track track = document.track();
    Sort now = Sort.of(track.instrument());
    if (track.id().equals(under)) {
      if (now == sort) {
        return;
      }
      chosen.computeIfPresent(track.id(), (id, t) -> t.withArrangement("", HandTraits.USUAL));
    }
    under = track.id();
    sort = now;
    lay(track);
  }

  private void lay(Track track) {
    HandTraits traits = traits(track);
    ArrangementKind kind =
        kind(traits.arrangement()).orElse(sort == Sort.KIT ? usualForKits : usual);
    int base = traits.base() == HandTraits.USUAL ? usualBase(kind) : traits.base();
    laidKind = kind;
    laidBase = base;
    limit(track);
    performer.lay(kind, base);
  }

  private void limit(Track track) {
    HandTraits traits = traits(track);
    performer.hands().limit(Math.max(0, traits.floor()), Math.max(0, traits.ceiling()));
  }

  private int usualBase(ArrangementKind kind) {
    return switch (sort) {
      case KIT -> ArrangementKind.PADS.base();
      case BASS -> kind.base() - 2 * Pitch.OCTAVE;
      case MELODIC -> kind.base();
    };
  }

  private HandTraits traits(Track track) {
    return chosen.getOrDefault(track.id(), HandTraits.NONE);
  }

  private static Optional<ArrangementKind> kind(String name) {
    return Arrays.stream(ArrangementKind.values()).filter(k -> k.name().equals(name)).findFirst();
  }

  /** What the person has changed since is remembered for the track. */
  private void learn() {
    ArrangementKind kind = performer.hands().arrangement().kind();
    int base = performer.hands().base();
    boolean own = performer.hands().arrangement().isOwn();
    if (own || kind == laidKind && base == laidBase) {
      return;
    }
    if (kind != laidKind) {
      if (sort == Sort.KIT) {
        usualForKits = kind;
      } else {
        usual = kind;
      }
    }
    laidKind = kind;
    laidBase = base;
    chosen.put(under, traits(document.track()).withArrangement(kind.name(), base));
  }

  /** A song as it is written knows how its tracks lie under the hands. */
  private Song writtenWith(Song song) {
    return song.mapTracks(
        t -> {
          HandTraits hands = traits(t);
          return hands.equals(t.personal().hands())
              ? t
              : t.withPersonal(t.personal().withHands(hands));
        });
  }
}
