/**
 * The song as it stands: immutable records, from the note up. Times are ticks from the song's
 * start.
 */
package flailbeat.core.model;
