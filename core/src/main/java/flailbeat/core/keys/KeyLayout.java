package flailbeat.core.keys;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Which place of the keyboard a key of the system's belongs to, and what is printed on its cap.
 * Immutable.
 *
 * <p>The system names a key by a code that follows its own layout, or, for a character it has no
 * code for, only by the text it types; a dead key has a code and no text. So a key is looked up by
 * its code where that is a letter's, else by its text, else by its code.
 */
public final class KeyLayout {
  private static final Map<Character, String> CODES =
      Map.ofEntries(
          Map.entry('`', "BACK_QUOTE"),
          Map.entry('-', "MINUS"),
          Map.entry('=', "EQUALS"),
          Map.entry('[', "OPEN_BRACKET"),
          Map.entry(']', "CLOSE_BRACKET"),
          Map.entry(';', "SEMICOLON"),
          Map.entry('\'', "QUOTE"),
          Map.entry(',', "COMMA"),
          Map.entry('.', "PERIOD"),
          Map.entry('/', "SLASH"),
          Map.entry('+', "PLUS"),
          Map.entry('^', "CIRCUMFLEX"),
          Map.entry('&', "AMPERSAND"),
          Map.entry('"', "QUOTEDBL"),
          Map.entry('(', "LEFT_PARENTHESIS"),
          Map.entry(')', "RIGHT_PARENTHESIS"),
          Map.entry('_', "UNDERSCORE"),
          Map.entry('$', "DOLLAR"),
          Map.entry(':', "COLON"),
          Map.entry('!', "EXCLAMATION_MARK"));

  /** The layout of the United States. */
  public static final KeyLayout QWERTY =
      new KeyLayout(
          "QWERTY", "`1234567890-=", "qwertyuiop[]", "asdfghjkl;'", "zxcvbnm,./", Map.of());

  /** The layout of Germany. */
  public static final KeyLayout QWERTZ =
      new KeyLayout(
          "QWERTZ",
          "^1234567890\u00df\u00b4",
          "qwertzuiop\u00fc+",
          "asdfghjkl\u00f6\u00e4",
          "yxcvbnm,.-",
          Map.of("DEAD_CIRCUMFLEX", PhysicalKey.BACKQUOTE, "DEAD_ACUTE", PhysicalKey.EQUALS));

  /** The layout of France. */
  public static final KeyLayout AZERTY =
      new KeyLayout(
          "AZERTY",
          "\u00b2&\u00e9\"'(-\u00e8_\u00e7\u00e0)=",
          "azertyuiop^$",
          "qsdfghjklm\u00f9",
          "wxcvbn,;:!",
          Map.of("DEAD_CIRCUMFLEX", PhysicalKey.LEFT_BRACKET));

  /** Dvorak's, as of the United States. */
  public static final KeyLayout DVORAK =
      new KeyLayout(
          "Dvorak", "`1234567890[]", "',.pyfgcrl/=", "aoeuidhtns-", ";qjkxbmwvz", Map.of());

  /** Coleman's. */
  public static final KeyLayout COLEMAK =
      new KeyLayout(
          "Colemak", "`1234567890-=", "qwfpgjluy;[]", "arstdhneio'", "zxcvbkm,./", Map.of());

  /** The name of a layout that was learned. */
  public static final String LEARNED = "Learned";

  private static final String TEXT = "TEXT ";
  private static final String NO_CODE = KeySign.NO_CODE;

  private final String name;
  private final Map<PhysicalKey, KeySign> signs = new EnumMap<>(PhysicalKey.class);
  private final Map<String, PhysicalKey> byCode = new HashMap<>();
  private final Map<String, PhysicalKey> byText = new HashMap<>();
  private final Map<PhysicalKey, String> deadKeys = new EnumMap<>(PhysicalKey.class);
  private final Map<PhysicalKey, String> caps = new EnumMap<>(PhysicalKey.class);

