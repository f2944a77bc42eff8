/** What is done to whole clips: moved, copied, laid out, shaped, called and coloured. */
package flailbeat.core.edit.clips;
