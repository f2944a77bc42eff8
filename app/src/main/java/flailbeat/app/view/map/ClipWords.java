package flailbeat.app.view.map;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Track;
import flailbeat.core.time.MeterMap;
import java.util.Locale;

/** What is said of clips. */
final class ClipWords {
  private ClipWords() {}

  /** How a clip sounds otherwise than it stands there; empty for one that does not. */
  static String asHeard(Clip clip) {
    StringBuilder result = new StringBuilder();
    if (!clip.isAudible()) {
      result.append("  muted");
    }
    if (clip.traits().transpose() != 0) {
      result.append(String.format(Locale.ROOT, "  %+d st", clip.traits().transpose()));
    }
    if (clip.traits().louder() != 0) {
      result.append(String.format(Locale.ROOT, "  %+d loud", clip.traits().louder()));
    }
    return result.toString();
  }

  /** A clip in a few words: its name, how long it is, its loop, with how many it is linked. */
  static String of(Clip clip, Track track, MeterMap meters, String letter) {
    String name = clip.traits().name().isEmpty() ? "" : clip.traits().name() + ": ";
    String loop = clip.loops() ? ", loop of " + bars(clip.period(), clip, meters) : "";
    int count = track.links().count(clip);
    String linked = count > 1 ? ", one of " + count + " " + letter : "";
    return name
        + bars(clip.length(), clip, meters)
        + loop
        + linked
        + asHeard(clip).replace("  ", ", ");
  }

  /** So many ticks from a clip's start, in bars where they are whole. */
  private static String bars(long ticks, Clip clip, MeterMap meters) {
    long bar = meters.meterAt(clip.start()).ticksPerBar();
    if (ticks % bar == 0) {
      return ticks / bar == 1 ? "1 bar" : ticks / bar + " bars";
    }
    double count = (double) ticks / bar;
    return String.format(Locale.ROOT, "%.2f bars", count);
  }
}
