package flailbeat.core.model.sound;

/**
 * A sound of a file of the person's own.
 *
 * @param file the file's name, without its folder
 * @param fingerprint tells the file's content from any other's
 * @param bank as the file numbers it, 0 to 128; 128 is for kits
 * @param program as the file numbers it, 0 to 127
 * @param name what the file calls it
 */
public record OwnPreset(String file, String fingerprint, int bank, int program, String name) {
  /** One of the sounds that ship. */
  public static final OwnPreset NONE = new OwnPreset("", "", 0, 0, "");

  /** The bank that SoundFont 2.04 keeps for kits. */
  public static final int KITS = 128;

  private static final int LONGEST = 300;

  public OwnPreset {
    if (bank < 0 || bank > KITS || program < 0 || program > 127) {
      throw new IllegalArgumentException(
          "A preset's bank goes from 0 to 128 and its number from 0 to 127, not "
              + bank
              + " and "
              + program);
    }
    if (file.length() > LONGEST || name.length() > LONGEST || fingerprint.length() > LONGEST) {
      throw new IllegalArgumentException("A sound file's name has " + LONGEST + " letters at most");
    }
  }

  public boolean isNone() {
    return fingerprint.isEmpty();
  }
}
