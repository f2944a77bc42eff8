/**
 * Putting the timing right: where each note would go, how sure that is, and what it looked like.
 */
package flailbeat.core.quantize;
