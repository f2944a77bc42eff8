package flailbeat.core.session.settings;

import com.fasterxml.jackson.annotation.JsonAlias;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import flailbeat.core.format.FileFault;
import flailbeat.core.format.JsonFaults;
import flailbeat.core.format.SafeFile;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.lag.Lag;
import java.io.IOException;
import java.lang.reflect.RecordComponent;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Reads and writes {@link Settings}, as JSON. */
public final class SettingsFile {
  private static final JsonMapper MAPPER =
      JsonMapper.builder()
          .disable(MapperFeature.AUTO_DETECT_IS_GETTERS)
          .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .enable(SerializationFeature.INDENT_OUTPUT)
          .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
          .addMixIn(Lag.class, LagByName.class)
          .addMixIn(QuantizeSettings.class, EarlierNames.class)
          .defaultPropertyInclusion(
              JsonInclude.Value.construct(JsonInclude.Include.NON_NULL, JsonInclude.Include.ALWAYS))
          .build();

  /** A lag is written with what kind it is. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "lag")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Lag.Off.class, name = "off"),
    @JsonSubTypes.Type(value = Lag.Auto.class, name = "auto"),
    @JsonSubTypes.Type(value = Lag.Millis.class, name = "given")
  })
  private interface LagByName {}

  /** What was called otherwise in earlier files. */
  private interface EarlierNames {
    @JsonAlias("reach")
    QuantizeSettings.NoteFilter filter();
  }

  private SettingsFile() {}

  /**
   * What was read.
   *
   * @param damage what is left out since it cannot be, in a person's words; empty where all is
   *     sound
   */
  public record Found(Settings settings, List<String> damage) {
    public Found {
      damage = List.copyOf(damage);
    }
  }

  /**
   * Reads it; empty when there is none yet. Of what is damaged nothing else is lost: of what is
   * kept by name only the one that is damaged is left out.
   *
   * @throws FileFault when nothing of it can be read
   */
  public static Optional<Found> read(Path file) throws IOException {
    if (!Files.exists(file)) {
      return Optional.empty();
    }
    try {
      JsonNode all = MAPPER.readTree(Files.readAllBytes(file));
      if (!(all instanceof ObjectNode fields)) {
        throw new FileFault("your settings in " + file + " cannot be read: there are none in it");
      }
      List<String> damage = new ArrayList<>();
      for (RecordComponent component : Settings.class.getRecordComponents()) {
        drop(fields, component, damage);
      }
      return Optional.of(new Found(MAPPER.treeToValue(fields, Settings.class), damage));
    } catch (JsonProcessingException e) {
      throw new FileFault(
          "your settings in "
              + file
              + " are damaged"
              + (e.getLocation() == null ? "" : " in line " + e.getLocation().getLineNr()),
          e);
    }
  }

  /** Drops what is damaged of a field: the entries that are, or all of it. */
  private static void drop(ObjectNode fields, RecordComponent component, List<String> damage) {
    String name = component.getName();
    if (fault(fields, name).isEmpty()) {
      return;
    }
    boolean named = Map.class.isAssignableFrom(component.getType());
    if (named && fields.get(name) instanceof ObjectNode entries) {
      for (Map.Entry<String, JsonNode> entry : List.copyOf(entries.properties())) {
        ObjectNode alone = MAPPER.createObjectNode();
        alone.putObject(name).set(entry.getKey(), entry.getValue());
        fault(alone, name)
            .ifPresent(
                why -> {
                  entries.remove(entry.getKey());
                  damage.add(name + ", \u201c" + entry.getKey() + "\u201d: " + why);
                });
      }
    }
    fault(fields, name)
        .ifPresent(
            why -> {
              fields.remove(name);
              damage.add(name + ": " + why);
            });
  }

  /** Why a field alone cannot be read. */
  private static Optional<String> fault(ObjectNode fields, String name) {
    if (!fields.has(name)) {
      return Optional.empty();
    }
    ObjectNode alone = MAPPER.createObjectNode();
    alone.set(name, fields.get(name));
    try {
      MAPPER.treeToValue(alone, Settings.class);
      return Optional.empty();
    } catch (JsonProcessingException e) {
      return Optional.of(JsonFaults.why(e));
    }
  }

  /** Writes it whole or, when that fails, leaves what was there. */
  public static void write(Settings settings, Path file) throws IOException {
    Files.createDirectories(file.getParent());
    byte[] bytes = MAPPER.writeValueAsBytes(settings);
    SafeFile.write(file, out -> out.write(bytes));
  }
}
