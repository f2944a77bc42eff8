package flailbeat.core.harmony;

/**
 * What a chord may be called.
 *
 * @param share how likely that is, 0 to 1; all readings of a chord come to 1
 */
public record ChordReading(Chord chord, double share) {}
