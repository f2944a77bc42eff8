/** The song that is open, what is chosen in it, and how all others are told what has changed. */
package flailbeat.core.session.document;
