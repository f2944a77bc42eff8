/** Sees what a newcomer does. */
package flailbeat.core.session.first;
