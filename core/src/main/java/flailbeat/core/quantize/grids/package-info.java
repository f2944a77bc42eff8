/** What the grids of single parts come to: in a song of many parts, and where the swing changes. */
package flailbeat.core.quantize.grids;
