/** What is heard: the sounds to choose from, MIDI outputs, sound files. */
package flailbeat.app.view.sound;
