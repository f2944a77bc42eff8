/** Finds where notes were meant to end, from times alone. */
package flailbeat.core.quantize.ends;
