package flailbeat.core.keys;

import java.util.Locale;
import java.util.Map;

/**
 * What the system says of a key.
 *
 * @param code its name of the key, such as {@code A}, {@code DEAD_ACUTE} or {@code UNDEFINED}
 * @param text what the key types, in small letters; may be empty
 */
public record KeySign(String code, String text) {
  /** What the system calls a key for which it has no name. */
  static final String NO_CODE = "UNDEFINED";

  /** Dead keys type nothing by themselves: what is printed on them is known by their codes. */
  private static final Map<String, String> DEAD =
      Map.of(
          "DEAD_GRAVE", "`",
          "DEAD_ACUTE", "\u00b4",
          "DEAD_CIRCUMFLEX", "^",
          "DEAD_TILDE", "~",
          "DEAD_DIAERESIS", "\u00a8",
          "DEAD_CARON", "\u02c7",
          "DEAD_CEDILLA", "\u00b8",
          "DEAD_ABOVERING", "\u02da");

  public KeySign {
    text = text.isBlank() ? "" : text.toLowerCase(Locale.ROOT);
  }

  /** Whether it can be told from other keys: by a code or by a text. */
  public boolean isKnowable() {
    return !code.equals(NO_CODE) || !text.isEmpty();
  }

  /** Whether it is the same key, though another modifier may be held. */
  boolean isSameKey(KeySign other) {
    return code.equals(NO_CODE) ? other.text.equals(text) : other.code.equals(code);
  }

  /** What is printed on the key, as far as that can be known. */
  String cap() {
    String printed = text.isEmpty() ? DEAD.getOrDefault(code, code) : text;
    return printed.length() > 3 ? printed.substring(0, 3) : printed.toUpperCase(Locale.ROOT);
  }
}
