/** From keys pressed on a computer keyboard, or a mouse, to notes. */
package flailbeat.core.keys;
