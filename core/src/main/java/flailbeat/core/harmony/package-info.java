/** Chords and keys: what they are called, where they are found, how they are voiced. */
package flailbeat.core.harmony;
