/** Everything that needs a device: the engine that makes the sound, and its way out. */
package flailbeat.audio;
