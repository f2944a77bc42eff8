/**
 * What is on disk a moment after it was done: each edit, each note as it is played, so that neither
 * a crash nor a power cut takes them away. docs/losing-nothing.md says what is promised.
 */
package flailbeat.core.journal;
