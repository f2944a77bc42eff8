/** The sounds that ship with the application. */
package flailbeat.audio.sound;
