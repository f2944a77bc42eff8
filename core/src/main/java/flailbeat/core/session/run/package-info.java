/**
 * What goes on from start to stop: playing, recording, note repeat, the sweep, and keeping what was
 * played.
 */
package flailbeat.core.session.run;
