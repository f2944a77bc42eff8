/** Earlier states of a song's file, and what became of it since. */
package flailbeat.core.version;
