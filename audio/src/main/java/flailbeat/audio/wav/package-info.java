/** What is heard, written to sound files. */
package flailbeat.audio.wav;
