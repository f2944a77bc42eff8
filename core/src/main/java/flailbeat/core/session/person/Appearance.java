package flailbeat.core.session.person;

import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;

/** How the window looks to a person: by day or by night, and how large its texts are. */
public final class Appearance {
  /** Which colours are used. */
  public enum Colours {
    SYSTEM("as the system says"),
    DAY("by day"),
    NIGHT("by night"),
    CONTRAST("of high contrast");

    private final String words;

    Colours(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /**
   * What is kept from one start to the next.
   *
   * @param text the size of texts in hundredths of the usual, 80 to 200
   */
  public record Kept(Colours colours, int text) {
    /** As it comes. */
    public static final Kept STANDARD = new Kept(Colours.SYSTEM, 100);

    private static final int LEAST = 80;
    private static final int MOST = 200;

    public Kept {
      colours = colours == null ? Colours.SYSTEM : colours;
      text = Math.clamp(text, LEAST, MOST);
    }

    /** How large texts are: 1 as usual. */
    public double textScale() {
      return text / 100.0;
    }
  }

  private static final int STEP = 10;

  private final Changes changes;
  private Kept kept = Kept.STANDARD;

  public Appearance(Changes changes) {
    this.changes = changes;
  }

  public Kept kept() {
    return kept;
  }

  /** How large texts are: 1 as usual. */
  public double textScale() {
    return kept.textScale();
  }

  public void set(Kept value) {
    if (!value.equals(kept)) {
      kept = value;
      changes.fire(Aspect.SETTINGS);
    }
  }

  /** Goes on to the next colours, round and round. */
  public void nextColours() {
    Colours[] all = Colours.values();
    set(new Kept(all[(kept.colours().ordinal() + 1) % all.length], kept.text()));
  }

  /** Makes texts larger (1) or smaller (-1). */
  public void stepText(int steps) {
    set(new Kept(kept.colours(), kept.text() + steps * STEP));
  }
}
