/** What chords and keys are called and found, and what is done with them. */
package flailbeat.core.session.harmony;
