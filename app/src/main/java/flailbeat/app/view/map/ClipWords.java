package flailbeat.app.view.map;

import flailbeat.core.model.Clip;
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
}
