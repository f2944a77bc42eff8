/** Pitches by their MIDI note number, and their names. */
package flailbeat.core.pitch;
