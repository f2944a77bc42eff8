package flailbeat.core.model.id;

/** Names a control point through every edit. */
public record ControlId(long value) {
  @Override
  public boolean equals(Object other) {
    return other instanceof ControlId id && id.value == value;
  }

  @Override
  public int hashCode() {
    return Long.hashCode(value);
  }
}
