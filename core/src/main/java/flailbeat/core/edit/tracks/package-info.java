/** Whole tracks added, named, ordered, grouped and set. */
package flailbeat.core.edit.tracks;
