package flailbeat.core.format;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.exc.InvalidFormatException;
import java.util.Arrays;
import java.util.stream.Collectors;

/** Says in a person's words what is wrong with a JSON file. */
public final class JsonFaults {
  private JsonFaults() {}

  /** What is wrong. */
  public static String why(JsonProcessingException e) {
    if (e instanceof InvalidFormatException value) {
      return "there is no \u201c" + value.getValue() + "\u201d" + known(value.getTargetType());
    }
    boolean refused = e instanceof JsonMappingException && e.getCause() != null;
    return refused ? e.getCause().getMessage() : e.getOriginalMessage();
  }

  private static String known(Class<?> type) {
    return type != null && type.isEnum()
        ? ", only "
            + Arrays.stream(type.getEnumConstants())
                .map(Object::toString)
                .collect(Collectors.joining(", "))
        : "";
  }
}
