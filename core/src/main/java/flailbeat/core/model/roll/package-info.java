/** How a track is drawn on by hand: what new notes start from, and in which rows. */
package flailbeat.core.model.roll;