  private KeyLayout(
      String name,
      String digits,
      String top,
      String home,
      String low,
      Map<String, PhysicalKey> moreCodes) {
    this.name = name;
    String all = digits + top + home + low;
    PhysicalKey[] keys = PhysicalKey.values();
    for (int i = 0; i < keys.length; i++) {
      char text = all.charAt(i);
      caps.put(keys[i], String.valueOf(Character.toUpperCase(text)));
      byText.put(String.valueOf(text), keys[i]);
      byCode.put(codeOf(text), keys[i]);
    }
    for (PhysicalKey key : keys) {
      if (key.name().startsWith("DIGIT_")) {
        byCode.putIfAbsent(key.name().replace("_", ""), key);
      }
    }
    byCode.putAll(moreCodes);
    moreCodes.forEach((code, key) -> deadKeys.put(key, code));
  }

  private KeyLayout(Map<PhysicalKey, KeySign> learned) {
    this.name = LEARNED;
    signs.putAll(learned);
    for (PhysicalKey key : PhysicalKey.values()) {
      caps.put(key, learned.containsKey(key) ? learned.get(key).cap() : "");
    }
  }

  /**
   * A layout that was learned by pressing the keys in turn.
   *
   * @param other says what is at the places that were not pressed
   */
  public static KeyLayout learned(Map<PhysicalKey, KeySign> learned, KeyLayout other) {
    Map<PhysicalKey, KeySign> all = new EnumMap<>(PhysicalKey.class);
    for (PhysicalKey key : PhysicalKey.values()) {
      KeySign sign = other.signAt(key);
      if (sign.isKnowable() && learned.values().stream().noneMatch(s -> s.isSameKey(sign))) {
        all.put(key, sign);
      }
    }
    all.putAll(learned);
    return new KeyLayout(all);
  }

  /** What the system says of the key at a place, as far as that is known. */
  public KeySign signAt(PhysicalKey key) {
    if (!signs.isEmpty()) {
      return signs.getOrDefault(key, new KeySign(NO_CODE, ""));
    }
    String text = caps.get(key).toLowerCase(Locale.ROOT);
    String code = codeOf(text.charAt(0));
    return new KeySign(code.startsWith(TEXT) ? deadKeys.getOrDefault(key, NO_CODE) : code, text);
  }

  /** What was learned of each key; nothing for a layout that was not learned. */
  public Map<PhysicalKey, KeySign> signs() {
    return Map.copyOf(signs);
  }

  private static String codeOf(char text) {
    if (text >= 'a' && text <= 'z') {
      return String.valueOf(text).toUpperCase(Locale.ROOT);
    }
    if (text >= '0' && text <= '9') {
      return "DIGIT" + text;
    }
    return CODES.getOrDefault(text, TEXT + text);
  }

  /** All of them, the commonest first. */
  public static List<KeyLayout> all() {
    return List.of(QWERTY, QWERTZ, AZERTY, DVORAK, COLEMAK);
  }

  /** The one that is most likely where a person lives. */
  public static KeyLayout guess(Locale locale) {
    return switch (locale.getCountry()) {
      case "DE", "AT", "CH", "CZ", "SK", "HU", "SI", "HR" -> QWERTZ;
      case "FR", "BE" -> AZERTY;
      default -> QWERTY;
    };
  }

  /** The one of a name; empty when there is none. */
  public static Optional<KeyLayout> named(String name) {
    return all().stream().filter(l -> l.name.equals(name)).findFirst();
  }

  public String name() {
    return name;
  }

  /**
   * The place of a key.
   *
   * @param code the system's name of the key, such as {@code A} or {@code SEMICOLON}
   * @param text what the key types; may be empty
   */
  public Optional<PhysicalKey> placeOf(String code, String text) {
    if (!signs.isEmpty()) {
      KeySign pressed = new KeySign(code, text);
      return pressed.isKnowable()
          ? signs.keySet().stream().filter(k -> signs.get(k).isSameKey(pressed)).findFirst()
          : Optional.empty();
    }
    if (code.length() == 1 && byCode.containsKey(code)) {
      return Optional.of(byCode.get(code));
    }
    PhysicalKey place = byText.get(text.toLowerCase(Locale.ROOT));
    return Optional.ofNullable(place != null ? place : byCode.get(code));
  }

  /** What is printed on the cap at a place. */
  public String cap(PhysicalKey key) {
    return caps.get(key);
  }
}
