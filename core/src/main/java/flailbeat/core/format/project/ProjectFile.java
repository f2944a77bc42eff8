package flailbeat.core.format.project;

import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.ObjectReader;
import com.fasterxml.jackson.databind.ObjectWriter;
import com.fasterxml.jackson.databind.json.JsonMapper;
import flailbeat.core.format.FileFault;
import flailbeat.core.format.SafeFile;
import flailbeat.core.model.Song;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Reads and writes project files ({@code .flail}). */
public final class ProjectFile {
  /** The version that is written, and the latest that is read. */
  public static final int VERSION = 6;

  /** Room for some three million notes. */
  private static final long MOST_TOKENS = 30_000_000;

  private static final long LARGEST_FILE = 256_000_000;
  private static final int LONGEST_TEXT = 16_000_000;

  static final String FORMAT = "flailbeat-project";

  private static final JsonMapper MAPPER =
      JsonMapper.builder()
          .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
          .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
          .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
          .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .disable(JsonGenerator.Feature.AUTO_CLOSE_TARGET)
          .build();
  private static final ObjectReader READER = MAPPER.readerFor(ProjectDto.class);
  private static final ObjectWriter WRITER = MAPPER.writer(new ProjectPrinter());
  private static final ObjectWriter COMPACT = MAPPER.writer();

  static {
    MAPPER
        .getFactory()
        .setStreamReadConstraints(
            StreamReadConstraints.builder()
                .maxNestingDepth(20)
                .maxStringLength(LONGEST_TEXT)
                .maxTokenCount(MOST_TOKENS)
                .maxDocumentLength(LARGEST_FILE)
                .build());
  }

  private ProjectFile() {}

  /** Writes the song whole or, when that fails, leaves the target as it was. */
  public static void write(Song song, Path target) throws IOException {
    SafeFile.write(target, out -> write(song, out));
  }

  public static void write(Song song, OutputStream out) throws IOException {
    WRITER.writeValue(out, ProjectWriter.toDto(song));
    out.write('\n');
  }

  /** Writes the song in as little room as it takes, for no person to read. */
  public static void writeCompact(Song song, OutputStream out) throws IOException {
    COMPACT.writeValue(out, ProjectWriter.toDto(song));
  }

  static ObjectWriter compact() {
    return COMPACT;
  }

  static ObjectReader reader() {
    return READER;
  }

  /**
   * A project that was read.
   *
   * @param remarks what had to be put in order, each one line
   */
  public record Reading(Song song, List<String> remarks) {}

  /**
   * Reads a project.
   *
   * @throws FileFault when it is damaged, foreign, or of a later version
   */
  public static Reading open(Path file) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      return open(in);
    }
  }

  public static Song read(Path file) throws IOException {
    return open(file).song();
  }

  public static Song read(InputStream in) throws IOException {
    return open(in).song();
  }

  static Reading open(InputStream in) throws IOException {
    ProjectDto dto = parse(in);
    if (dto == null || !FORMAT.equals(dto.format())) {
      throw new FileFault("this is no Flailbeat project");
    }
    if (dto.version() > VERSION || dto.version() < 1) {
      throw new FileFault(
          "the project is of version " + dto.version() + "; this Flailbeat reads up to " + VERSION);
    }
    try {
      ProjectReader reader = new ProjectReader(dto);
      Song song = reader.song();
      return new Reading(song, reader.remarks(song));
    } catch (IllegalArgumentException | ArithmeticException e) {
      throw new FileFault("the project holds something that cannot be: " + e.getMessage(), e);
    }
  }

  private static ProjectDto parse(InputStream in) throws IOException {
    try {
      return READER.readValue(in);
    } catch (StreamConstraintsException e) {
      throw new FileFault("the project is larger than any song: " + e.getOriginalMessage(), e);
    } catch (JsonMappingException e) {
      if (e.getCause() instanceof StreamConstraintsException limit) {
        throw new FileFault(
            "the project is larger than any song: " + limit.getOriginalMessage(), e);
      }
      throw new FileFault("this is no Flailbeat project, or a damaged one" + place(e), e);
    } catch (JsonProcessingException e) {
      throw new FileFault("the project is damaged or cut off" + place(e), e);
    }
  }

  private static String place(JsonProcessingException e) {
    return e.getLocation() == null || e.getLocation().getLineNr() < 1
        ? ""
        : ": line " + e.getLocation().getLineNr() + ", column " + e.getLocation().getColumnNr();
  }
}
