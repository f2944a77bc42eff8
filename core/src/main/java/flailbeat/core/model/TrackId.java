package flailbeat.core.model;

/** Names a track through every edit. */
public record TrackId(long value) {}
