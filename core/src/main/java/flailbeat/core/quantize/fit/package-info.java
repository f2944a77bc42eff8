/** The most probable score given a performance, as plain arrays: it knows nothing of notes. */
package flailbeat.core.quantize.fit;
