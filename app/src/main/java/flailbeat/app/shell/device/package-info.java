/** MIDI inputs and sound devices, as they come and go. */
package flailbeat.app.shell.device;
