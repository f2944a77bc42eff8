/** What is to sound and when, and the thing it goes to. */
package flailbeat.core.playback;
