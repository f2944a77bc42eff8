package flailbeat.core.keys;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Which place of the keyboard a key of the system's belongs to, and what is printed on its cap.
 * Immutable.
 */
public final class KeyLayout {
  private static final String[] QWERTY_ROWS = {
    "`1234567890-=", "qwertyuiop[]", "asdfghjkl;'", "zxcvbnm,./"
  };

  /** The layout of the United States. */
  public static final KeyLayout QWERTY = qwerty();

  private final Map<String, PhysicalKey> byCode = new HashMap<>();
  private final Map<String, PhysicalKey> byText = new HashMap<>();
  private final Map<PhysicalKey, String> caps = new EnumMap<>(PhysicalKey.class);

  private KeyLayout() {}

  private static KeyLayout qwerty() {
    KeyLayout layout = new KeyLayout();
    StringBuilder all = new StringBuilder();
    for (String row : QWERTY_ROWS) {
      all.append(row);
    }
    PhysicalKey[] keys = PhysicalKey.values();
    for (int i = 0; i < keys.length; i++) {
      String text = String.valueOf(all.charAt(i));
      layout.caps.put(keys[i], text.toUpperCase(Locale.ROOT));
      layout.byText.put(text, keys[i]);
      layout.byCode.put(codeName(keys[i]), keys[i]);
    }
    layout.byCode.put("BACK_QUOTE", PhysicalKey.BACKQUOTE);
    layout.byCode.put("OPEN_BRACKET", PhysicalKey.LEFT_BRACKET);
    layout.byCode.put("CLOSE_BRACKET", PhysicalKey.RIGHT_BRACKET);
    return layout;
  }

  private static String codeName(PhysicalKey key) {
    return key.name().replace("DIGIT_", "DIGIT");
  }

  /**
   * The place of a key.
   *
   * @param code the system's name of the key, such as {@code A} or {@code SEMICOLON}; one that
   *     names no key is passed over
   * @param text what the key types; used where the code says nothing
   */
  public Optional<PhysicalKey> placeOf(String code, String text) {
    PhysicalKey place = byCode.get(code);
    return Optional.ofNullable(place != null ? place : byText.get(text.toLowerCase(Locale.ROOT)));
  }

  /** What is printed on the cap at a place. */
  public String cap(PhysicalKey key) {
    return caps.get(key);
  }
}
