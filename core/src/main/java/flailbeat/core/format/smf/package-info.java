/**
 * Standard MIDI Files (MMA RP-001), types 0 and 1: a strict reader that says what is damaged and
 * saves what can be saved, a writer, and the ways to and from a song.
 */
package flailbeat.core.format.smf;
