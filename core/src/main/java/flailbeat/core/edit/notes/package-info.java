/**
 * Edits of notes that a person asks for: moved, resized, drawn, copied, split, set to exact values.
 */
package flailbeat.core.edit.notes;
