/**
 * Score time in ticks, performed time in nanoseconds, and the maps that convert one into the other.
 */
package flailbeat.core.time;
