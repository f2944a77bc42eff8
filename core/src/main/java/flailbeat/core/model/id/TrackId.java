package flailbeat.core.model.id;

/** Names a track through every edit. */
public record TrackId(long value) {
  @Override
  public boolean equals(Object other) {
    return other instanceof TrackId id && id.value == value;
  }

  @Override
  public int hashCode() {
    return Long.hashCode(value);
  }
}
