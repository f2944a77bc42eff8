/** What the open formats share. */
package flailbeat.core.format;
