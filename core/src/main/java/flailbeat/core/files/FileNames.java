package flailbeat.core.files;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;

/** Names of songs and tracks, made fit to be names of files. */
public final class FileNames {
  /** Two of them and a number are within the 255 bytes that file systems take. */
  static final int MOST_BYTES = 100;

  private FileNames() {}

  /**
   * The letters, digits, spaces, underlines and dashes of a text, as far as a file's name has room:
   * no signs that a system refuses or reads otherwise, such as separators, or marks of direction.
   *
   * @param otherwise the name where nothing is left
   */
  public static String of(String text, String otherwise) {
    StringBuilder name = new StringBuilder();
    Normalizer.normalize(text, Normalizer.Form.NFC)
        .replaceAll("[^\\p{L}\\p{M}\\p{N} _-]", "")
        .strip()
        .codePoints()
        .takeWhile(c -> bytes(name) + bytes(Character.toString(c)) <= MOST_BYTES)
        .forEachOrdered(name::appendCodePoint);
    return name.isEmpty() ? otherwise : name.toString().strip();
  }

  private static int bytes(CharSequence text) {
    return text.toString().getBytes(StandardCharsets.UTF_8).length;
  }
}
