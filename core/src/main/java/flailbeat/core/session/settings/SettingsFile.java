package flailbeat.core.session.settings;

import com.fasterxml.jackson.annotation.JsonAlias;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import flailbeat.core.format.FileFault;
import flailbeat.core.format.SafeFile;
import flailbeat.core.quantize.Lag;
import flailbeat.core.quantize.QuantizeSettings;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
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
   * Reads it; empty when there is none yet.
   *
   * @throws FileFault when it is damaged, or holds something that cannot be
   */
  public static Optional<Settings> read(Path file) throws IOException {
    if (!Files.exists(file)) {
      return Optional.empty();
    }
    try {
      return Optional.of(MAPPER.readValue(file.toFile(), Settings.class));
    } catch (JsonProcessingException e) {
      throw new FileFault(
          "your settings in " + file + " cannot be read: " + e.getOriginalMessage(), e);
    }
  }

  /** Writes it whole or, when that fails, leaves what was there. */
  public static void write(Settings settings, Path file) throws IOException {
    Files.createDirectories(file.getParent());
    byte[] bytes = MAPPER.writeValueAsBytes(settings);
    SafeFile.write(file, out -> out.write(bytes));
  }
}
