package flailbeat.core.format.smf;

import flailbeat.core.model.carried.Payload;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/**
 * Text in a MIDI file, which says nothing of its encoding: UTF-8 where it is that, else Latin-1.
 */
final class SmfText {
  private SmfText() {}

  static String of(Payload payload) {
    return unicode(payload)
        .orElseGet(() -> new String(payload.bytes(), StandardCharsets.ISO_8859_1));
  }

  /** Whether it is not in UTF-8, and would come out as other bytes. */
  static boolean isForeign(Payload payload) {
    return unicode(payload).isEmpty();
  }

  private static Optional<String> unicode(Payload payload) {
    try {
      return Optional.of(
          StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(payload.bytes())).toString());
    } catch (CharacterCodingException e) {
      return Optional.empty();
    }
  }
}
