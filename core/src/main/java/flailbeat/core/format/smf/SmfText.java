package flailbeat.core.format.smf;

import flailbeat.core.model.Payload;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;

/**
 * Text in a MIDI file, which says nothing of its encoding: UTF-8 where it is that, else Latin-1.
 */
final class SmfText {
  private SmfText() {}

  static String of(Payload payload) {
    try {
      return StandardCharsets.UTF_8
          .newDecoder()
          .decode(ByteBuffer.wrap(payload.bytes()))
          .toString();
    } catch (CharacterCodingException e) {
      return new String(payload.bytes(), StandardCharsets.ISO_8859_1);
    }
  }

  /** Whether it is not in UTF-8, and would come out as other bytes. */
  static boolean isForeign(Payload payload) {
    try {
      StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(payload.bytes()));
      return false;
    } catch (CharacterCodingException e) {
      return true;
    }
  }
}
