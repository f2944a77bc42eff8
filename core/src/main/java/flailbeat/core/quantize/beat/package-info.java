/** Tempo and bar line from the onsets alone, for what was played with no click. */
package flailbeat.core.quantize.beat;
