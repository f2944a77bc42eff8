/**
 * What a MIDI file brought beside notes and controllers, kept so that it goes out as it came in.
 */
package flailbeat.core.model.carried;
