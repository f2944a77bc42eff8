package flailbeat.core.session.tracks;

import flailbeat.core.edit.tracks.StartValues;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.session.bench.EditActions;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.hands.LiveSound;
import java.util.Locale;
import java.util.Optional;

/**
 * The dials of a track's strip: level, pan, tone. One that is turned is heard at once, and is one
 * undo step when it is let go.
 */
public final class TrackDials {
  private static final int MIDDLE = 64;
  private static final int MOST = 127;

  private final Document document;
  private final EditActions editing;
  private final LiveSound live;
  private final Notices notices;
  private Optional<Turned> turned = Optional.empty();

  /** What is in hand. */
  private record Turned(TrackId track, Dial dial, int value) {}

  public TrackDials(Document document, EditActions editing, LiveSound live, Notices notices) {
    this.document = document;
    this.editing = editing;
    this.live = live;
    this.notices = notices;
  }

  /** What a dial stands at, 0 to 127: where it is in hand, there. */
  public int value(Track track, Dial dial) {
    return turned
        .filter(t -> t.track().equals(track.id()) && t.dial() == dial)
        .map(Turned::value)
        .orElseGet(() -> StartValues.of(track, dial));
  }

  /** Turns a dial, which is heard at once; {@link #letGo} makes it so. */
  public void turn(TrackId id, Dial dial, int value) {
    if (turned.filter(t -> !t.track().equals(id) || t.dial() != dial).isPresent()) {
      letGo();
    }
    int wanted = Math.clamp(value, 0, MOST);
    document
        .song()
        .track(id)
        .ifPresent(
            t -> {
              turned = Optional.of(new Turned(id, dial, wanted));
              live.turn(t, dial, wanted);
            });
  }

  /** What was turned stays so, as one undo step; while recording, it goes back. */
  public void letGo() {
    Optional<Turned> done = turned;
    turned = Optional.empty();
    done.ifPresent(
        t -> {
          set(t.track(), t.dial(), t.value());
          document
              .song()
              .track(t.track())
              .ifPresent(track -> live.turn(track, t.dial(), StartValues.of(track, t.dial())));
        });
  }

  /** Sets a dial, 0 to 127. */
  public void set(TrackId id, Dial dial, int value) {
    String name = document.song().track(id).map(Track::name).orElse("");
    editing.edit(
        dial.title() + " of " + name,
        s -> StartValues.set(s, id, dial, Math.clamp(value, 0, MOST)));
  }

  /** Puts a dial to rest. */
  public void reset(TrackId id, Dial dial) {
    String name = document.song().track(id).map(Track::name).orElse("");
    editing.edit(dial.title() + " of " + name, s -> StartValues.reset(s, id, dial));
  }

  /** Steps a dial of the chosen track, and says where it stands. */
  public void step(Dial dial, int by) {
    Track track = document.track();
    set(track.id(), dial, StartValues.of(track, dial) + by);
    Track now = document.track();
    notices.tell(
        new Notice(now.name() + ": " + dial.title() + " " + words(dial, value(now, dial)), false));
  }

  /** A value in words: a level in dB below the highest, a pan by its side, a tone around rest. */
  public static String words(Dial dial, int value) {
    return switch (dial) {
      case LEVEL -> decibels(value);
      case PAN -> value == MIDDLE ? "middle" : side(value);
      case BRIGHTNESS, ATTACK, RELEASE -> value == MIDDLE ? "0" : signed(value - MIDDLE);
      case REVERB, CHORUS -> Integer.toString(value);
    };
  }

  /** General MIDI's law for a channel's volume: 40 lg (v / 127) dB. */
  private static String decibels(int level) {
    return level == 0
        ? "silent"
        : String.format(Locale.ROOT, "%.1f dB", 40 * Math.log10(level / 127.0))
            .replace('-', '\u2212');
  }

  private static String side(int value) {
    return value < MIDDLE ? "left " + (MIDDLE - value) : "right " + (value - MIDDLE);
  }

  private static String signed(int value) {
    return value < 0 ? "\u2212" + -value : "+" + value;
  }
}
