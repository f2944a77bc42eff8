package flailbeat.core.format.groove;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import flailbeat.core.format.FileFault;
import flailbeat.core.format.SafeFile;
import flailbeat.core.quantize.Groove;
import flailbeat.core.time.Ticks;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Reads and writes a groove as JSON; docs/project-format.md describes it. */
public final class GrooveFile {
  /** How such a file's name ends. */
  public static final String ENDING = ".groove.json";

  private static final String KIND = "flailbeat-groove";
  private static final int VERSION = 1;

  private static final JsonMapper MAPPER =
      JsonMapper.builder()
          .disable(MapperFeature.AUTO_DETECT_IS_GETTERS)
          .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
          .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
          .enable(SerializationFeature.INDENT_OUTPUT)
          .build();

  private GrooveFile() {}

  private record Content(
      String kind, int version, int ppq, String name, int bars, List<Groove.Slot> slots) {}

  /** Writes it whole or, when that fails, leaves what was there. */
  public static void write(Groove groove, Path file) throws IOException {
    byte[] bytes =
        MAPPER.writeValueAsBytes(
            new Content(KIND, VERSION, Ticks.PPQ, groove.name(), groove.bars(), groove.slots()));
    SafeFile.write(file, out -> out.write(bytes));
  }

  /**
   * Reads it.
   *
   * @throws FileFault when it is no groove, or damaged, with a message for the person
   */
  public static Groove read(Path file) throws IOException {
    try {
      Content content = MAPPER.readValue(Files.readAllBytes(file), Content.class);
      if (content == null || !KIND.equals(content.kind()) || content.slots() == null) {
        throw new FileFault("this is not a groove");
      }
      if (content.version() > VERSION || content.ppq() != Ticks.PPQ) {
        throw new FileFault("this groove is from a later Flailbeat");
      }
      return new Groove(content.name(), content.bars(), 0, content.slots());
    } catch (JsonProcessingException e) {
      throw new FileFault("the groove cannot be read: " + e.getOriginalMessage(), e);
    } catch (IllegalArgumentException e) {
      throw new FileFault("the groove is damaged: " + e.getMessage(), e);
    }
  }
}
