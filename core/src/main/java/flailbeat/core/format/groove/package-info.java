/** Grooves, as files of our own. */
package flailbeat.core.format.groove;
