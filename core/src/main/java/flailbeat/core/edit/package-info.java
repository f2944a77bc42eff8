/** Edits: pure functions from a song to another, and the history of what they gave. */
package flailbeat.core.edit;
