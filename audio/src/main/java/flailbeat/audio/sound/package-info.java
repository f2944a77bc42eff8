/** The sounds: those that ship with the application, and those of files of the person's own. */
package flailbeat.audio.sound;
