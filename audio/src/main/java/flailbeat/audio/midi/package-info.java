/** MIDI input devices: those of the system, and a simulated one to try things with. */
package flailbeat.audio.midi;
