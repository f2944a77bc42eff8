/**
 * How late a person plays: what is expected of it, what is learned of it, what is done about it.
 */
package flailbeat.core.quantize.lag;
