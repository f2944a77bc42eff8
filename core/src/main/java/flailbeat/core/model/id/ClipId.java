package flailbeat.core.model.id;

/** Names a clip through every edit. */
public record ClipId(long value) {
  @Override
  public boolean equals(Object other) {
    return other instanceof ClipId id && id.value == value;
  }

  @Override
  public int hashCode() {
    return Long.hashCode(value);
  }
}
