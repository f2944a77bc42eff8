package flailbeat.app.command;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * A key with its modifiers.
 *
 * @param shortcut whether Ctrl is held, or the command key where that is the platform's own
 */
public record Keystroke(KeyCode code, boolean shortcut, boolean alt, boolean shift) {
  private static final Map<KeyCode, String> SHOWN = new EnumMap<>(KeyCode.class);
  private static final Map<String, KeyCode> READ = new HashMap<>();

  private static final Set<KeyCode> PUNCTUATION =
      EnumSet.of(
          KeyCode.COMMA,
          KeyCode.MINUS,
          KeyCode.PERIOD,
          KeyCode.SLASH,
          KeyCode.SEMICOLON,
          KeyCode.EQUALS,
          KeyCode.PLUS,
          KeyCode.OPEN_BRACKET,
          KeyCode.CLOSE_BRACKET,
          KeyCode.BACK_SLASH,
          KeyCode.QUOTE,
          KeyCode.QUOTEDBL,
          KeyCode.BACK_QUOTE,
          KeyCode.AMPERSAND,
          KeyCode.ASTERISK,
          KeyCode.LESS,
          KeyCode.GREATER,
          KeyCode.BRACELEFT,
          KeyCode.BRACERIGHT,
          KeyCode.AT,
          KeyCode.COLON,
          KeyCode.CIRCUMFLEX,
          KeyCode.DOLLAR,
          KeyCode.EXCLAMATION_MARK,
          KeyCode.LEFT_PARENTHESIS,
          KeyCode.RIGHT_PARENTHESIS,
          KeyCode.NUMBER_SIGN,
          KeyCode.UNDERSCORE,
          KeyCode.DEAD_ACUTE,
          KeyCode.DEAD_CIRCUMFLEX);

  static {
    SHOWN.put(KeyCode.LEFT, "\u2190");
    SHOWN.put(KeyCode.RIGHT, "\u2192");
    SHOWN.put(KeyCode.UP, "\u2191");
    SHOWN.put(KeyCode.DOWN, "\u2193");
    SHOWN.put(KeyCode.PERIOD, ".");
    SHOWN.put(KeyCode.COMMA, ",");
    SHOWN.put(KeyCode.MINUS, "-");
    SHOWN.put(KeyCode.EQUALS, "=");
    SHOWN.put(KeyCode.SLASH, "/");
    SHOWN.put(KeyCode.SEMICOLON, ";");
    SHOWN.put(KeyCode.QUOTE, "'");
    SHOWN.put(KeyCode.OPEN_BRACKET, "[");
    SHOWN.put(KeyCode.CLOSE_BRACKET, "]");
    SHOWN.put(KeyCode.BACK_QUOTE, "`");
    for (KeyCode code : KeyCode.values()) {
      READ.putIfAbsent(SHOWN.getOrDefault(code, code.getName()).toLowerCase(Locale.ROOT), code);
    }
    for (KeyCode code : KeyCode.values()) {
      READ.putIfAbsent(code.getName().toLowerCase(Locale.ROOT), code);
    }
  }

  /** What was pressed. A modifier that no command has makes it one of none. */
  public static Keystroke of(KeyEvent e) {
    boolean foreign = !e.isShortcutDown() && (e.isControlDown() || e.isMetaDown());
    return new Keystroke(
        e.getCode(), e.isShortcutDown() || foreign, e.isAltDown() || foreign, e.isShiftDown());
  }

  /**
   * A key as people write it, such as {@code Ctrl+Shift+Page Up}.
   *
   * @throws IllegalArgumentException when there is no such key
   */
  public static Keystroke parse(String text) {
    return find(text)
        .orElseThrow(() -> new IllegalArgumentException("There is no key \"" + text + "\""));
  }

  /** The key that is written or printed so, if there is one. */
  public static Optional<Keystroke> find(String text) {
    String rest = text;
    boolean shortcut = rest.startsWith("Ctrl+");
    rest = shortcut ? rest.substring(5) : rest;
    boolean alt = rest.startsWith("Alt+");
    rest = alt ? rest.substring(4) : rest;
    boolean shift = rest.startsWith("Shift+");
    rest = shift ? rest.substring(6) : rest;
    KeyCode code = READ.get(rest.toLowerCase(Locale.ROOT));
    return code == null ? Optional.empty() : Optional.of(new Keystroke(code, shortcut, alt, shift));
  }

  /** The modifiers as they are written before a key. */
  public String modifiers() {
    return (shortcut ? "Ctrl+" : "") + (alt ? "Alt+" : "") + (shift ? "Shift+" : "");
  }

  /** Another key with the same modifiers, by the system's name of it. */
  Keystroke withCode(String name) {
    return new Keystroke(KeyCode.valueOf(name), shortcut, alt, shift);
  }

  /** The same with Shift up. */
  public Keystroke withoutShift() {
    return new Keystroke(code, shortcut, alt, false);
  }

  /** The key alone. */
  public Keystroke withoutModifiers() {
    return new Keystroke(code, false, false, false);
  }

  /** Whether it types a character: at Play such a key is a note's or a place's. */
  public boolean isTyped() {
    boolean prints = code.isLetterKey() || code.isDigitKey() || PUNCTUATION.contains(code);
    return isPlain() && prints && !code.isKeypadKey();
  }

  /** Whether a text field with the caret would want it for itself. */
  public boolean isTextEditing() {
    return !shortcut
        || code == KeyCode.A
        || code == KeyCode.C
        || code == KeyCode.V
        || code == KeyCode.X
        || code == KeyCode.Z
        || code == KeyCode.BACK_SPACE
        || code == KeyCode.DELETE
        || code == KeyCode.HOME
        || code == KeyCode.END
        || code.isArrowKey();
  }

  /** Whether it types something where letters are typed. */
  public boolean isPlain() {
    return !shortcut && !alt;
  }

  @Override
  public String toString() {
    return modifiers() + SHOWN.getOrDefault(code, code.getName());
  }
}
