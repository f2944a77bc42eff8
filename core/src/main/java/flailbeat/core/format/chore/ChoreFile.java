package flailbeat.core.format.chore;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import flailbeat.core.chore.Chore;
import flailbeat.core.format.FileFault;
import flailbeat.core.format.JsonFaults;
import flailbeat.core.format.SafeFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;

/** Reads and writes chores by their names as JSON; docs/chores.md describes it. */
public final class ChoreFile {
  /** How such a file's name ends. */
  public static final String ENDING = ".chores.json";

  private static final String KIND = "flailbeat-chores";
  private static final int VERSION = 1;

  private static final JsonMapper MAPPER =
      JsonMapper.builder()
          .disable(MapperFeature.AUTO_DETECT_IS_GETTERS)
          .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
          .enable(DeserializationFeature.FAIL_ON_NUMBERS_FOR_ENUMS)
          .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
          .enable(SerializationFeature.INDENT_OUTPUT)
          .build();

  private ChoreFile() {}

  private record Content(String kind, int version, Map<String, Chore> chores) {}

  /** Writes it whole or, when that fails, leaves what was there. */
  public static void write(Map<String, Chore> chores, Path file) throws IOException {
    byte[] bytes = MAPPER.writeValueAsBytes(new Content(KIND, VERSION, new TreeMap<>(chores)));
    SafeFile.write(file, out -> out.write(bytes));
  }

  /**
   * Reads it.
   *
   * @throws FileFault when it is no file of chores, or damaged, with a message for the person
   */
  public static Map<String, Chore> read(Path file) throws IOException {
    try {
      Content content = MAPPER.readValue(Files.readAllBytes(file), Content.class);
      if (content == null || !KIND.equals(content.kind()) || content.chores() == null) {
        throw new FileFault("there are no chores in it");
      }
      if (content.version() > VERSION) {
        throw new FileFault("these chores are from a later Flailbeat");
      }
      if (content.chores().containsValue(null)) {
        throw new FileFault("one of the chores in it says nothing");
      }
      return content.chores();
    } catch (JsonMappingException e) {
      throw new FileFault(where(e) + JsonFaults.why(e), e);
    } catch (JsonProcessingException e) {
      throw new FileFault("the chores cannot be read: " + e.getOriginalMessage(), e);
    }
  }

  /** The chore in which something is wrong. */
  private static String where(JsonMappingException e) {
    return e.getPath().stream()
        .map(JsonMappingException.Reference::getFieldName)
        .filter(name -> name != null && !name.equals("chores"))
        .findFirst()
        .map(name -> "in the chore \u201c" + name + "\u201d: ")
        .orElse("the chores are damaged: ");
  }
}
